import type { JobEvent } from '../events';
import type { IsolationRecord, Mark } from '../state';
import { drop } from './ledger';
import { relight } from './unprove';

/** A sanctioned test: points lifted one by one, run, and everything to be isolated and proved again. */
export function evolveTestRun(
  isolation: IsolationRecord,
  event: Extract<JobEvent, { kind: 'test-sanctioned' | 'lifted-for-test' | 'test-run' }>,
  mark: Mark,
): IsolationRecord {
  const { test, box } = isolation;
  switch (event.kind) {
    case 'test-sanctioned': {
      const { what, purpose, points, performer } = event;
      return { ...isolation, test: { ...mark, what, purpose, points, performer, lifted: [] } };
    }
    case 'lifted-for-test': {
      if (!test) return isolation;
      const { point, lock } = event;
      const keys = box?.keys.filter((key) => key !== lock) ?? [];
      return {
        ...relight(isolation, 'after-test', mark.at),
        locked: drop(isolation.locked, point),
        tagged: drop(isolation.tagged, point),
        opened: drop(isolation.opened, point),
        restrained: drop(isolation.restrained, point),
        ...(box ? { box: { ...box, keys } } : {}),
        test: { ...test, lifted: [...test.lifted, point] },
      };
    }
    case 'test-run':
      return { ...isolation, test: undefined };
  }
}
