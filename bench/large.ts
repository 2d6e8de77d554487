import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { nanoid } from 'nanoid';
import { NO_REGISTERS, registerSchema } from '../src/core/registers/schema';
import type { Person, Role } from '../src/core/people/people';
import { presentOrThrow } from '../src/core/result';
import { closeDatabase, openDatabase, type Db } from '../src/db';
import { readDossierPage } from '../src/server/dossier-page';
import { readState } from '../src/server/job-state';
import { readJobTable } from '../src/server/job-table';
import { carryOut } from '../src/server/jobs';
import { changePeople, readPeopleVersion } from '../src/server/people';
import { hashPin } from '../src/server/pins';
import { findNewestVersion, savePlant } from '../src/server/plant';
import { changeRegister } from '../src/server/register-change';
import {
  listPeople,
  readRegisters,
  readSite,
  savePerson,
  saveRegister,
} from '../src/server/registers';
import { findAnything } from '../src/server/search';
import { readBoard } from '../src/server/watch';
import { makeWorks } from '../tests/support/works';
import { say, summarise, time } from './timing';

const PEOPLE = 2000;
const LINKS = 50_000;
const LOCKS = 20_000;
const AREAS = 40;
const PORT = 3391;
const TIMES = 9;
const UNTIL = '2030-01-01T00:00:00.000Z';
const ROLES: readonly (readonly Role[])[] = [
  ['worker'],
  ['worker', 'entrant'],
  ['performing-authority', 'worker'],
  ['area-operator'],
  ['isolating-electrical'],
  ['isolating-process', 'isolating-mechanical'],
  ['issuing-authority'],
  ['coordinator'],
];
const PIN = '731904';

const makePerson = (n: number): Person => ({
  id: `p${n}`,
  name: `Person ${n}`,
  employer: `Firm ${n % 30}`,
  authorisations: (n === 0 ? (['coordinator', 'site-manager'] as const) : (ROLES[n % ROLES.length] ?? [])).map((role) => ({ role, until: UNTIL, evidence: 'course' })), // prettier-ignore
});

/** A site of many works: its plant, its people and what it locks with. */
async function fill(db: Db): Promise<void> {
  const { plant, jobs } = makeWorks(7, LINKS);
  const areas = Array.from({ length: AREAS }, (_, n) => ({
    id: `A${n}`,
    name: `Works ${n}`,
    outline: [],
    zone: 'none' as const,
  }));
  const each = Math.ceil(plant.sections.length / AREAS);
  const sections = plant.sections.map((section, n) => ({
    ...section,
    area: `A${Math.floor(n / each)}`,
  }));
  const pumps = jobs.filter(({ kind }) => kind === 'pump').slice(0, 200);
  const equipment = pumps.map(({ scope }, n) => ({
    id: `P-${n}`,
    name: `Pump ${n}`,
    kind: 'pump',
    area: sections.find(({ id }) => id === scope.work[0]?.section)?.area ?? 'A0',
    sections: scope.work.map(({ section }) => section),
  }));
  const document = { ...plant, areas, sections, equipment };
  const saved = savePlant(db, { document, expected: 0, note: 'drawn', actor: 'p0' });
  if (!saved.ok) throw new Error(JSON.stringify(saved).slice(0, 500));
  const pinHash = await hashPin(PIN);
  for (let n = 0; n < PEOPLE; n++)
    savePerson(db, { ...makePerson(n), pinHash: n < 50 ? pinHash : '' });
  const locks = Array.from({ length: LOCKS }, (_, n) =>
    n % 2 === 0
      ? { id: `P-${n}`, set: `set ${n % 40}`, use: n % 20 === 0 ? 'control' : 'point' }
      : { id: `W-${n}`, set: 'own', use: 'personal', owner: `p${n % PEOPLE}` },
  );
  const instruments = Array.from({ length: 400 }, (_, n) => ({
    id: `VT-${n}`,
    name: `Tester ${n}`,
    reads: n % 2 === 0 ? 'voltage' : 'pressure',
    ...(n % 2 === 0 ? { contact: 'two-pole', rated_v: 1000 } : {}),
    testedUntil: UNTIL,
  }));
  const boxes = Array.from({ length: 300 }, (_, n) => ({ id: `BOX-${n}`, name: `Box ${n}` }));
  saveRegister(
    db,
    'registers',
    registerSchema.parse({ ...NO_REGISTERS, locks, boxes, instruments }),
  );
  for (const { id, sections: own } of equipment) {
    const done = carryOut(db, {
      jobId: 'new',
      command: { kind: 'raise-job', title: `Seal of ${id}`, equipment: id, work: own.map((section) => ({ section, activity: 'open' as const })), hours: 6, performer: 'p2' }, // prettier-ignore
      expected: 0,
      key: nanoid(),
      actor: 'p0',
      signed: [],
    });
    if (!done.ok) throw new Error(JSON.stringify(done).slice(0, 500));
  }
}

