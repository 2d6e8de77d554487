import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { carryOutAt } from '../../../tests/support/at-server';
import { RAISE } from '../../../tests/support/seal-change';
import { closeDatabase, openDatabase, tables, type Db } from '../../db';
import { findHead } from '../../ledger';
import { loadDemo } from '../demo';
import { listJobs } from '../jobs';
import { hasPin } from '../people';
import { keepPicture } from '../photos';
import { listPeople, readRegisters } from '../registers';
import { receiveOrders } from '../work-orders';
import { verifyAll } from '../verify';
import { readSiteFolder } from './read';
import { writeSiteFolder } from './write';

/** The smallest picture that is taken in. */
const PICTURE = new Uint8Array([0xff, 0xd8, 0xff, 0xda, 0, 2, 7, 7, 0xff, 0xd9]);

let folder: string;
let db: Db;
const at = (name: string) => join(folder, name);

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'lantern-site-'));
  db = openDatabase(at('old.db'));
  await loadDemo(db, { morning: true });
  expect(keepPicture(db, PICTURE, 'ada').ok).toBe(true);
  receiveOrders(db, [{ number: 'W-1', title: 'pump drips', equipment: 'P-201' }], {
    source: 'stores',
    actor: 'ada',
  });
  db.insert(tables.gasReadings)
    .values({
      device: 'D-1',
      number: 1,
      at_ms: 5,
      received_ms: 6,
      gas: 'o2',
      shown: 20.9,
      unit: '%',
    }) // prettier-ignore
    .run();
  expect(writeSiteFolder(db, at('with'), { withPins: true }).ok).toBe(true);
  expect(writeSiteFolder(db, at('without')).ok).toBe(true);
}, 120_000);
afterAll(() => {
  closeDatabase(db);
  rmSync(folder, { recursive: true, force: true });
});

/** Takes a folder in on another machine, to which the key was brought. */
async function takeIn(from: string, name: string) {
  copyFileSync(at('old.db.key'), at(`${name}.key`));
  return readSiteFolder(at(from), at(name));
}

const TABLES = [
  tables.events,
  tables.commandsSeen,
  tables.jobRows,
  tables.holdings,
  tables.people,
  tables.plantVersions,
  tables.asBuilt,
  tables.registers,
  tables.settings,
  tables.permitRows,
  tables.auditRows,
  tables.workOrders,
  tables.gasReadings,
  tables.photos,
] as const;

/** The rows of a table in an order of their own. */
const rowsOf = (from: Db, table: (typeof TABLES)[number]): string[] =>
  from
    .select()
    .from(table as typeof tables.events)
    .all()
    .map((row) => JSON.stringify(row))
    .sort();

