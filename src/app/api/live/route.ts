import { sharedDatabase } from '../../../server/database';
import { streamBeats } from '../../../server/live';
import { respondError } from '../../../server/respond';
import { findMe } from '../../../server/session';

export const dynamic = 'force-dynamic';

/** Says at once and from then on when anything changes, as server-sent events. */
export async function GET(request: Request): Promise<Response> {
  if (!(await findMe())) return respondError(401, 'Sign in first.');
  return new Response(streamBeats(sharedDatabase(), request.signal), {
    headers: {
      'content-type': 'text/event-stream; charset=utf-8',
      'cache-control': 'no-cache, no-transform',
      'x-accel-buffering': 'no',
    },
  });
}