function sayOf(what: string, work: (n: number) => unknown): void {
  const times = Array.from({ length: TIMES }, (_, n) => time(() => work(n)));
  const { median, p90 } = summarise(times);
  say(`  ${what.padEnd(44)} median ${median.toFixed(1)} ms, 90 % within ${p90.toFixed(1)} ms`);
}

function measureInside(db: Db): void {
  const me = presentOrThrow(
    listPeople(db).find(({ id }) => id === 'p0'),
    'p0',
  );
  sayOf('a command on a job', (n) => {
    const jobId = `J-${String(n + 1).padStart(4, '0')}`;
    const { sequence } = readState(db, jobId);
    return carryOut(db, { jobId, command: { kind: 'name-team', people: ['p1', 'p2'] }, expected: sequence, key: nanoid(), actor: 'p0', signed: [] }); // prettier-ignore
  });
  sayOf('the site, after something was written', () => {
    changeRegister(db, { name: 'boxes', put: [{ id: 'BOX-0', name: nanoid() }], remove: [], expected: readRegisters(db).version, actor: 'p0' }); // prettier-ignore
    return readSite(db);
  });
  sayOf('the board', () => readBoard(db));
  sayOf('the list of jobs', () => readJobTable(db, me));
  sayOf('the page of a job', () => readDossierPage(db, 'J-0001', me));
  sayOf('a lock changed', (n) => {
    const { version } = readRegisters(db);
    const put = [{ id: `P-${2 * n + 2}`, set: `other ${n}`, use: 'point' as const }];
    return changeRegister(db, { name: 'locks', put, remove: [], expected: version, actor: 'p0' });
  });
  sayOf('a person changed', (n) => {
    const person = { ...makePerson(n + 10), name: `Changed ${n}` };
    return changePeople(db, { people: [person], expected: readPeopleVersion(db), actor: 'p0' });
  });
  sayOf('a search', (n) => findAnything(db, `P-${n}`));
}

const SITE = `http://localhost:${PORT}`;

/** Times every main page over HTTP, with how much it sends. */
async function measurePages(path: string): Promise<void> {
  if (!existsSync('.next/BUILD_ID')) throw new Error('build it first: npm run build');
  const env = {
    ...process.env,
    LANTERN_DB: path,
    LANTERN_BACKUPS: `${path}.backups`,
    PORT: String(PORT),
  };
  const server = spawn('node', ['scripts/serve.mjs'], { env, stdio: 'ignore' });
  try {
    for (let tries = 0; tries < 120; tries++) {
      const up = await fetch(`${SITE}/login`).catch(() => undefined);
      if (up?.ok) break;
      await new Promise((resolve) => setTimeout(resolve, 500));
    }
    const signed = await fetch(`${SITE}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ person: 'p0', pin: PIN }),
    });
    const cookie = signed.headers.getSetCookie().map((one) => one.split(';')[0]).join('; '); // prettier-ignore
    for (const page of [
      '/login',
      '/watch',
      '/jobs',
      '/jobs/J-0001',
      '/jobs/J-0001/field',
      '/jobs/new',
      '/plant',
      '/people',
      '/people?person=p5',
      '/registers',
      '/locks',
      '/site',
      '/api/people/sheet',
      '/api/plant/ask?section=S100',
    ]) {
      // prettier-ignore
      const times: number[] = [];
      let bytes = 0;
      for (let n = 0; n < 4; n++) {
        const start = performance.now();
        const answer = await fetch(SITE + page, { headers: { cookie } });
        bytes = (await answer.text()).length;
        if (!answer.ok) say(`  ${page}: ${answer.status}`);
        if (n > 0) times.push(performance.now() - start);
      }
      say(`  ${page.padEnd(30)} median ${summarise(times).median.toFixed(0)} ms, ${(bytes / 1000).toFixed(0)} kB`); // prettier-ignore
    }
  } finally {
    server.kill('SIGKILL');
  }
}

/** Times a site of several works: many people, links and locks. */
export async function benchLarge(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'lantern-large-'));
  const path = join(folder, 'large.db');
  const db = openDatabase(path);
  const filled = performance.now();
  await fill(db);
  say(`${PEOPLE} people, ${LINKS} links, ${LOCKS} locks, 200 jobs; filled in ${((performance.now() - filled) / 1000).toFixed(0)} s, version ${findNewestVersion(db)}`); // prettier-ignore
  measureInside(db);
  if (process.env.LANTERN_BENCH_INSIDE === '1') return closeDatabase(db);
  closeDatabase(db);
  await measurePages(path);
  rmSync(folder, { recursive: true, force: true });
}
