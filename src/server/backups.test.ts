import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { closeDatabase, openDatabase } from '../db';
import { loadDemo } from './demo';
import {
  backUpNow,
  isDue,
  listBackups,
  nameBackup,
  prune,
  readBackupState,
  readLastTry,
  sayBackups,
} from './backups';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'backups-'));
});
afterEach(() => rmSync(folder, { recursive: true }));

const HOUR = 3_600_000;
const NOON = Date.parse('2026-12-01T12:00:00.000Z');
const put = (hours: number) => {
  const file = join(folder, nameBackup(NOON + hours * HOUR));
  writeFileSync(file, 'x');
  writeFileSync(`${file}.heads`, 'x');
  return file;
};

describe('backups in a folder', () => {
  it('are known by their names, the newest first; anything else is left alone', () => {
    const [old, young] = [put(-24), put(0)];
    writeFileSync(join(folder, 'lantern.db'), 'x');
    writeFileSync(join(folder, 'lantern-20261201.db'), 'x');
    expect(listBackups(folder).map(({ file }) => file)).toEqual([young, old]);
    expect(listBackups(folder)[0]?.at).toBe('2026-12-01T12:00:00.000Z');
    expect(listBackups(join(folder, 'none'))).toEqual([]);
  });

  it('are taken away beyond those that are kept, and never the last', () => {
    const files = [-3, -2, -1, 0].map(put);
    prune(folder, 2);
    expect(files.map((file) => existsSync(file))).toEqual([false, false, true, true]);
    expect(existsSync(`${files[0] ?? ''}.heads`)).toBe(false);
    prune(folder, 0);
    expect(listBackups(folder).map(({ file }) => file)).toEqual([files[3]]);
  });

  const kept = (hours: number) => ({
    file: 'x',
    bytes: 1,
    at: new Date(NOON + hours * HOUR).toISOString(),
  });
  const tried = (hours: number) => ({ ok: false, says: '', at: kept(hours).at });
  it.each([
    ['never made', undefined, undefined, true],
    ['made a day ago', kept(-24), undefined, true],
    ['made a little less than a day ago', kept(-23.99), undefined, false],
    ['tried ten minutes ago', kept(-30), tried(-1 / 6), false],
    ['tried a quarter of an hour ago', kept(-30), tried(-0.25), true],
  ] as const)('are due when %s: %#', (_, newest, last, due) => {
    expect(isDue(newest, last, { now_ms: NOON, every_h: 24 })).toBe(due);
  });
});

it('a backup is made beside the server, verified, and said on the page of the site', async () => {
  const file = join(folder, 'lantern.db');
  const db = openDatabase(file);
  await loadDemo(db);
  const before = process.env;
  process.env = { ...before, LANTERN_DB: file, LANTERN_BACKUPS: join(folder, 'kept') };
  try {
    expect(sayBackups(db)).toMatchObject({ isOld: true });
    expect(sayBackups(db).says).toContain('None has been made yet');
    mkdirSync(join(folder, 'kept'));
    expect(await backUpNow(join(folder, 'kept'), 5)).toMatchObject({ ok: true });
    const state = readBackupState(db);
    expect(state).toMatchObject({ count: 1, isOld: false, last: { ok: true } });
    expect(readBackupState(db, Date.now() + 49 * HOUR).isOld).toBe(true);
    expect(sayBackups(db).says).toContain('The last good one is of');
    // A second of the same second is refused, and says so.
    const at = Date.parse(state.newest?.at ?? '');
    expect(await backUpNow(join(folder, 'kept'), 5, at)).toMatchObject({ ok: false });
    expect(readLastTry(join(folder, 'kept'))).toMatchObject({ ok: false });
    expect(sayBackups(db).says).toContain('The last try failed');
  } finally {
    process.env = before;
    closeDatabase(db);
  }
}, 120_000);
