import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { closeDatabase, openDatabase } from '../../src/db';
import { makeBackup } from '../../src/server/backup';
import { readJob } from '../../src/server/job-state';
import { verifyAll } from '../../src/server/verify';
import { pick, seeded } from './random';

/** What rounds of killing counted. */
export interface KillCount {
  readonly rounds: number;
  readonly acknowledged: number;
  readonly lost: number;
  readonly doubled: number;
  readonly broken: readonly string[];
  readonly backups: number;
}

/** Lets a writer acknowledge commands, takes a backup in the middle, and kills it at once. */
async function writeUntilKilled(path: string, acknowledged: number, backup: string) {
  const child = spawn('npx', ['tsx', 'tests/support/append-forever.ts', path], { detached: true });
  let last = 0;
  let saved = 0;
  for await (const line of createInterface(child.stdout)) {
    last = Number(line);
    if (saved === 0 && last >= acknowledged / 2) {
      const db = openDatabase(path);
      saved = (await makeBackup(db, backup)).ok ? last : -1;
      closeDatabase(db);
    }
    if (last >= acknowledged) break;
  }
  process.kill(-(child.pid ?? 0), 'SIGKILL');
  return { last, saved };
}

/** Kills a writing process again and again on one database; what it acknowledged has to be there, once, and the ledger whole. */
export async function killRounds(rounds: number, seed: number): Promise<KillCount> {
  const random = seeded(seed);
  const folder = mkdtempSync(join(tmpdir(), 'lantern-kill-'));
  const path = join(folder, 'lantern.db');
  let [acknowledged, lost, doubled, backups, before] = [0, 0, 0, 0, 0];
  const broken: string[] = [];
  try {
    for (let round = 0; round < rounds; round++) {
      const more = pick(random, [3, 8, 20, 40]);
      const backup = join(folder, `${round}.db`);
      const { last, saved } = await writeUntilKilled(path, before + more, backup);
      acknowledged += last - before;
      const db = openDatabase(path);
      const { history, sequence } = readJob(db, 'J-0001');
      lost += Math.max(0, last - sequence);
      const keys = history.map(({ payload }) => (payload as { sent?: { key: string } }).sent?.key);
      doubled += keys.length - new Set(keys).size;
      broken.push(...verifyAll(db).problems);
      before = sequence;
      closeDatabase(db);
      if (saved < 0) broken.push('a backup with a writer running failed');
      else if (saved > 0) {
        backups += 1;
        const copy = openDatabase(backup);
        if (readJob(copy, 'J-0001').sequence < saved)
          broken.push('a backup lost what was acknowledged');
        closeDatabase(copy);
      }
    }
    return { rounds, acknowledged, lost, doubled, broken, backups };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
