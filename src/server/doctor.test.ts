import { chmodSync, existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { closeDatabase, openDatabase, tables } from '../db';
import { nameBackup, writeRehearsal } from './backups';
import { loadDemo } from './demo';
import { examine } from './doctor';

let folder: string;
let file: string;
const before = process.env;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'doctor-'));
  file = join(folder, 'lantern.db');
  process.env = { ...before, LANTERN_DB: file, LANTERN_BACKUPS: join(folder, 'kept') };
});
afterEach(() => {
  process.env = before;
  rmSync(folder, { recursive: true });
});

const ill = (more: object = {}) =>
  examine(file, more).flatMap(({ about, isWell }) => (isWell ? [] : [about]));
const saysOf = (about: string, more: object = {}) =>
  examine(file, more).find((one) => one.about === about);

/** A site with people on it, its key beside it, and a backup of now. */
async function makeSite(): Promise<void> {
  const db = openDatabase(file);
  await loadDemo(db);
  closeDatabase(db);
  mkdirSync(join(folder, 'kept'));
  writeFileSync(join(folder, 'kept', nameBackup(Date.now())), 'x');
  const at = new Date().toISOString();
  writeRehearsal(join(folder, 'kept'), { at, ok: true, says: 'it can be restored' });
}

describe('the doctor', () => {
  it('finds a site well', async () => {
    await makeSite();
    expect(ill()).toEqual([]);
    expect(ill({ whole: true })).toEqual([]);
    expect(saysOf('Ledger', { whole: true })?.says).toMatch(/^whole: \d+ events$/);
  });

  it('says what to do where there is no database, or nobody in it', () => {
    expect(saysOf('Database')?.isWell).toBe(false);
    expect(saysOf('Database')?.todo).toContain('npm start');
    closeDatabase(openDatabase(file));
    expect(ill()).toContain('Set-up');
    expect(saysOf('Set-up')?.todo).toContain('.set-up-code');
  });

  it('finds files that others may read, and a key that is gone', async () => {
    await makeSite();
    chmodSync(file, 0o644);
    expect(saysOf('File rights')).toMatchObject({ isWell: false, todo: `chmod 600 ${file}` });
    chmodSync(file, 0o600);
    expect(existsSync(`${file}.key`)).toBe(true);
    rmSync(`${file}.key`);
    expect(ill()).toEqual(['Key of the ledger']);
  });

  it('finds a clock that went back, and backups that are old', async () => {
    await makeSite();
    const db = openDatabase(file);
    const newest = db.select().from(tables.events).all().at(-1);
    closeDatabase(db);
    const at = Date.parse(newest?.at ?? '');
    expect(ill({ now_ms: at - 61_000 })).toEqual(['Clock']);
    expect(ill({ now_ms: at - 59_000 })).toEqual([]);
    expect(ill({ now_ms: Date.now() + 49 * 3_600_000 })).toEqual(['Backups']);
    rmSync(join(folder, 'kept'), { recursive: true });
    expect(saysOf('Backups')?.says).toContain('there is none');
  });

  it('finds a ledger that was changed, and a file that is none', async () => {
    await makeSite();
    const db = openDatabase(file);
    db.$client.prepare(`update person set name = 'Mallory' where id = 'ada'`).run();
    closeDatabase(db);
    expect(ill()).toEqual([]);
    expect(ill({ whole: true })).toEqual(['Ledger']);
    for (const one of ['-wal', '-shm']) rmSync(file + one, { force: true });
    writeFileSync(file, 'this is no database at all, whatever it is called');
    expect(saysOf('Database')).toMatchObject({ isWell: false });
    expect(saysOf('Database')?.todo).toContain('Restore a backup');
  });
});
