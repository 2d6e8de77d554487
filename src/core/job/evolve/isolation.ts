import type { JobEvent } from '../events';
import type { IsolationRecord, Mark } from '../state';
import { evolveControl, passControl } from './control';
import { drop, put } from './ledger';
import { evolveReturn } from './return';
import { evolveTestRun } from './test-run';
import { evolveUnfit } from './unfit';
import { relight, unprove } from './unprove';

export const EMPTY_ISOLATION: IsolationRecord = {
  locked: {},
  opened: {},
  seenOpen: {},
  foundShut: {},
  watched: {},
  earths: {},
  restrained: {},
  waited: {},
  proved: {},
  tried: {},
  foundLive: {},
  foundMoving: {},
  walked: {},
  differs: {},
  leakTests: {},
  tagged: {},
  unfit: {},
  lockout: 'box',
  hasps: {},
};

/** A lock hung again after a test, when the box is shut already: its key goes in with the others. */
function addKey({ box }: IsolationRecord, lock: string): Pick<IsolationRecord, 'box'> {
  return box ? { box: { ...box, keys: [...box.keys, lock].sort() } } : {};
}

/** A point is on its way back to running: nothing before it proves anything any more. */
const putBack = (isolation: IsolationRecord, { at }: Mark): IsolationRecord =>
  unprove({ ...isolation, putBack: at });

export function evolveIsolation(
  isolation: IsolationRecord,
  event: JobEvent,
  mark: Mark,
): IsolationRecord {
  switch (event.kind) {
    case 'affected-told':
      return { ...isolation, told: { ...mark, who: event.who } };
    case 'plant-stopped':
      return { ...isolation, stopped: { ...mark, how: event.how } };
    case 'point-locked':
      return {
        ...isolation,
        locked: put(isolation.locked, event.link, { ...mark, lock: event.lock, tag: event.tag }),
        ...addKey(isolation, event.lock),
      };
    case 'point-tagged': {
      const { link, tag, reason, measure, accepter } = event;
      const alone = { ...mark, tag, reason, measure, accepter };
      return { ...isolation, tagged: put(isolation.tagged, link, alone) };
    }
    case 'seen-open':
      return {
        ...isolation,
        seenOpen: put(isolation.seenOpen, event.link, mark),
        foundShut: drop(isolation.foundShut, event.link),
      };
    case 'way-found-shut':
      return {
        ...isolation,
        seenOpen: drop(isolation.seenOpen, event.link),
        foundShut: put(isolation.foundShut, event.link, { ...mark, note: event.note }),
      };
    case 'outlet-opened':
      return {
        ...isolation,
        opened: put(isolation.opened, event.outlet, { ...mark, tag: event.tag }),
        ...(event.watcher === undefined
          ? {}
          : {
              watched: put(isolation.watched, event.outlet, { ...mark, watcher: event.watcher }),
            }),
        ...(event.earth ? { earths: put(isolation.earths, event.outlet, event.earth.set) } : {}),
      };
    case 'watch-taken':
      return {
        ...isolation,
        watched: put(isolation.watched, event.outlet, { ...mark, watcher: mark.by }),
      };
    case 'watch-ended': {
      const watched = drop(isolation.watched, event.outlet);
      return event.end === 'drained'
        ? { ...isolation, watched }
        : unprove({ ...isolation, watched, opened: drop(isolation.opened, event.outlet) });
    }
    case 'store-restrained':
      return {
        ...isolation,
        restrained: put(isolation.restrained, event.store, {
          ...mark,
          how: event.how,
          ...(event.isHold ? { isHold: true } : {}),
        }),
      };
    case 'store-waited-out':
      return {
        ...isolation,
        waited: put(isolation.waited, event.store, { ...mark, seen: event.seen }),
      };
    case 'proved': {
      const { reading, unit, instrument, round, seen, second } = event;
      const proof = { ...mark, reading, unit, instrument, round, seen, second };
      return {
        ...isolation,
        proved: put(isolation.proved, event.proof, proof),
        foundLive: drop(isolation.foundLive, event.proof),
      };
    }
    case 'found-live': {
      const { reading, unit, instrument, round } = event;
      const found = { ...mark, reading, unit, instrument, round };
      return {
        ...isolation,
        proved: drop(isolation.proved, event.proof),
        foundLive: put(isolation.foundLive, event.proof, found),
      };
    }
    case 'start-tried':
      return {
        ...isolation,
        tried: put(isolation.tried, event.station, mark),
        foundMoving: drop(isolation.foundMoving, event.station),
      };
    case 'found-moving': {
      const undone = unprove(isolation);
      return { ...undone, foundMoving: put(isolation.foundMoving, event.station, mark) };
    }
    case 'box-locked':
      return { ...isolation, box: { ...mark, box: event.box, lock: event.lock, keys: event.keys } };
    case 'lockout-chosen':
      return { ...isolation, lockout: event.way };
    case 'hasp-chained': {
      const { hasps } = isolation;
      return { ...isolation, hasps: put(hasps, event.where, (hasps[event.where] ?? 0) + 1) };
    }
    case 'incoming-hung':
    case 'incoming-withdrawn':
    case 'control-handed-over':
      return evolveControl(isolation, event, mark);
    case 'alarm-raised': {
      const { where, seen } = event;
      return { ...relight(isolation, 'after-alarm', mark.at), alarm: { ...mark, where, seen } };
    }
    case 'scope-changed':
      return isolation.attended === undefined
        ? isolation
        : relight(isolation, 'scope-changed', mark.at);
    case 'plan-returned':
      return event.relights ? relight(isolation, 'after-defect', mark.at) : isolation;
    case 'alarm-cleared':
      return { ...isolation, alarm: undefined };
    case 'lock-found-unfit':
    case 'lock-replaced':
    case 'lock-renewed':
      return evolveUnfit(isolation, event, mark);
    case 'test-sanctioned':
    case 'lifted-for-test':
    case 'test-run':
      return evolveTestRun(isolation, event, mark);
    case 'box-opened':
      return { ...isolation, box: undefined };
    case 'earths-counted':
      return { ...isolation, earths: {} };
    case 'store-freed':
      return putBack({ ...isolation, restrained: drop(isolation.restrained, event.store) }, mark);
    case 'outlet-closed':
      return putBack({ ...isolation, opened: drop(isolation.opened, event.outlet) }, mark);
    case 'point-unlocked': {
      const { link } = event;
      const { locked, tagged } = isolation;
      return putBack(
        { ...isolation, locked: drop(locked, link), tagged: drop(tagged, link) },
        mark,
      );
    }
    case 'absent-lock-removed':
      if (isolation.box?.lock === event.lock) return passControl(isolation, mark.at);
      return isolation.locked[event.where]?.lock === event.lock
        ? putBack({ ...isolation, locked: drop(isolation.locked, event.where) }, mark)
        : isolation;
    case 'lineup-walked':
    case 'lineup-differed':
    case 'leak-tested':
    case 'start-seen':
    case 'isolation-inspected':
      return evolveReturn(isolation, event, mark);
    case 'plant-taken-back':
      return { ...isolation, takenBack: { ...mark, told: event.told } };
    default:
      return isolation;
  }
}
