import { copyFileSync, existsSync, rmSync } from 'node:fs';
import { closeDatabase, copyWhileOpen, isInUse, openDatabase, putInPlace, type Db } from '../db';
import { appendHead, findHeadsFile, openSigner, signerOf, type Signer } from '../ledger';
import { describeTrouble } from './trouble';
import { verifyAll, type Verdict } from './verify';

/** A backup that was made or put back, or why not. */
export type Backup =
  | { readonly ok: true; readonly verdict: Verdict; readonly kept?: string | undefined }
  | { readonly ok: false; readonly problems: readonly string[] };

const refuse = (...problems: readonly string[]): Backup => ({ ok: false, problems });

/** Closes a database and takes away what SQLite left beside it: everything stands in the one file then. */
export function closeAlone(db: Db): void {
  const { name } = db.$client;
  db.$client.pragma('journal_mode = DELETE');
  closeDatabase(db);
  for (const ending of ['-wal', '-shm']) rmSync(name + ending, { force: true });
}

/** Verifies a copy with the key of the database that it was made from. What cannot even be opened is not whole. */
export function verifyCopy(copy: string, signer: Signer): Verdict {
  const broken = (error: unknown): Verdict => {
    return { whole: false, events: 0, head: '', problems: [describeTrouble(error)], notes: [] };
  };
  let db: Db;
  try {
    db = openDatabase(copy);
  } catch (error) {
    return broken(error);
  }
  try {
    return verifyAll(db, { signer, heads: 'none' });
  } catch (error) {
    return broken(error);
  } finally {
    closeAlone(db);
  }
}

/**
 * Copies a database that is in use, verifies the copy, and writes down beside it how far the ledger had come. The key stays where it is: it
 * is kept apart from backups.
 */
export async function makeBackup(db: Db, to: string): Promise<Backup> {
  if (existsSync(to)) return refuse(`${to} is there already: name a file that is not`);
  await copyWhileOpen(db, to);
  const heads = findHeadsFile(db);
  // Heads of later than the copy are of events that it does not have.
  const verdict = verifyCopy(to, signerOf(db));
  if (!verdict.whole) {
    rmSync(to, { force: true });
    return refuse(...verdict.problems);
  }
  if (heads !== undefined && existsSync(heads)) copyFileSync(heads, `${to}.heads`);
  return { ok: true, verdict };
}

/**
 * Puts a backup into the place of a database: a copy of it is verified first, and only then takes the place. Refused while another program
 * has the database open, and when the key that it is signed with is not there.
 */
export function restoreBackup(from: string, target: string): Backup {
  if (!existsSync(from)) return refuse(`${from} is not there`);
  if (isInUse(target)) return refuse(`${target} is in use: stop the application first`);
  const key = process.env.LANTERN_KEY ?? `${target}.key`;
  if (!existsSync(key)) {
    return refuse(
      `the key of the ledger is not at ${key}: bring it back from where it is kept, or name its place in LANTERN_KEY`,
    );
  }
  const coming = `${target}.restoring`;
  rmSync(coming, { force: true });
  copyFileSync(from, coming);
  const verdict = verifyCopy(coming, openSigner(key));
  if (!verdict.whole) {
    rmSync(coming, { force: true });
    return refuse(...verdict.problems);
  }
  const kept = putInPlace(coming, target);
  const restored = openDatabase(target);
  const { events, head: hash } = verdict;
  appendHead(restored, { events, hash, at: new Date().toISOString(), restored: true });
  closeDatabase(restored);
  return { ok: true, verdict, kept };
}
