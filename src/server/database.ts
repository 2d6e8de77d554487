import { chmodSync, existsSync } from 'node:fs';
import { join } from 'node:path';
import { openDatabase, type Db } from '../db';

/** Where the database stands when nothing else is said. */
export const databaseFile = (): string =>
  process.env.LANTERN_DB ?? join(process.cwd(), '.lantern', 'lantern.db');

const shared = globalThis as { lanternDb?: Db };

/** The folder of the database where nothing else is said: it is this application's alone. */
const ownFolder = (): string => join(process.cwd(), '.lantern');

/** The application's database, opened once a process. */
export function sharedDatabase(): Db {
  if (!shared.lanternDb) {
    shared.lanternDb = openDatabase(databaseFile());
    if (existsSync(ownFolder())) chmodSync(ownFolder(), 0o700);
  }
  return shared.lanternDb;
}
