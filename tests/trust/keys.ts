import { nanoid } from 'nanoid';
import { closeDatabase, openDatabase } from '../../src/db';
import { loadDemo } from '../../src/server/demo';
import { readJob } from '../../src/server/job-state';
import { carryOut, type Request } from '../../src/server/jobs';
import { pick, seeded } from './random';

const draft = (link: string): Request['command'] => {
  return { kind: 'draft-plan', origin: 'own', close: [link], open: [], restrain: [] };
};

/** What replays counted: how many, and those whose answer was not what it has to be. */
export interface ReplayCount {
  readonly replays: number;
  readonly wrong: readonly string[];
}

/** Sends commands again under their key, as they were and changed in one thing: the first answers the same, the second is never taken for done. */
export async function replayRounds(rounds: number, seed: number): Promise<ReplayCount> {
  const random = seeded(seed);
  const db = openDatabase(':memory:');
  await loadDemo(db);
  const wrong: string[] = [];
  let replays = 0;
  for (let round = 0; round < rounds; round++) {
    const jobId = pick(random, ['J-0001', 'J-0002', 'J-0003']);
    const request: Request = {
      jobId,
      command: draft(`HV-200${1 + (round % 5)}`),
      expected: readJob(db, jobId).sequence,
      key: nanoid(),
      actor: 'ada',
      signed: [],
    };
    const first = carryOut(db, request);
    const before = readJob(db, jobId).sequence;
    const again = carryOut(db, request);
    if (JSON.stringify(again) !== JSON.stringify(first)) wrong.push('the same answered otherwise');
    const changed: readonly (readonly [string, Request])[] = [
      ['another job', { ...request, jobId: jobId === 'J-0001' ? 'J-0002' : 'J-0001' }],
      ['another command', { ...request, command: draft('HV-2009') }], // prettier-ignore
      ['another time of entry', { ...request, enteredAt: '2026-01-01T00:00:00.000Z' }],
    ];
    for (const [what, other] of changed) {
      replays += 1;
      const answer = carryOut(db, other);
      const isRefused = !answer.ok && answer.kind === 'refused' && answer.refusals.some(({ code }) => code === 'key-reused'); // prettier-ignore
      if (!isRefused) wrong.push(`${what} under the same key was not refused`);
    }
    // Someone else's key, and a device's, are other keys.
    const mine = carryOut(db, { ...request, actor: 'ben', expected: before });
    if (!mine.ok) wrong.push('a key of one person kept another from acting');
  }
  closeDatabase(db);
  return { replays, wrong };
}
