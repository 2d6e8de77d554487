import { chmodSync, closeSync, existsSync, mkdirSync, openSync } from 'node:fs';
import { dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as schema from './schema';

/** Only the user that the server runs as may read the database. A folder that is made for it is that user's alone as well. */
function keepToOwner(file: string): void {
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  // What SQLite puts beside the file takes over its mode.
  closeSync(openSync(file, 'a', 0o600));
  for (const one of [file, `${file}-wal`, `${file}-shm`]) {
    if (existsSync(one)) chmodSync(one, 0o600);
  }
}

/** Opens the database file (":memory:" for tests), brings its tables up to date, and sets it to survive a crash. */
export function openDatabase(file: string, migrations = join(process.cwd(), 'drizzle')) {
  if (file !== ':memory:') keepToOwner(file);
  const driver = new Database(file);
  driver.pragma('journal_mode = WAL');
  driver.pragma('synchronous = FULL');
  driver.pragma('foreign_keys = ON');
  driver.pragma('busy_timeout = 5000');
  const database = drizzle(driver, { schema });
  migrate(database, { migrationsFolder: migrations });
  return database;
}

export type Db = ReturnType<typeof openDatabase>;

/** What is done once what a transaction wrote is kept, by name. */
const afterCommit = new WeakMap<Db['$client'], Map<string, () => void>>();

/** Has something done once the transaction at hand is kept; once, however often it is asked for under a name. */
export function onceKept(tx: Db, name: string, work: () => void): void {
  const all = afterCommit.get(tx.$client) ?? new Map<string, () => void>();
  afterCommit.set(tx.$client, all);
  all.set(name, work);
}

/** Runs `work` as the only writer: all of it is kept, or nothing. */
export function writeAlone<T>(db: Db, work: (tx: Db) => T): T {
  const isInner = db.$client.inTransaction;
  const begin = () =>
    db.transaction((tx) => work(Object.assign(tx as unknown as Db, { $client: db.$client })), {
      behavior: 'immediate',
    });
  if (isInner) return begin();
  afterCommit.delete(db.$client);
  const answer = begin();
  const kept = afterCommit.get(db.$client);
  afterCommit.delete(db.$client);
  for (const then of kept?.values() ?? []) then();
  return answer;
}

/** Closes the database file. */
export function closeDatabase(db: Db): void {
  db.$client.close();
}
