import { join } from 'node:path';
import { openDatabase, type Db } from '../db';

/** Where the database stands when nothing else is said. */
export const databaseFile = (): string =>
  process.env.LANTERN_DB ?? join(process.cwd(), '.lantern', 'lantern.db');

const shared = globalThis as { lanternDb?: Db };

/** The application's database, opened once a process. */
export function sharedDatabase(): Db {
  shared.lanternDb ??= openDatabase(databaseFile());
  return shared.lanternDb;
}
