import type { JobEvent } from '../events';
import type { IsolationRecord, Mark } from '../state';
import { drop, put } from './ledger';
import { relight } from './unprove';

/** A lock found unfit, replaced on its point, and made good again. */
export function evolveUnfit(
  isolation: IsolationRecord,
  event: Extract<JobEvent, { kind: 'lock-found-unfit' | 'lock-replaced' | 'lock-renewed' }>,
  mark: Mark,
): IsolationRecord {
  const { unfit, locked, box } = isolation;
  switch (event.kind) {
    case 'lock-found-unfit': {
      const { lock, finding, seen } = event;
      const found = { ...isolation, unfit: put(unfit, lock, { ...mark, finding, seen }) };
      const isOnPoint = Object.values(locked).some((hung) => hung.lock === lock);
      return isOnPoint ? relight(found, 'after-unfit-lock', mark.at) : found;
    }
    case 'lock-replaced': {
      const { link, lock, old } = event;
      const tag = locked[link]?.tag ?? '';
      const keys = box?.keys.map((key) => (key === old ? lock : key)).sort() ?? [];
      return {
        ...isolation,
        locked: put(locked, link, { ...mark, lock, tag }),
        ...(box ? { box: { ...box, keys } } : {}),
      };
    }
    case 'lock-renewed':
      return { ...isolation, unfit: drop(unfit, event.lock) };
  }
}
