import { existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { carryOutAt } from '../../tests/support/at-server';
import { RAISE } from '../../tests/support/seal-change';
import { closeDatabase, openDatabase, type Db } from '../db';
import { makeBackup } from './backup';
import { backupFolder, nameBackup, readBackupState, readLastRehearsal } from './backups';
import { loadDemo } from './demo';
import { examine } from './doctor';
import { rehearse } from './rehearse';

const NOW = Date.parse('2026-03-03T08:00:00Z');
const QUARTER = 92 * 24 * 3_600_000;
let folder: string;
let file: string;
let db: Db;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'lantern-'));
  file = join(folder, 'lantern.db');
  db = openDatabase(file);
  await loadDemo(db);
  mkdirSync(backupFolder(file));
});
afterEach(() => {
  closeDatabase(db);
  rmSync(folder, { recursive: true, force: true });
});

const backUp = async () => {
  const to = join(backupFolder(file), nameBackup(NOW));
  expect((await makeBackup(db, to)).ok).toBe(true);
  return to;
};

describe('rehearsing a restore', () => {
  it('takes the newest backup, says what would be lost, and leaves nothing behind', async () => {
    const from = await backUp();
    const before = readdirSync(backupFolder(file));
    expect(rehearse(db, file, { now_ms: NOW })).toMatchObject({
      ok: true,
      from,
      lost: { events: 0 },
    });
    carryOutAt(db, [['ada', RAISE]]);
    expect(rehearse(db, file, { now_ms: NOW })).toMatchObject({ ok: true, lost: { events: 2 } });
    expect(readdirSync(backupFolder(file)).sort()).toEqual(
      [...before, 'last-rehearsal.json'].sort(),
    );
    expect(readLastRehearsal(backupFolder(file))).toMatchObject({ ok: true });
  });

  it('is well for a quarter of a year, and then has to be done again', async () => {
    await backUp();
    rehearse(db, file, { now_ms: NOW });
    process.env.LANTERN_BACKUPS = backupFolder(file);
    try {
      expect(readBackupState(db, NOW + QUARTER).isUnrehearsed).toBe(false);
      expect(readBackupState(db, NOW + QUARTER + 1).isUnrehearsed).toBe(true);
      const find = (now_ms: number) =>
        examine(file, { now_ms }).find(({ about }) => about === 'Restore');
      expect(find(NOW + 1000)).toMatchObject({ isWell: true });
      expect(find(NOW + QUARTER + 1)).toMatchObject({ isWell: false });
    } finally {
      delete process.env.LANTERN_BACKUPS;
    }
  });

  it.each<[string, (from: string) => Promise<void> | void, RegExp]>([
    ['there is none', (from) => rmSync(from), /no backup/],
    ['it is no database', (from) => writeFileSync(from, 'no database'.repeat(99)), /./],
    ['it is of another site', otherSite, /does not stand in the ledger in use|not signed/],
    ['it was changed', change, /job_row/],
  ])('fails where %s, and says so from then on', async (_label, spoil, says) => {
    const from = await backUp();
    await spoil(from);
    const done = rehearse(db, file, { now_ms: NOW });
    if (done.ok) throw new Error('it was found good');
    expect(done.problems.join()).toMatch(says);
    expect(readLastRehearsal(backupFolder(file))).toMatchObject({ ok: false });
    expect(existsSync(`${from}.rehearsal`)).toBe(false);
  });
});

function change(from: string): void {
  const copy = openDatabase(from);
  copy.$client.exec(`update job_row set title = 'forged'`);
  closeDatabase(copy);
}

async function otherSite(from: string): Promise<void> {
  rmSync(from);
  const other = openDatabase(from);
  await loadDemo(other);
  closeDatabase(other);
}
