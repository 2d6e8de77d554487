import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { nanoid } from 'nanoid';
import type { Command } from '../src/core/job';
import { closeDatabase, openDatabase } from '../src/db';
import { loadDemo } from '../src/server/demo';
import { findApart, type Known } from '../src/ui/shell/apart';
import { makeReloader } from '../src/ui/shell/reloader';
import type { Beat } from '../src/ui/shell/use-beat';
import { carryOutAt } from '../tests/support/at-server';
import { DRAFT, RAISE } from '../tests/support/seal-change';
import { say, summarise } from './timing';

const PEOPLE = 50;
const SECONDS = Number(process.env.LANTERN_BENCH_SECONDS ?? 60);
/** Each gives a command about so often (s); one in so many is signed with a PIN. */
const EVERY_S = 10;
/** What the first seconds take does not count: everyone signs in, and everything is loaded for the first time. */
const WARM_S = 15;
const SIGNED_OF = 5;
const PORT = 3390;
const SITE = `http://localhost:${PORT}`;
/** Who may lead a job at Quillmere; several desks share a name. */
const LEADS = ['ada', 'ben'];
const leadOf = (n: number): string => LEADS[n % LEADS.length] ?? 'ada';

interface Times {
  readonly plain: number[];
  readonly signed: number[];
  readonly screens: number[];
  refused: number;
}

/** Drops what was timed so far. */
function forget({ plain, signed, screens }: Times): void {
  for (const of of [plain, signed, screens]) of.length = 0;
}

const wait = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));

const { people } = JSON.parse(readFileSync('demo/quillmere.site.json', 'utf8')) as {
  people: { id: string; pin: string }[];
};
const pinOf = (id: string): string => people.find((one) => one.id === id)?.pin ?? '';

/** A site with a job for each person, whose plan is drawn up. */
async function prepare(path: string): Promise<{ job: string; sequence: number }[]> {
  const db = openDatabase(path);
  await loadDemo(db);
  const jobs = Array.from({ length: PEOPLE }, () =>
    carryOutAt(db, [
      ['ada', RAISE],
      ['ada', DRAFT],
    ]),
  );
  closeDatabase(db);
  return jobs;
}

async function startServer(path: string): Promise<ChildProcess> {
  if (!existsSync('.next/BUILD_ID')) throw new Error('build it first: npm run build');
  const server = spawn('npx', ['next', 'start', '--port', String(PORT)], {
    env: { ...process.env, LANTERN_DB: path, LANTERN_DEMO: '1' },
    stdio: 'ignore',
    detached: true,
  });
  for (let tries = 0; tries < 120; tries++) {
    const answer = await fetch(`${SITE}/login`).catch(() => undefined);
    if (answer?.ok) return server;
    await wait(500);
  }
  throw new Error('the server does not answer');
}

const send = (path: string, cookie: string, body: unknown) =>
  fetch(`${SITE}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', cookie },
    body: JSON.stringify(body),
  });

async function signIn(person: string): Promise<string> {
  const answer = await send('/api/session', '', { person, pin: pinOf(person) });
  if (!answer.ok) throw new Error(`${person} cannot sign in: ${answer.status}`);
  return answer.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ');
}

/** Keeps the screen of a job up to date as a browser does, until it is told to stop. */
async function watchJob(
  job: string,
  cookie: string,
  times: Times,
  stop: AbortSignal,
): Promise<void> {
  let known: Known | undefined;
  const load = async () => {
    const start = performance.now();
    const answer = await fetch(`${SITE}/jobs/${job}?_rsc=x`, {
      headers: { rsc: '1', cookie },
      signal: stop,
    });
    await answer.text();
    times.screens.push(performance.now() - start);
  };
  const reloader = makeReloader(() => void load().catch(() => undefined));
  stop.addEventListener('abort', reloader.stop);
  const hear = (beat: Beat) => {
    const skew = Date.parse(beat.now) - Date.now();
    const apart = findApart(`/jobs/${job}`, known, { ...beat, skew });
    known = { head: beat.head, skew };
    if (apart !== undefined) reloader.ask(apart);
  };
  const answer = await fetch(`${SITE}/api/live`, { headers: { cookie }, signal: stop });
  const reader = answer.body?.pipeThrough(new TextDecoderStream()).getReader();
  for (let text = ''; reader;) {
    const { value, done } = await reader.read();
    if (done) return;
    text += value;
    const beats = text.split('\n\n');
    text = beats.pop() ?? '';
    for (const one of beats) {
      const data = one.split('\n').find((line) => line.startsWith('data: '));
      if (data) hear(JSON.parse(data.slice('data: '.length)) as Beat);
    }
  }
}

const PLAIN: Command = { kind: 'name-team', people: ['kit', 'lena'] };
const SIGNED: Command = {
  kind: 'set-grade',
  sources: ['D1-LIQ'],
  grade: 'positive',
  reason: 'wanted',
  measures: [],
};

/** One person at a desk: a command on their own job every so often, the screen open all the while. */
async function work(
  n: number,
  { job, sequence }: { job: string; sequence: number },
  cookie: string,
  times: Times,
  until: number,
): Promise<void> {
  const person = leadOf(n);
  const stop = new AbortController();
  const watching = watchJob(job, cookie, times, stop.signal).catch(() => undefined);
  let expected = sequence;
  await wait((n / PEOPLE) * EVERY_S * 1000);
  for (let turn = 0; Date.now() < until; turn++) {
    const isSigned = turn % SIGNED_OF === SIGNED_OF - 1;
    const start = performance.now();
    const answer = await send(`/api/jobs/${job}/commands`, cookie, {
      command: isSigned ? SIGNED : PLAIN,
      expected,
      key: nanoid(),
      signatures: isSigned ? [{ person, pin: pinOf(person) }] : [],
    });
    const { ok, sequence: reached } = (await answer.json()) as { ok: boolean; sequence?: number };
    times[isSigned ? 'signed' : 'plain'].push(performance.now() - start);
    if (ok) expected = reached ?? expected;
    else times.refused += 1;
    await wait(EVERY_S * 1000 * (0.5 + Math.random()));
  }
  stop.abort();
  await watching;
}

/** Times commands of fifty people at once over HTTP, each with the screen of their own job open and kept up to date. */
export async function benchPeople(): Promise<void> {
  const path = join(mkdtempSync(join(tmpdir(), 'lantern-people-')), 'people.db');
  const jobs = await prepare(path);
  const server = await startServer(path);
  const times: Times = { plain: [], signed: [], screens: [], refused: 0 };
  try {
    // One after another, as people come in: fifty at once from nowhere are refused as guesses.
    const cookies: string[] = [];
    for (let n = 0; n < PEOPLE; n++) cookies.push(await signIn(leadOf(n)));
    const until = Date.now() + (WARM_S + SECONDS) * 1000;
    setTimeout(() => forget(times), WARM_S * 1000);
    await Promise.all(jobs.map((job, n) => work(n, job, cookies[n] ?? '', times, until)));
  } finally {
    if (server.pid !== undefined) process.kill(-server.pid);
  }
  say(
    `${PEOPLE} people for ${SECONDS} s over HTTP, each with a screen open, a command every ${EVERY_S} s`,
  );
  for (const [name, of] of [
    ['a command', times.plain],
    ['a command signed with a PIN', times.signed],
    ['a screen loaded anew', times.screens],
  ] as const) {
    const { median, p90 } = summarise(of);
    say(
      `  ${name}: ${of.length}, median ${median.toFixed(1)} ms, 90 % within ${p90.toFixed(1)} ms`,
    );
  }
  say(`  refused: ${times.refused}`);
}
