import type { Db } from '../../src/db';
import { readNow } from '../../src/server/clock';
import { stepsToWalkDown } from './any-job';
import { carryOutAt } from './at-server';
import { airTestOf, carryOut, fieldStepsOf, permitSteps, type Step } from './seal-change';

/** A chamber with a permit out, a person signed on, and detector GM-1 in it. */
export function liveEntry(db: Db): { job: string; sequence: number } {
  const plan = stepsToWalkDown([{ section: 'CH-1', activity: 'touch' }], { equipment: 'CC-1' });
  const walked = carryOut(plan);
  const box: Step = ['ada', { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' }];
  const at = carryOutAt(db, [...plan, ...fieldStepsOf(walked), box]);
  const papers = permitSteps(walked, ['enter'], readNow(db));
  const screened = carryOut(papers.slice(0, 1), walked);
  const issued = papers.map(([actor, command]): Step => {
    if (command.kind === 'test-air') return [actor, airTestOf(screened, 'entry', {}, readNow(db))];
    return [actor, command];
  });
  return carryOutAt(
    db,
    [
      ...issued,
      ['finn', { kind: 'place-detector', device: 'GM-1', use: 'entry', place: 'at the bottom' }],
    ],
    at,
  );
}
