import { mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as schema from './schema';

/** Opens the database file (":memory:" for tests), brings its tables up to date, and sets it to survive a crash. */
export function openDatabase(file: string, migrations = join(process.cwd(), 'drizzle')) {
  if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true });
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

/** Runs `work` as the only writer: all of it is kept, or nothing. */
export function writeAlone<T>(db: Db, work: (tx: Db) => T): T {
  return db.transaction((tx) => work(Object.assign(tx as unknown as Db, { $client: db.$client })), {
    behavior: 'immediate',
  });
}

/** Closes the database file. */
export function closeDatabase(db: Db): void {
  db.$client.close();
}
