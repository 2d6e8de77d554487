import { z } from 'zod';
import { sharedDatabase } from '../../../../server/database';
import { guarded } from '../../../../server/guarded';
import { endSessionsOf } from '../../../../server/people';
import { readBody } from '../../../../server/respond';
import { findSiteManager } from '../../../../server/session';
import { refuseSignatures } from '../../../../server/sign';

const schema = z.strictObject({
  /** Whose sessions end; everybody's, but of whoever asks, where nobody is named. */
  person: z.string().min(1).max(40).optional(),
  pin: z.string().min(1).max(20),
});

/** Signs somebody out everywhere at once, or everybody else. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const who = await findSiteManager('Only a site manager may sign others out.');
  if (!who.ok) return who.response;
  const body = await readBody(request, schema);
  if (!body.ok) return body.response;
  const { person, pin } = body.value;
  const db = sharedDatabase();
  const actor = who.person.id;
  const refused = await refuseSignatures(db, [{ person: actor, pin }]);
  return refused ?? Response.json({ ok: true, ended: endSessionsOf(db, person, actor) });
});
