import type { Lock } from '../core/people/people';
import { hasFault, type Fault } from './faults';

/** A slot of the key cabinet: the lock with its key is in it, or hangs somewhere, or is missing without a reason. */
export interface Slot {
  readonly lock: string;
  readonly holds: 'lock-and-key' | 'nothing: it hangs' | 'nothing: key gone';
}

/** Opens the stand-in cabinet: a slot for each lock of a set, in the order of their numbers. `isHung` tells which hang. */
export function openCabinet(
  locks: Iterable<Lock>,
  use: Lock['use'],
  isHung: (lock: string) => boolean,
  faults: readonly Fault[],
): Slot[] {
  return [...locks]
    .filter((lock) => lock.use === use)
    .map(({ id }): Slot => {
      if (isHung(id)) return { lock: id, holds: 'nothing: it hangs' };
      const isGone = hasFault(faults, 'key-gone', id);
      return { lock: id, holds: isGone ? 'nothing: key gone' : 'lock-and-key' };
    })
    .sort((a, b) => (a.lock < b.lock ? -1 : 1));
}

/** The first lock that can be taken out, of those whose numbers begin with `prefix`; undefined when none is left. */
export const takeFirst = (slots: readonly Slot[], prefix: string): string | undefined =>
  slots.find(({ lock, holds }) => holds === 'lock-and-key' && lock.startsWith(prefix))?.lock;
