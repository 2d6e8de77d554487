import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { closeDatabase, openDatabase } from '../db';
import { verifyLedger } from '../ledger';
import { readJob } from './job-state';
import { verifyAll } from './verify';

/** Lets the writer acknowledge some commands, kills it at once, and answers the last number it said. */
async function writeUntilKilled(path: string, acknowledged: number): Promise<number> {
  const child = spawn('npx', ['tsx', 'tests/support/append-forever.ts', path], { detached: true });
  let last = 0;
  for await (const line of createInterface(child.stdout)) {
    last = Number(line);
    if (last >= acknowledged) break;
  }
  process.kill(-(child.pid ?? 0), 'SIGKILL');
  return last;
}

describe('a server that is killed', () => {
  it('has kept every command that it acknowledged, and its ledger is whole', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'lantern-'));
    const path = join(folder, 'lantern.sqlite');
    try {
      const last = await writeUntilKilled(path, 40);
      expect(last).toBeGreaterThanOrEqual(40);
      const db = openDatabase(path);
      expect(readJob(db, 'J-0001').sequence).toBeGreaterThanOrEqual(last);
      expect(verifyLedger(db)).toMatchObject({ whole: true });
      expect(verifyAll(db).problems).toEqual([]);
      closeDatabase(db);
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  }, 60_000);
});
