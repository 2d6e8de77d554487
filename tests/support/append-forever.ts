import { nanoid } from 'nanoid';
import { openDatabase } from '../../src/db';
import { loadDemo } from '../../src/server/demo';
import { readJob } from '../../src/server/job-state';
import { carryOut } from '../../src/server/jobs';

/** Gives one command after the other and says each answer, until it is killed. Run as a process of its own. */
async function run(path: string): Promise<void> {
  const db = openDatabase(path);
  await loadDemo(db);
  for (;;) {
    const answer = carryOut(db, {
      jobId: 'J-0001',
      command: { kind: 'draft-plan', origin: 'own', close: ['HV-2001'], open: [], restrain: [] },
      expected: readJob(db, 'J-0001').sequence,
      key: nanoid(),
      actor: 'ada',
      signed: [],
    });
    process.stdout.write(`${answer.ok ? answer.sequence : 'refused'}\n`);
  }
}

void run(process.argv[2] ?? '');
