import { sharedDatabase } from '../../../server/database';
import { enrolDevice } from '../../../server/devices';
import { guarded } from '../../../server/guarded';
import { readBody, respondError } from '../../../server/respond';
import { findPinSource, keepDevice } from '../../../server/session';
import { setUpSchema, setUpSite } from '../../../server/set-up';

/** Sets a new site up with the code that its server printed, once. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const body = await readBody(request, setUpSchema);
  if (!body.ok) return body.response;
  const db = sharedDatabase();
  const done = await setUpSite(db, body.value, await findPinSource());
  if (done.ok) {
    // Where the site is set up, its people may be shown.
    const device = { name: 'where the site was set up', kind: 'desk' as const };
    await keepDevice(enrolDevice(db, device, body.value.manager.id));
    return Response.json(done);
  }
  switch (done.answer) {
    case 'done-before':
      return respondError(409, 'This site is set up already. Sign in.');
    case 'too-many-tries':
      return respondError(429, 'Too many wrong codes from here. Wait ten minutes.');
    case 'wrong':
      return respondError(403, 'That code is not right. The server printed it when it started.');
    case 'unfit':
      return respondError(422, 'The site cannot begin like this.', done.problems);
  }
});
