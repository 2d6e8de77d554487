import { closeSync, constants, existsSync, openSync, readFileSync, writeSync } from 'node:fs';
import type { Db } from './open';

/** The file beside a database that holds something of it; undefined for a database in memory. */
export function findBeside(db: Db, ending: string): string | undefined {
  const { name, memory } = db.$client;
  return memory ? undefined : `${name}.${ending}`;
}

/** Writes a file that only its owner may read, unless it is there; answers what it holds. */
export function readOwnFile(file: string, make: () => string): string {
  if (!existsSync(file)) {
    const { O_CREAT, O_EXCL, O_WRONLY } = constants;
    try {
      const handle = openSync(file, O_CREAT | O_EXCL | O_WRONLY, 0o600);
      writeSync(handle, make());
      closeSync(handle);
    } catch (error) {
      // Another process was faster: what it wrote counts.
      if (!existsSync(file)) throw error;
    }
  }
  return readFileSync(file, 'utf8');
}
