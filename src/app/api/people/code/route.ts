import { z } from 'zod';
import { hasLeft } from '../../../../core/people/people';
import { refusePinCode } from '../../../../core/people/pin-code';
import { explainIn } from '../../../../core/rules/book';
import { readNow } from '../../../../server/clock';
import { sharedDatabase } from '../../../../server/database';
import { guarded } from '../../../../server/guarded';
import { hasPin, makePinCode } from '../../../../server/people';
import { findPerson } from '../../../../server/registers';
import { readBody, respondError } from '../../../../server/respond';
import { findSiteManager } from '../../../../server/session';
import { refuseSignatures, signaturesSchema } from '../../../../server/sign';
import { readValues } from '../../../../server/site-rules';

const schema = z.strictObject({ person: z.string().min(1).max(40), signatures: signaturesSchema });

/** Makes a code with which somebody sets a PIN of their own. Whoever has one already gets it by two: nobody alone may stand in for another. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const who = await findSiteManager('Only a site manager may give out codes.');
  if (!who.ok) return who.response;
  const body = await readBody(request, schema);
  if (!body.ok) return body.response;
  const { person, signatures } = body.value;
  const db = sharedDatabase();
  const known = findPerson(db, person);
  const now = readNow(db);
  if (!known || hasLeft(known, now))
    return respondError(404, 'There is no such person at this site.');
  const actor = who.person.id;
  const by = [...new Set(signatures.map((one) => one.person))];
  const signers = by.flatMap((id) => findPerson(db, id) ?? []);
  const [refusal] = refusePinCode(known, { actor, now, signers, isReset: hasPin(db, person) });
  if (refusal) {
    const { says, clear } = explainIn(readValues(db).values.zone)(refusal);
    return respondError(403, says, [clear]);
  }
  const refused = await refuseSignatures(db, signatures);
  if (refused) return refused;
  const makers = [actor, ...by.filter((one) => one !== actor)];
  return Response.json({ ok: true, code: makePinCode(db, person, makers) });
});
