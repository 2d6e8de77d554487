import { perProcess, type Db } from '../db';

/** What keeps the database from being written or read, by the beginning of SQLite's code. */
const WORDS: readonly (readonly [code: string, words: string])[] = [
  ['SQLITE_FULL', 'The disk is full.'],
  [
    'SQLITE_READONLY',
    'The database can be read but not written: its file or its disk is read-only.',
  ],
  ['SQLITE_IOERR', 'The disk does not take or give what is asked of it.'],
  ['SQLITE_CANTOPEN', 'The database file cannot be opened.'],
  ['SQLITE_BUSY', 'Another program holds the database.'],
  ['SQLITE_LOCKED', 'Another program holds the database.'],
  ['SQLITE_CORRUPT', 'The database file is damaged. Restore a backup.'],
  ['SQLITE_NOTADB', 'The database file is no database. Restore a backup.'],
  ['ENOSPC', 'The disk is full.'],
  ['EROFS', 'The disk is read-only.'],
  ['EACCES', 'The files of the data directory may not be opened by this user.'],
  ['EPERM', 'The files of the data directory may not be opened by this user.'],
];

/** What an error carries, whichever part of the program made it: the driver's own classes are not those of every place. */
interface Carried {
  readonly code?: unknown;
  readonly cause?: unknown;
  readonly message?: unknown;
}

const carriedBy = (error: unknown): Carried =>
  typeof error === 'object' && error !== null ? error : {};

/** What is wrong with the disk or the database, in words; undefined when an error is of another kind. */
export function findDiskTrouble(error: unknown): string | undefined {
  const { code, cause } = carriedBy(error);
  const own =
    typeof code === 'string' ? WORDS.find(([begins]) => code.startsWith(begins))?.[1] : undefined;
  // A library that wraps the driver's error keeps it as the cause.
  return own ?? (cause === undefined ? undefined : findDiskTrouble(cause));
}

/** An error in words for whoever has to act on it. */
export function describeTrouble(error: unknown): string {
  const { message } = carriedBy(error);
  return findDiskTrouble(error) ?? (typeof message === 'string' ? message : String(error));
}

const noted = perProcess('trouble', () => new WeakMap<Db['$client'], string>());

/** Keeps in mind that nothing could be written, for every screen to show. */
export const noteTrouble = (db: Db, words: string): void => void noted.set(db.$client, words);

/** Why nothing can be written now; undefined when it can. */
export const findTrouble = (db: Db): string | undefined => noted.get(db.$client);

/** Looks whether a trouble that was noted still stands, by writing the smallest thing there is. */
export function recheckTrouble(db: Db): void {
  if (!noted.has(db.$client)) return;
  try {
    const version = db.$client.pragma('user_version', { simple: true }) as number;
    db.$client.pragma(`user_version = ${version + 1}`);
    noted.delete(db.$client);
  } catch (error) {
    noteTrouble(db, describeTrouble(error));
  }
}
