import pino from 'pino';
import { Counter, Histogram, collectDefaultMetrics } from 'prom-client';

/**
 * The log of the server: lines of JSON. LANTERN_LOG names a file, or `-` for the standard output; without it only what goes wrong is said, on the error
 * output. A file is opened anew on SIGHUP, so that another program can take the full one away.
 */
function makeLog() {
  const to = process.env.LANTERN_LOG ?? '';
  const destination =
    to === '' || to === '-'
      ? pino.destination({ fd: to === '-' ? 1 : 2, sync: true })
      : pino.destination({ dest: to, append: true, mkdir: true, mode: 0o600, sync: true });
  // A log that cannot be written takes nothing else with it: work goes on, and the disk is said to be full elsewhere.
  destination.on('error', () => undefined);
  if (to !== '' && to !== '-') process.on('SIGHUP', () => destination.reopen());
  return pino(
    { level: to === '' ? 'error' : (process.env.LANTERN_LOG_LEVEL ?? 'info') },
    destination,
  );
}

/** The one log of this process: what is bundled apart finds it under the same name (src/db/per-process.ts). */
export const log = makeLog();
(globalThis.lanternShared ??= new Map()).set('log', log);

collectDefaultMetrics();
const took = new Histogram({
  name: 'lantern_request_seconds',
  help: 'How long requests took, by kind, method and the class of the answer',
  labelNames: ['kind', 'method', 'answer'],
  buckets: [0.005, 0.02, 0.05, 0.1, 0.3, 1, 3, 10],
});
const refused = new Counter({
  name: 'lantern_requests_unreadable_total',
  help: 'Requests that could not be one: no such method, or an address that is none',
});

const kindOf = (path) =>
  path.startsWith('/_next/') ? 'file' : path.startsWith('/api/') ? 'api' : 'page';

/** Writes a request down once it is answered: what was asked for, without its query, body and cookies, and how long it took. */
export function noteRequest(request, response) {
  const began = process.hrtime.bigint();
  const { method = '', url = '/', headers } = request;
  const path = url.split('?')[0].slice(0, 200);
  response.on('close', () => {
    const seconds = Number(process.hrtime.bigint() - began) / 1e9;
    const status = response.statusCode;
    const kind = kindOf(path);
    // A line on which screens hear of changes is open as long as the screen is.
    if (path !== '/api/live') {
      took.observe({ kind, method, answer: `${Math.floor(status / 100)}xx` }, seconds);
    }
    const line = { method, path, status, ms: Math.round(seconds * 1000), from: headers['x-lantern-address'] }; // prettier-ignore
    if (status >= 500) log.error(line, 'request');
    else if (kind === 'file' || path === '/api/health') log.debug(line, 'request');
    else log.info(line, 'request');
  });
}

/** Counts a request that was not let in. */
export function noteRefused(request) {
  refused.inc();
  log.info({ method: String(request.method).slice(0, 20) }, 'unreadable request');
}
