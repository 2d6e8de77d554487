import { nanoid } from 'nanoid';
import { listSigners } from '../../src/core/job';
import type { Db } from '../../src/db';
import { moveClock, readNow } from '../../src/server/clock';
import { carryOut } from '../../src/server/jobs';
import { findShift } from '../../src/core/permits';
import { DEFAULT_VALUES } from '../../src/core/rules/values';
import type { Step } from './seal-change';

/** What cannot be done before something has let down or run down. */
const AFTER_A_WAIT: readonly (string | undefined)[] = ['wait-out-store', 'prove'];

/** Moves the clock to the beginning of the next shift, where a permit has the whole shift before it. */
export function beginShift(db: Db): void {
  const now = readNow(db);
  const { end } = findShift(now, DEFAULT_VALUES);
  moveClock(db, (Date.parse(end) - Date.parse(now)) / 3_600_000 + 0.02);
}

/** Carries out steps at the server, each signed as it has to be; answers the job and its sequence. Throws on a refusal. */
export function carryOutAt(
  db: Db,
  steps: readonly Step[],
  from: { readonly job: string; readonly sequence: number } = { job: 'new', sequence: 0 },
): { job: string; sequence: number } {
  if (from.job === 'new') beginShift(db);
  return steps.reduce(({ job, sequence }, [actor, command], n) => {
    const before = steps[n - 1]?.[1].kind;
    if (AFTER_A_WAIT.includes(command.kind) && !AFTER_A_WAIT.includes(before)) moveClock(db, 0.1);
    const answer = carryOut(db, {
      jobId: job,
      command,
      expected: sequence,
      key: nanoid(),
      actor,
      signed: listSigners(command, actor),
    });
    if (!answer.ok) throw new Error(`${command.kind}: ${JSON.stringify(answer)}`);
    return { job: answer.jobId, sequence: answer.sequence };
  }, from);
}
