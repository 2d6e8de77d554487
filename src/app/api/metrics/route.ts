import { findCaller } from '../../../server/caller';
import { sharedDatabase } from '../../../server/database';
import { guarded } from '../../../server/guarded';
import { METRICS_TYPE, writeMetrics } from '../../../server/metrics';

/** How the server does, for Prometheus: with a token for it, or as a site manager. */
export const GET = guarded(async (request: Request): Promise<Response> => {
  const db = sharedDatabase();
  const caller = await findCaller(db, request, 'metrics', ['site-manager']);
  if (!caller.ok) return caller.response;
  const headers = { 'content-type': METRICS_TYPE, 'cache-control': 'no-store' };
  return new Response(await writeMetrics(db), { headers });
});
