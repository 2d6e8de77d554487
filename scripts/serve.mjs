import { mkdirSync } from 'node:fs';
import { createServer } from 'node:http';
import { dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import next from 'next';
import { log, noteRefused, noteRequest } from './log.mjs';

/**
 * The server: Next behind a door that lets in only what can be a request, and that knows from which address it comes.
 * PORT, LANTERN_HOST (who may reach it; this machine alone unless said otherwise), LANTERN_PROXIES (how many trusted proxies stand before
 * it, each of which adds an address), LANTERN_TLS=1 (browsers speak TLS to what stands before it).
 */
const port = Number(process.env.PORT ?? 3000);
const host = process.env.LANTERN_HOST ?? '127.0.0.1';
const proxies = Number(process.env.LANTERN_PROXIES ?? 0);
/** Longer than the 60 s after which proxies and devices let an idle line go: they shut it, and never use one that was just shut. */
const KEPT_MS = Number(process.env.LANTERN_KEPT_MS ?? 65_000);

const METHODS = new Set(['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS']);

/** Why an address of a page cannot be one: an escape that is none, or a character that no text has. */
function findFault(url) {
  try {
    const all = url.split(/[?&]/).map((part) => decodeURIComponent(part.replaceAll('+', ' ')));
    return all.some((one) => one.includes('\0')) ? 'holds a character that no text has' : undefined;
  } catch {
    return 'holds an escape that is none';
  }
}

function refuse(request, response, words) {
  noteRefused(request);
  const body = JSON.stringify({ ok: false, kind: 'error', error: words, problems: [] });
  response.writeHead(400, { 'content-type': 'application/json', connection: 'close' });
  response.end(body);
}

/** The address of the other end: of the socket, or what the last of the trusted proxies saw. */
function addressOf({ headers, socket }) {
  const told = String(headers['x-forwarded-for'] ?? '')
    .split(',')
    .map((one) => one.trim());
  return (proxies > 0 ? told.at(-proxies) : undefined) || socket.remoteAddress || 'unknown';
}

/** Holds the database for this server alone, by a lock of the system that goes with the process, however it ends. */
function holdDatabase() {
  const file = process.env.LANTERN_DB ?? join(process.cwd(), '.lantern', 'lantern.db');
  mkdirSync(dirname(file), { recursive: true });
  const held = new Database(`${file}.in-use`, { timeout: 0 });
  try {
    held.exec('pragma locking_mode = exclusive; begin exclusive');
  } catch {
    console.error(
      `Another server runs on ${file}: stop that one first, or give this one another database (LANTERN_DB).`,
    );
    process.exit(1);
  }
  return held;
}

const held = holdDatabase();
process.on('exit', () => held.close());

const app = next({ dev: false, hostname: host, port });
const handle = app.getRequestHandler();
await app.prepare();
const server = createServer((request, response) => {
  const { method = '', url = '/', headers } = request;
  if (!METHODS.has(method))
    return refuse(
      request,
      response,
      `The method ${method.slice(0, 20)} is not one of this server.`,
    );
  const fault = findFault(url);
  if (fault) return refuse(request, response, `The address ${fault}.`);
  headers['x-lantern-address'] = addressOf(request);
  noteRequest(request, response);
  if (proxies === 0) delete headers['x-forwarded-proto'];
  const isTls = process.env.LANTERN_TLS === '1' || headers['x-forwarded-proto'] === 'https';
  if (isTls) response.setHeader('strict-transport-security', 'max-age=31536000');
  void handle(request, response);
});
server.keepAliveTimeout = KEPT_MS;
server.headersTimeout = KEPT_MS + 5000;
server.listen(port, host, () => {
  log.info({ host, port }, 'started');
  console.log(`listens on http://${host}:${port}`);
});
for (const signal of ['SIGINT', 'SIGTERM']) {
  process.on(signal, () => {
    log.info({ signal }, 'stopped');
    server.close(() => process.exit(0));
    // Screens hold their lines open: they come back by themselves.
    server.closeAllConnections();
  });
}
