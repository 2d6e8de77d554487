import { sharedDatabase } from '../../../server/database';
import { guarded } from '../../../server/guarded';
import { readBody, respondError } from '../../../server/respond';
import { findPinSource } from '../../../server/session';
import { setUpSchema, setUpSite } from '../../../server/set-up';

/** Sets a new site up with the code that its server printed, once. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const body = await readBody(request, setUpSchema);
  if (!body.ok) return body.response;
  const done = await setUpSite(sharedDatabase(), body.value, await findPinSource());
  if (done.ok) return Response.json(done);
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
