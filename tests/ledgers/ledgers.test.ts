import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { closeDatabase, openDatabase, tables, type Db } from '../../src/db';
import { viewDossier } from '../../src/core/job';
import { adoptSite, listPeople, readSite } from '../../src/server/registers';
import { listJobs } from '../../src/server/jobs';
import { readJob, readSiteFor } from '../../src/server/job-state';
import { rebuildRows } from '../../src/server/rebuild';
import { verifyAll } from '../../src/server/verify';

/** Ledgers as earlier versions wrote them, each the demonstration of its time, oldest first. A version that changes an event adds one. */
const LEDGERS = [
  'first-permits',
  'before-signatures',
  'interlocks',
  'photographs',
  'own-site',
  'event-versions',
  'the-rest',
];
const FOLDER = join('tests', 'ledgers');

let folder: string;
let db: Db;

/** Unpacks a ledger beside its key and its heads, and opens it as the application does. */
function openLedger(name: string): Db {
  const file = join(folder, 'lantern.db');
  writeFileSync(file, gunzipSync(readFileSync(join(FOLDER, `${name}.db.gz`))));
  for (const one of ['key', 'heads']) {
    const beside = join(FOLDER, `${name}.${one}`);
    if (existsSync(beside)) copyFileSync(beside, `${file}.${one}`);
  }
  const opened = openDatabase(file);
  adoptSite(opened);
  return opened;
}

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'ledger-'));
});
afterEach(() => {
  closeDatabase(db);
  rmSync(folder, { recursive: true });
});

it('has every ledger of the folder in the list', () => {
  db = openDatabase(':memory:');
  const kept = readdirSync(FOLDER).flatMap((name) =>
    name.endsWith('.db.gz') ? [name.slice(0, -'.db.gz'.length)] : [],
  );
  expect(kept.sort()).toEqual([...LEDGERS].sort());
});

describe.each(LEDGERS)('a ledger of an earlier version: %s', (name) => {
  it('is opened, and every job of it can be looked at', () => {
    db = openLedger(name);
    expect(readSite(db).graph.sections.length).toBeGreaterThan(100);
    expect(listPeople(db).length).toBeGreaterThan(10);
    const jobs = listJobs(db);
    expect(jobs.length).toBeGreaterThan(3);
    const now = new Date().toISOString();
    for (const { id } of jobs) {
      const { state } = readJob(db, id);
      expect(state).toBeDefined();
      if (!state) continue;
      const site = readSiteFor(db, state);
      expect(viewDossier(state, site, now, [], id).dossier.title).not.toBe('');
    }
  });

  it('is rebuilt to what it says, and is whole', () => {
    db = openLedger(name);
    const before = db.select().from(tables.jobRows).all();
    expect(rebuildRows(db)).toBe(before.length);
    const after = db.select().from(tables.jobRows).all();
    expect(after.map(({ id, title }) => [id, title]).sort()).toEqual(
      before.map(({ id, title }) => [id, title]).sort(),
    );
    const { whole, problems } = verifyAll(db);
    expect([whole, problems]).toEqual([true, []]);
  });
});
