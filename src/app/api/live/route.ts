import { sharedDatabase } from '../../../server/database';
import { streamBeats } from '../../../server/live';
import { respondError } from '../../../server/respond';
import { findSecret } from '../../../server/session';
import { findSession, isSessionLive } from '../../../server/sessions';
import { guarded } from '../../../server/guarded';

export const dynamic = 'force-dynamic';

/** Says at once and from then on when anything changes, as server-sent events. */
export const GET = guarded(async (request: Request): Promise<Response> => {
  const secret = await findSecret();
  const db = sharedDatabase();
  if (secret === undefined || !findSession(db, secret)) return respondError(401, 'Sign in first.');
  const goesOn = () => isSessionLive(db, secret);
  return new Response(streamBeats(db, request.signal, goesOn), {
    headers: {
      'content-type': 'text/event-stream; charset=utf-8',
      'cache-control': 'no-cache, no-transform',
      'x-accel-buffering': 'no',
    },
  });
});
