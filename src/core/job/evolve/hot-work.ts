import { computeTail } from '../../hotwork';
import type { JobEvent } from '../events';
import type { HotWorkRecord, Mark } from '../state';
import type { PermitOf } from '../permit-record';
import { drop, put } from './ledger';

export const NO_HOT_WORK: HotWorkRecord = { cleared: {} };

const keepBlanks = (cleared: HotWorkRecord['cleared']): HotWorkRecord['cleared'] =>
  Object.fromEntries(Object.entries(cleared).filter(([, { blank }]) => blank !== undefined));

/** What was found out and done about the surroundings. It is looked at anew for another scope and under another number. */
export function evolveHotWork(hotWork: HotWorkRecord, event: JobEvent, mark: Mark): HotWorkRecord {
  switch (event.kind) {
    case 'cold-asked': {
      const { can, cold, elsewhere } = event;
      return { ...hotWork, cold: { ...mark, can, cold, elsewhere } };
    }
    case 'neighbour-cleared': {
      const { neighbour, way, note, blank } = event;
      const cleared = { ...mark, way, note, blank };
      return { ...hotWork, cleared: put(hotWork.cleared, neighbour, cleared) };
    }
    case 'blanks-out':
      return { ...hotWork, cleared: drop(hotWork.cleared, event.neighbour) };
    case 'monitors-placed': {
      const { devices, from_deg, wind_m_s } = event;
      return { ...hotWork, monitors: { ...mark, devices, from_deg, wind_m_s } };
    }
    case 'watch-briefed': {
      const { alarm, water, extinguisher, telephone, eyewash, exits, people, sees } = event;
      const place = { alarm, water, extinguisher, telephone, eyewash, exits, people, sees };
      return { ...hotWork, briefed: { ...mark, ...place } };
    }
    case 'signed-on':
      return event.sparks && !hotWork.sparked ? { ...hotWork, sparked: mark } : hotWork;
    // Blanks stay in the record until they are out.
    case 'scope-changed':
      return { cleared: keepBlanks(hotWork.cleared) };
    case 'permit-closed': {
      const cleared = keepBlanks(hotWork.cleared);
      return hotWork.cold ? { cleared, cold: hotWork.cold } : { cleared };
    }
    default:
      return hotWork;
  }
}

type Watched = PermitOf<'watched'>;

/** A permit that is watched, after a round or when someone else takes the watch. */
export function evolveWatched(permit: Watched, event: JobEvent, mark: Mark): Watched {
  switch (event.kind) {
    case 'round-made': {
      const { person, found, seen, final } = event;
      const rounds = [...permit.rounds, { by: person, at: mark.at, found, seen }];
      const { endsAt } = computeTail(permit.tail, permit.handedBack.at, rounds, mark.at);
      return {
        ...permit,
        rounds,
        watchedUntil: endsAt,
        ...(final ? { looked: { by: person, at: mark.at, seen } } : {}),
      };
    }
    case 'fire-watch-ended': {
      const { told, operator } = event;
      return { ...permit, watchEnded: { ...mark, told, operator } };
    }
    case 'watch-handed-over':
      return { ...permit, watcher: event.to };
    default:
      return permit;
  }
}
