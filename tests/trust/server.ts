import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { closeDatabase, openDatabase, type Db } from '../../src/db';
import { loadDemo } from '../../src/server/demo';
import type { Send } from './routes';

/** A server of its own with the demonstration on it. */
export interface Attacked {
  readonly file: string;
  /** Where it writes its log. */
  readonly log: string;
  readonly pid: number;
  readonly port: number;
  readonly stop: () => void;
}

const agent = new Agent({ keepAlive: true, maxSockets: 64 });

/** Sends a request as it stands, also what no browser would. */
export const sender =
  (port: number, cookie = ''): Send =>
  (method, path, { body, headers = {} } = {}) =>
    new Promise((resolve, reject) => {
      const told =
        body === undefined
          ? {}
          : { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) };
      const sent = { ...told, ...headers, ...(cookie === '' ? {} : { cookie }) };
      const out = request({ port, method, path, agent, headers: sent }, (answer) => {
        let text = '';
        answer.on('data', (part: Buffer) => {
          text += part.toString();
          // A stream of news never ends by itself.
          if (answer.headers['content-type']?.includes('event-stream')) answer.destroy();
        });
        answer.on('close', () => resolve({ status: answer.statusCode ?? 0, text }));
      });
      out.on('error', reject);
      out.end(body);
    });

/** Signs in over HTTP; answers the cookies. */
export function signIn(port: number, person: string, pin = pinOf(person)): Promise<string> {
  return new Promise((resolve, reject) => {
    const headers = { 'content-type': 'application/json' };
    const out = request({ port, method: 'POST', path: '/api/session', headers }, (answer) => {
      answer.resume();
      resolve((answer.headers['set-cookie'] ?? []).map((one) => one.split(';')[0]).join('; '));
    });
    out.on('error', reject);
    out.end(JSON.stringify({ person, pin }));
  });
}

/** The PIN of somebody on the demonstration. */
export function pinOf(person: string): string {
  const { people } = JSON.parse(readFileSync('demo/quillmere.site.json', 'utf8')) as {
    people: { id: string; pin: string }[];
  };
  return people.find((one) => one.id === person)?.pin ?? '';
}

/** Has something done to a server that runs on a database of its own, and takes both away. What is built is served: build first. */
export async function withServer<T>(
  port: number,
  work: (server: Attacked) => Promise<T>,
  fill: (db: Db) => Promise<unknown> = loadDemo,
): Promise<T> {
  const folder = mkdtempSync(join(tmpdir(), 'lantern-trust-'));
  const file = join(folder, 'lantern.db');
  const db = openDatabase(file);
  await fill(db);
  closeDatabase(db);
  // With little room the collector cannot put its work off: what grows then does grow.
  const NODE_OPTIONS = '--max-old-space-size=384';
  const log = join(folder, 'server.log');
  const env = {
    ...process.env,
    LANTERN_LOG: log,
    NODE_OPTIONS,
    LANTERN_DB: file,
    LANTERN_DEMO: '1',
    PORT: String(port),
  };
  const server = spawn('node', ['scripts/serve.mjs'], { env, stdio: 'ignore' });
  const stop = () => void server.kill('SIGKILL');
  try {
    const stranger = sender(port);
    for (let tries = 0; tries < 60; tries++) {
      const isUp = await stranger('GET', '/login').then(
        ({ status }) => status === 200,
        () => false,
      );
      if (isUp) break;
      await new Promise((resolve) => setTimeout(resolve, 500));
    }
    return await work({ file, log, pid: server.pid ?? 0, port, stop });
  } finally {
    stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
