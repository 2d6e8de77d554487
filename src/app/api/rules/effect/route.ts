import { z } from 'zod';
import { sharedDatabase } from '../../../../server/database';
import { readBody, respondError } from '../../../../server/respond';
import { previewValues } from '../../../../server/rules-effect';
import { findSiteManager } from '../../../../server/session';
import { checkValues } from '../../../../server/site-rules';
import { guarded } from '../../../../server/guarded';

const schema = z.strictObject({ values: z.unknown() });

/** Says what other values would change for the jobs that are open. Keeps nothing. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const who = await findSiteManager();
  if (!who.ok) return who.response;
  const body = await readBody(request, schema);
  if (!body.ok) return body.response;
  const checked = checkValues(body.value.values);
  return checked.ok
    ? Response.json({ ok: true, effects: previewValues(sharedDatabase(), checked.values) })
    : respondError(422, 'These values are not allowed.', checked.problems);
});