describe('a whole site as open files', () => {
  it('comes back row by row, with its PINs where they were asked for', async () => {
    expect(await takeIn('with', 'new.db')).toMatchObject({ ok: true, verdict: { whole: true } });
    const moved = openDatabase(at('new.db'));
    for (const table of TABLES) expect(rowsOf(moved, table)).toEqual(rowsOf(db, table));
    expect(findHead(moved)).toEqual(findHead(db));
    expect(verifyAll(moved)).toMatchObject({ whole: true, problems: [], notes: [] });
    // It goes on from there.
    carryOutAt(moved, [['ada', RAISE]]);
    expect(verifyAll(moved).whole).toBe(true);
    expect(listJobs(moved).length).toBe(listJobs(db).length + 1);
    closeDatabase(moved);
  }, 120_000);

  it('without PINs has everybody set one anew, and the ledger says so', async () => {
    expect(existsSync(at('without/pins.jsonl'))).toBe(false);
    expect(await takeIn('without', 'bare.db')).toMatchObject({ ok: true });
    const moved = openDatabase(at('bare.db'));
    expect(hasPin(db, 'uma')).toBe(true);
    expect(listPeople(moved).some(({ id }) => hasPin(moved, id))).toBe(false);
    expect(findHead(moved).events).toBe(findHead(db).events + 1);
    expect(verifyAll(moved)).toMatchObject({ whole: true, problems: [] });
    closeDatabase(moved);
  }, 120_000);

  it('has sheets to read, and neither the key nor anything that opens a session', () => {
    expect(readFileSync(at('with/people.csv'), 'utf8')).toContain('ada');
    const locks = readFileSync(at('with/locks.csv'), 'utf8').trim().split('\n');
    expect(locks).toHaveLength(1 + readRegisters(db).registers.locks.length);
    const manifest = readFileSync(at('with/manifest.json'), 'utf8');
    expect(manifest).not.toMatch(/\.key|secret/);
  });

  it.each<[string, (file: string) => void, RegExp]>([
    ['a changed line', (to) => spoil(`${to}/gas-readings.jsonl`, '20.9', '20.8'), /gas-readings.jsonl was changed/], // prettier-ignore
    ['a shorter ledger', (to) => writeFileSync(`${to}/events.jsonl`, ''), /events.jsonl has 0 bytes/], // prettier-ignore
    ['a missing file', (to) => rmSync(`${to}/plant-versions.jsonl`), /plant-versions.jsonl is missing/], // prettier-ignore
    ['another manifest', (to) => spoil(`${to}/manifest.json`, '"events": ', '"events": 1'), /not signed with the key/], // prettier-ignore
    ['no manifest', (to) => rmSync(`${to}/manifest.json`), /manifest.json is not there/],
    ['nonsense for a manifest', (to) => writeFileSync(`${to}/manifest.json`, '{'), /is not JSON/],
    ['a file outside', (to) => spoil(`${to}/manifest.json`, '"people.csv"', '"../people.csv"'), /files\.\d+\.name/], // prettier-ignore
  ])('%s is refused by name, and nothing is left behind', async (label, damage, says) => {
    const to = at(`spoilt ${label}`);
    expect(writeSiteFolder(db, to).ok).toBe(true);
    damage(to);
    const taken = await takeIn(`spoilt ${label}`, `${label}.db`);
    if (taken.ok) throw new Error('it was taken in');
    expect(taken.problems.join('; ')).toMatch(says);
    for (const ending of ['', '.importing', '.heads', '.importing.heads'])
      expect(existsSync(at(`${label}.db${ending}`))).toBe(false);
  });

  it('is refused with another key, without one, and over a database that is there', async () => {
    expect(await readSiteFolder(at('with'), at('nokey.db'))).toMatchObject({
      ok: false,
      problems: [expect.stringContaining('the key of the ledger is not at')],
    });
    const other = openDatabase(at('other.db'));
    await loadDemo(other);
    closeDatabase(other);
    expect(await readSiteFolder(at('with'), at('other.db'))).toMatchObject({
      ok: false,
      problems: [expect.stringContaining('is there already')],
    });
    copyFileSync(at('other.db.key'), at('wrong.db.key'));
    expect(await readSiteFolder(at('with'), at('wrong.db'))).toMatchObject({
      ok: false,
      problems: [expect.stringContaining('not signed with the key')],
    });
  });

  it('is not written over a folder, nor of what is not whole', () => {
    expect(writeSiteFolder(db, at('with'))).toMatchObject({ ok: false });
    const [first] = db.select().from(tables.jobRows).all();
    db.update(tables.jobRows)
      .set({ title: 'forged' })
      .where(eq(tables.jobRows.id, first?.id ?? ''))
      .run();
    expect(writeSiteFolder(db, at('forged'))).toMatchObject({
      ok: false,
      problems: [expect.stringContaining('job_row')],
    });
    expect(existsSync(at('forged'))).toBe(false);
  });
});

/** Replaces the first of a text in a file by another. */
function spoil(file: string, from: string, to: string): void {
  writeFileSync(file, readFileSync(file, 'utf8').replace(from, to));
}
