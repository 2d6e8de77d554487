import { randomBytes } from 'node:crypto';
import { findBeside, perProcess, readOwnFile, type Db } from '../db';

const inMemory = perProcess('secrets', () => new WeakMap<Db['$client'], Buffer>());

/** What cookies are sealed with: from the environment, or a file beside the database. It is never in the database. */
export function readSessionSecret(db: Db): string {
  const { LANTERN_SECRET: given } = process.env;
  if (given !== undefined && given.length >= 32) return given;
  const file = findBeside(db, 'secret');
  if (file !== undefined) return readOwnFile(file, () => randomBytes(32).toString('hex'));
  const known = inMemory.get(db.$client) ?? randomBytes(32);
  inMemory.set(db.$client, known);
  return known.toString('hex');
}
