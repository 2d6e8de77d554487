import { chmodSync, copyFileSync, existsSync, renameSync, rmSync } from 'node:fs';
import Database from 'better-sqlite3';
import type { Db } from './open';

/** Copies a database that is in use to a file, as it stands at one moment, while others go on writing. */
export async function copyWhileOpen(db: Db, to: string): Promise<void> {
  await db.$client.backup(to);
  chmodSync(to, 0o600);
}

/** Whether another program has a database file open. Nothing is changed. */
export function isInUse(file: string): boolean {
  if (!existsSync(file)) return false;
  const driver = new Database(file, { timeout: 0 });
  try {
    // Leaving the write-ahead log asks for the file alone: nobody else may have it open.
    driver.pragma('journal_mode = DELETE');
    return driver.pragma('journal_mode', { simple: true }) !== 'delete';
  } catch {
    return true;
  } finally {
    driver.close();
  }
}

/**
 * Puts a file into the place of a database, whose write-ahead log goes with it: left behind, it would be played onto the new file. What
 * was there stays beside it under another name, which is answered; undefined when there was nothing.
 */
export function putInPlace(file: string, target: string): string | undefined {
  const kept = `${target}.before-restore`;
  const isThere = existsSync(target);
  if (isThere) copyFileSync(target, kept);
  for (const ending of ['-wal', '-shm']) rmSync(target + ending, { force: true });
  renameSync(file, target);
  return isThere ? kept : undefined;
}
