import { z } from 'zod';
import { hasLeft } from '../../../../core/people/people';
import { readNow } from '../../../../server/clock';
import { sharedDatabase } from '../../../../server/database';
import { guarded } from '../../../../server/guarded';
import { hasPin, makePinCode } from '../../../../server/people';
import { findPerson } from '../../../../server/registers';
import { readBody, respondError } from '../../../../server/respond';
import { findSiteManager, holdsNow } from '../../../../server/session';
import { refuseSignatures, signaturesSchema } from '../../../../server/sign';

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
  if (!known || hasLeft(known, readNow(db)))
    return respondError(404, 'There is no such person at this site.');
  const actor = who.person.id;
  const by = [...new Set(signatures.map((one) => one.person))];
  if (!by.includes(actor)) return respondError(403, 'Sign it with your own PIN.');
  if (hasPin(db, person)) {
    const second = by.find((one) => one !== actor);
    const witness = second === undefined ? undefined : findPerson(db, second);
    if (
      !witness ||
      second === person ||
      !holdsNow(witness, ['site-manager', 'coordinator', 'issuing-authority'])
    )
      return respondError(403, `${known.name} has a PIN: a reset is signed by two.`, [
        'The second is another site manager, a coordinator or an issuing authority, and not whose PIN it is.',
      ]);
  }
  const refused = await refuseSignatures(db, signatures);
  if (refused) return refused;
  return Response.json({
    ok: true,
    code: makePinCode(db, person, [actor, ...by.filter((one) => one !== actor)]),
  });
});
