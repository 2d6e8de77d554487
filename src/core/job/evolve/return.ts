import type { JobEvent } from '../events';
import type { IsolationRecord, Mark } from '../state';
import { drop, put } from './ledger';

type ReturnEvent = Extract<
  JobEvent,
  {
    kind:
      'lineup-walked' | 'lineup-differed' | 'leak-tested' | 'start-seen' | 'isolation-inspected';
  }
>;

/** What is found and tested while plant is kept isolated and on its way back. */
export function evolveReturn(
  isolation: IsolationRecord,
  event: ReturnEvent,
  mark: Mark,
): IsolationRecord {
  switch (event.kind) {
    case 'lineup-walked': {
      const { point, found, end, note } = event;
      return {
        ...isolation,
        walked: put(isolation.walked, point, { ...mark, found, end, note }),
        differs: drop(isolation.differs, point),
      };
    }
    case 'lineup-differed': {
      const { point, found, end, note, normal } = event;
      return {
        ...isolation,
        walked: drop(isolation.walked, point),
        differs: put(isolation.differs, point, { ...mark, found, end, note, normal }),
      };
    }
    case 'leak-tested': {
      const { section, fluid, tight, seen, missed } = event;
      const { from_bar, to_bar, minutes, resolution_bar, weeps } = event;
      const held = { from_bar, to_bar, minutes, resolution_bar, weeps };
      const test = { ...mark, ...held, fluid, tight, seen, missed };
      return { ...isolation, leakTests: put(isolation.leakTests, section, test) };
    }
    case 'start-seen': {
      const { told, ran, seen } = event;
      return { ...isolation, started: { ...mark, told, ran, seen } };
    }
    case 'isolation-inspected':
      return { ...isolation, inspected: { ...mark, seen: event.seen } };
  }
}
