import { z } from 'zod';
import { sharedDatabase } from '../../../server/database';
import { readBody, respondError } from '../../../server/respond';
import { findSiteManager } from '../../../server/session';
import { refuseSignatures } from '../../../server/sign';
import { saveValues } from '../../../server/site-rules';
import { guarded } from '../../../server/guarded';
import { pinSchema } from '../../../server/pins';

const schema = z.strictObject({
  values: z.unknown(),
  expected: z.int().min(0),
  note: z.string().trim().min(1, 'say what was changed and why').max(2000),
  pin: pinSchema,
});

/** Saves the values of the rules as their next version, signed by the site manager with a fresh PIN. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const who = await findSiteManager();
  if (!who.ok) return who.response;
  const body = await readBody(request, schema);
  if (!body.ok) return body.response;
  const { values, expected, note, pin } = body.value;
  const db = sharedDatabase();
  const refused = await refuseSignatures(db, [{ person: who.person.id, pin }]);
  if (refused) return refused;
  const saved = saveValues(db, { document: values, expected, note, actor: who.person.id });
  if (saved.ok) return Response.json(saved);
  if (saved.kind === 'unfit')
    return respondError(422, 'These values are not allowed.', saved.problems);
  return respondError(
    409,
    `Someone saved version ${saved.version} meanwhile. Nothing of yours was saved: load the page again.`,
  );
});
