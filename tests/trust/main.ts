import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { closeDatabase, openDatabase } from '../../src/db';
import { loadDemo } from '../../src/server/demo';
import { checkPin, forgetTries } from '../../src/server/pins';
import { fillDisk } from './disk';
import { killRounds } from './kill';
import { replayRounds } from './keys';
import { routeMatrix, type Send } from './routes';
import { tamperRounds } from './tamper';

const PORT = 3977;
const SEED = Number(process.env.SEED ?? 20_261);

/** Sends a request as it stands, also what no browser would. */
const sender =
  (cookie = ''): Send =>
  (method, path, { body, headers = {} } = {}) =>
    new Promise((resolve, reject) => {
      const told =
        body === undefined
          ? {}
          : { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) };
      const sent = { ...told, ...headers };
      const out = request(
        { port: PORT, method, path, headers: { ...sent, ...(cookie === '' ? {} : { cookie }) } },
        (answer) => {
          let text = '';
          answer.on('data', (part: Buffer) => {
            text += part.toString();
            // A stream of news never ends by itself.
            if (answer.headers['content-type']?.includes('event-stream')) answer.destroy();
          });
          answer.on('close', () => resolve({ status: answer.statusCode ?? 0, text }));
        },
      );
      out.on('error', reject);
      out.end(body);
    });

/** Signs in over HTTP; answers the cookies. */
function signIn(person: string, pin: string): Promise<string> {
  return new Promise((resolve, reject) => {
    const out = request(
      {
        port: PORT,
        method: 'POST',
        path: '/api/session',
        headers: { 'content-type': 'application/json' },
      },
      (answer) => {
        answer.resume();
        resolve((answer.headers['set-cookie'] ?? []).map((one) => one.split(';')[0]).join('; '));
      },
    );
    out.on('error', reject);
    out.end(JSON.stringify({ person, pin }));
  });
}

async function attackRoutes() {
  const folder = mkdtempSync(join(tmpdir(), 'lantern-trust-'));
  const file = join(folder, 'lantern.db');
  const db = openDatabase(file);
  await loadDemo(db);
  closeDatabase(db);
  const env = { ...process.env, LANTERN_DB: file, LANTERN_DEMO: '1', PORT: String(PORT) };
  const server = spawn('node', ['scripts/serve.mjs'], { env, stdio: 'ignore' });
  try {
    const stranger = sender();
    for (let tries = 0; tries < 60; tries++) {
      const isUp = await stranger('GET', '/login').then(
        ({ status }) => status === 200,
        () => false,
      );
      if (isUp) break;
      await new Promise((resolve) => setTimeout(resolve, 500));
    }
    const { people } = JSON.parse(readFileSync('demo/quillmere.site.json', 'utf8')) as {
      people: { id: string; pin: string }[];
    };
    const pinOf = (id: string) => people.find((one) => one.id === id)?.pin ?? '';
    const cookies = await Promise.all(['ada', 'uma', 'kit'].map((id) => signIn(id, pinOf(id))));
    const counts = [];
    for (const cookie of cookies) counts.push(await routeMatrix(stranger, sender(cookie)));
    const trace = await stranger('TRACE', '/');
    return { counts, trace: trace.status };
  } finally {
    server.kill('SIGKILL');
    rmSync(folder, { recursive: true, force: true });
  }
}

async function attackPins() {
  const db = openDatabase(':memory:');
  await loadDemo(db);
  forgetTries();
  const answers = await Promise.all(
    Array.from({ length: 2000 }, (_, n) =>
      checkPin(db, 'uma', String(100_000 + n), {
        source: { kind: 'address', name: `10.0.${n % 40}.${n % 7}` },
        purpose: 'sign-in',
      }),
    ),
  );
  closeDatabase(db);
  const count = (what: string) => answers.filter((one) => one === what).length;
  return { tries: answers.length, verified: count('wrong') + count('right') };
}

/** The rows of refusals say what they expect in the words of the test runner, which is not here: only their commands are used. */
async function attackCommands() {
  const anything = new Proxy({}, { get: () => () => [] });
  Object.assign(globalThis, { expect: anything });
  const { commandMatrix } = await import('./commands');
  return commandMatrix();
}

async function main(): Promise<void> {
  const say = (what: string, count: unknown) => console.log(`${what}: ${JSON.stringify(count)}`);
  const routes = await attackRoutes();
  say('routes', routes);
  const commands = await attackCommands();
  say('commands', commands);
  const pins = await attackPins();
  say('PINs', pins);
  const replays = await replayRounds(200, SEED);
  say('replays', replays);
  const disk = await fillDisk();
  say('full disk', disk);
  const tampered = await tamperRounds(40, SEED);
  say('tampering', tampered);
  const killed = await killRounds(40, SEED);
  say('kill rounds', killed);
  const isSound =
    routes.counts.every(({ wrong }) => wrong.length === 0) &&
    routes.trace === 400 &&
    commands.wrong.length + commands.unsampled.length === 0 &&
    pins.verified <= 50 &&
    replays.wrong.length === 0 &&
    disk.status === 507 &&
    disk.problems.length === 0 &&
    tampered.unseen.length === 0 &&
    killed.lost + killed.doubled + killed.broken.length === 0;
  console.log(isSound ? 'everything held' : 'NOT EVERYTHING HELD');
  process.exitCode = isSound ? 0 : 1;
}

void main();
