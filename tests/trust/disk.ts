import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { nanoid } from 'nanoid';
import { closeDatabase, openDatabase } from '../../src/db';
import { loadDemo } from '../../src/server/demo';
import { guarded } from '../../src/server/guarded';
import { readJob } from '../../src/server/job-state';
import { carryOut } from '../../src/server/jobs';
import { findTrouble, noteTrouble, recheckTrouble } from '../../src/server/trouble';
import { verifyAll } from '../../src/server/verify';

/** What a full disk counted: commands taken before it was full, the answer when it was, and what stood afterwards. */
export interface DiskCount {
  readonly taken: number;
  readonly status: number;
  readonly words: string;
  readonly kept: number;
  readonly problems: readonly string[];
  readonly recovered: boolean;
}

/** Fills the disk, by SQLite's own limit of pages, while commands come in: each is whole or not there, and it is said in words. */
export async function fillDisk(): Promise<DiskCount> {
  const folder = mkdtempSync(join(tmpdir(), 'lantern-disk-'));
  const file = join(folder, 'lantern.db');
  process.env.LANTERN_DB = file;
  const db = openDatabase(file);
  try {
    await loadDemo(db);
    const pages = db.$client.pragma('page_count', { simple: true }) as number;
    db.$client.pragma(`max_page_count = ${pages + 6}`);
    const send = () =>
      carryOut(db, {
        jobId: 'J-0001',
        command: {
          kind: 'draft-plan',
          origin: 'own',
          close: Array<string>(400).fill('HV-2001'),
          open: [],
          restrain: [],
        },
        expected: readJob(db, 'J-0001').sequence,
        key: nanoid(),
        actor: 'ada',
        signed: [],
      });
    const route = guarded(() => Response.json(send()));
    let taken = 0;
    let answer = await route();
    while (answer.status === 200 && taken < 500) {
      taken += 1;
      answer = await route();
    }
    const { error = '' } = (await answer.json()) as { error?: string };
    const kept = readJob(db, 'J-0001').sequence;
    noteTrouble(db, 'The disk is full.');
    db.$client.pragma(`max_page_count = ${pages + 1000}`);
    recheckTrouble(db);
    const recovered = findTrouble(db) === undefined && send().ok;
    return {
      taken,
      status: answer.status,
      words: error,
      kept,
      problems: verifyAll(db).problems,
      recovered,
    };
  } finally {
    closeDatabase(db);
    delete process.env.LANTERN_DB;
    rmSync(folder, { recursive: true, force: true });
  }
}
