import { spawn } from 'node:child_process';
import { copyFileSync, existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { carryOutAt } from '../../tests/support/at-server';
import { RAISE } from '../../tests/support/seal-change';
import { closeDatabase, openDatabase, type Db } from '../db';
import { findHead } from '../ledger';
import { makeBackup, restoreBackup } from './backup';
import { loadDemo } from './demo';
import { readJob } from './job-state';
import { listJobs } from './jobs';
import { verifyAll } from './verify';

let folder: string;
const at = (name: string) => join(folder, name);
const raise = (db: Db) => carryOutAt(db, [['ada', RAISE]]);
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'lantern-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

async function demo(): Promise<Db> {
  const db = openDatabase(at('lantern.db'));
  await loadDemo(db);
  return db;
}

describe('a backup', () => {
  it('made while another process writes has every command that was acknowledged before it', async () => {
    const path = at('lantern.db');
    const child = spawn('npx', ['tsx', 'tests/support/append-forever.ts', path], {
      detached: true,
    });
    let acknowledged = 0;
    for await (const line of createInterface(child.stdout)) {
      acknowledged = Number(line);
      if (acknowledged >= 30) break;
    }
    const db = openDatabase(path);
    const made = await makeBackup(db, at('copy.db'));
    process.kill(-(child.pid ?? 0), 'SIGKILL');
    closeDatabase(db);
    expect(made).toMatchObject({ ok: true, verdict: { whole: true } });
    const copy = openDatabase(at('copy.db'));
    expect(readJob(copy, 'J-0001').sequence).toBeGreaterThanOrEqual(acknowledged);
    closeDatabase(copy);
  }, 60_000);

  it('is one file, and does not take the place of one that is there', async () => {
    const db = await demo();
    expect((await makeBackup(db, at('copy.db'))).ok).toBe(true);
    for (const ending of ['-wal', '-shm']) expect(existsSync(at(`copy.db${ending}`))).toBe(false);
    expect(await makeBackup(db, at('copy.db'))).toMatchObject({ ok: false });
    closeDatabase(db);
  });

  it('of what is not whole is not made', async () => {
    const db = await demo();
    db.$client.exec(`update permit_row set state = 'closed'; update job_row set title = 'forged'`);
    expect(await makeBackup(db, at('copy.db'))).toMatchObject({ ok: false });
    expect(existsSync(at('copy.db'))).toBe(false);
    closeDatabase(db);
  });
});

describe('restoring', () => {
  it('puts back what was saved, over a write-ahead log that was left, and the ledger says so', async () => {
    const db = await demo();
    await makeBackup(db, at('copy.db'));
    const before = listJobs(db).length;
    raise(db);
    // As a machine leaves it that stops: the log is there, and would be played onto the next file.
    for (const ending of ['-wal', '-shm'])
      copyFileSync(at(`lantern.db${ending}`), at(`left${ending}`));
    closeDatabase(db);
    for (const ending of ['-wal', '-shm'])
      copyFileSync(at(`left${ending}`), at(`lantern.db${ending}`));
    const restored = restoreBackup(at('copy.db'), at('lantern.db'));
    expect(restored).toMatchObject({ ok: true, verdict: { whole: true } });
    const again = openDatabase(at('lantern.db'));
    expect(listJobs(again)).toHaveLength(before);
    expect(verifyAll(again)).toMatchObject({ whole: true, problems: [] });
    raise(again);
    expect(verifyAll(again).whole).toBe(true);
    closeDatabase(again);
  });

  it('is refused while the database is in use, and changes nothing', async () => {
    const db = await demo();
    await makeBackup(db, at('copy.db'));
    raise(db);
    const jobs = listJobs(db).length;
    expect(restoreBackup(at('copy.db'), at('lantern.db'))).toMatchObject({
      ok: false,
      problems: [expect.stringContaining('in use')],
    });
    expect(listJobs(db)).toHaveLength(jobs);
    raise(db);
    closeDatabase(db);
  });

  it.each<[string, () => void, string]>([
    ['a file that is not there', () => rmSync(at('copy.db')), 'is not there'],
    ['without the key', () => rmSync(at('lantern.db.key')), 'the key of the ledger is not at'],
    [
      'a backup that was changed',
      () => {
        const copy = openDatabase(at('copy.db'));
        copy.$client.exec(`update job_row set title = 'forged'`);
        closeDatabase(copy);
      },
      'job_row',
    ],
    [
      'what is no database',
      () => writeFileSync(at('copy.db'), 'no database at all'.repeat(99)),
      '',
    ],
  ])('of %s is refused, and what was there stays', async (_label, spoil, says) => {
    const db = await demo();
    await makeBackup(db, at('copy.db'));
    const before = findHead(db);
    closeDatabase(db);
    spoil();
    const answer = restoreBackup(at('copy.db'), at('lantern.db'));
    if (answer.ok) throw new Error('it was put in place');
    expect(answer.problems.join()).toContain(says);
    const after = openDatabase(at('lantern.db'));
    expect(findHead(after)).toEqual(before);
    closeDatabase(after);
    expect(existsSync(at('lantern.db.restoring'))).toBe(false);
  });
});
