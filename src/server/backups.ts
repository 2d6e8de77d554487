import { spawn } from 'node:child_process';
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import { z } from 'zod';
import { momentsIn } from '../core/moments';
import { log, logFault, perProcess, type Db } from '../db';
import { databaseFile } from './database';
import { isSetUp } from './set-up';
import { readValues } from './site-rules';

/** A backup that was made and verified. */
export interface KeptBackup {
  readonly file: string;
  /** When it was made (ISO 8601, UTC, by the clock of the machine). */
  readonly at: string;
  readonly bytes: number;
}

/** How the last try went. */
const trySchema = z.object({ at: z.string(), ok: z.boolean(), says: z.string() });
export type BackupTry = z.infer<typeof trySchema>;

const NAME = /^lantern-(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z\.db$/;

/** Where backups lie: beside the database, better on another disk (LANTERN_BACKUPS). */
export const backupFolder = (file = databaseFile()): string =>
  process.env.LANTERN_BACKUPS ?? join(dirname(file), 'backups');

/** Where the backups of a database lie. */
export const backupFolderOf = ({ $client: { name, memory } }: Db): string =>
  memory ? backupFolder() : backupFolder(name);

/** The name of a backup by when it is made (ms). */
export const nameBackup = (now_ms: number): string =>
  `lantern-${new Date(now_ms).toISOString().slice(0, 19).replaceAll(/[-:]/g, '')}Z.db`;

/** Every backup of a folder, the newest first. Only what was verified stands there under such a name. */
export function listBackups(folder: string): KeptBackup[] {
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .flatMap((name): KeptBackup[] => {
      const parts = NAME.exec(name);
      if (!parts) return [];
      const [, year, month, day, hour, minute, second] = parts;
      const file = join(folder, name);
      const at = `${year}-${month}-${day}T${hour}:${minute}:${second}.000Z`;
      return [{ file, at, bytes: statSync(file).size }];
    })
    .sort((a, b) => (a.at < b.at ? 1 : -1));
}

const readTry = (file: string): BackupTry | undefined => {
  try {
    return trySchema.parse(JSON.parse(readFileSync(file, 'utf8')));
  } catch {
    return undefined;
  }
};

const tryFile = (folder: string): string => join(folder, 'last-try.json');

/** How the last try went; undefined before the first, or when nobody can read it. */
export const readLastTry = (folder: string): BackupTry | undefined => readTry(tryFile(folder));

const rehearsalFile = (folder: string): string => join(folder, 'last-rehearsal.json');

/** How the last rehearsal of a restore went; undefined before the first, or when nobody can read it. */
export const readLastRehearsal = (folder: string): BackupTry | undefined =>
  readTry(rehearsalFile(folder));

/** Writes down how a rehearsal went. */
export const writeRehearsal = (folder: string, done: BackupTry): void =>
  writeFileSync(rehearsalFile(folder), JSON.stringify(done), { mode: 0o600 });

/** A restore is rehearsed at least so often (ms): four times a year. Source: practice. */
const REHEARSED_MS = 92 * 24 * 3_600_000;

/** Takes away backups beyond those that are kept, the oldest first; with each what lies beside it. */
export function prune(folder: string, keep: number): void {
  for (const { file } of listBackups(folder).slice(Math.max(1, keep))) {
    for (const one of [file, `${file}.heads`]) rmSync(one, { force: true });
  }
}

/** Whether a backup is due: none is newer than so many hours, and the last try was not just now. */
export function isDue(
  newest: KeptBackup | undefined,
  last: BackupTry | undefined,
  { now_ms, every_h }: { readonly now_ms: number; readonly every_h: number },
): boolean {
  const age = (at: string | undefined) => (at === undefined ? Infinity : now_ms - Date.parse(at));
  return age(newest?.at) >= every_h * 3_600_000 && age(last?.at) >= RETRY_MS;
}

/** What failed is tried again after so long (ms). */
const RETRY_MS = 15 * 60_000;
const LOOK_MS = 60_000;

/** Runs the command line's backup in a process of its own: copying and verifying hold no screen up. */
function runBackup(to: string): Promise<{ readonly ok: boolean; readonly says: string }> {
  const script = join(process.cwd(), 'scripts', 'lantern.mjs');
  const child = spawn(process.execPath, [script, 'backup', to, databaseFile()]);
  const said: string[] = [];
  child.stdout.on('data', (part: Buffer) => said.push(part.toString()));
  child.stderr.on('data', (part: Buffer) => said.push(part.toString()));
  return new Promise((resolve) => {
    child.on('error', (error) => resolve({ ok: false, says: error.message }));
    child.on('close', (code) =>
      resolve({ ok: code === 0, says: said.join('').trim().slice(0, 2000) }),
    );
  });
}

/** Makes a backup now, says how it went, and takes the oldest away. */
export async function backUpNow(
  folder: string,
  keep: number,
  now_ms = Date.now(),
): Promise<BackupTry> {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const { ok, says } = await runBackup(join(folder, nameBackup(now_ms)));
  const done = { at: new Date(now_ms).toISOString(), ok, says };
  writeFileSync(tryFile(folder), JSON.stringify(done));
  if (ok) prune(folder, keep);
  return done;
}

const keeping = perProcess('backups', () => new WeakSet<Db['$client']>());

/** Makes backups by the rules of the site while the server runs. The demonstration makes none. */
export function keepBackups(db: Db): void {
  if (process.env.LANTERN_DEMO === '1' || keeping.has(db.$client)) return;
  keeping.add(db.$client);
  let isBusy = false;
  const look = async () => {
    if (isBusy || !isSetUp(db)) return;
    const folder = backupFolderOf(db);
    const { 'backup-every-h': every_h, 'backup-keep': keep } = readValues(db).values;
    const [newest] = listBackups(folder);
    if (!isDue(newest, readLastTry(folder), { now_ms: Date.now(), every_h })) return;
    isBusy = true;
    const done = await backUpNow(folder, keep);
    isBusy = false;
    if (done.ok) log().info('a backup was made');
    else log().error({ why: done.says }, 'no backup could be made');
  };
  setInterval(() => {
    look().catch((error: unknown) => {
      isBusy = false;
      logFault('no backup could be made', error);
    });
  }, LOOK_MS).unref();
}

/** The state of the backups, as the site shows it. */
export interface BackupState {
  readonly newest: KeptBackup | undefined;
  readonly count: number;
  readonly last: BackupTry | undefined;
  readonly rehearsal: BackupTry | undefined;
  /** No restore has been rehearsed with success for a quarter of a year. */
  readonly isUnrehearsed: boolean;
  /** None good within twice the time between two. */
  readonly isOld: boolean;
}

export function readBackupState(db: Db, now_ms = Date.now()): BackupState {
  const folder = backupFolderOf(db);
  const all = listBackups(folder);
  const [newest] = all;
  const every_ms = readValues(db).values['backup-every-h'] * 3_600_000;
  const rehearsal = readLastRehearsal(folder);
  return {
    newest,
    count: all.length,
    last: readLastTry(folder),
    rehearsal,
    isUnrehearsed: rehearsal?.ok !== true || now_ms - Date.parse(rehearsal.at) > REHEARSED_MS,
    isOld: newest === undefined || now_ms - Date.parse(newest.at) > 2 * every_ms,
  };
}

/** The backups in words, for the page of the site. */
export function sayBackups(db: Db): { readonly says: string; readonly isOld: boolean } {
  const { newest, count, last, isOld, rehearsal } = readBackupState(db);
  const { instant } = momentsIn(readValues(db).values.zone);
  const failed = last?.ok === false ? ` The last try failed: ${last.says}` : '';
  const good = newest
    ? `The last good one is of ${instant(newest.at)} (${(newest.bytes / 1e6).toFixed(1)} MB); ${count} are kept in ${backupFolderOf(db)}.`
    : `None has been made yet; they go to ${backupFolderOf(db)}.`;
  const rehearsed = rehearsal
    ? ` A restore was last rehearsed at ${instant(rehearsal.at)}${rehearsal.ok ? '.' : `, and failed: ${rehearsal.says}`}`
    : ' A restore has not been rehearsed yet.';
  return { says: good + failed + rehearsed, isOld };
}
