import type { DossierProps } from './types';

type Locks = DossierProps['choices']['locks'];

/** Whether a set is the electricians' by its name. */
const isElectrical = (set: string): boolean => /electric/i.test(set);

/**
 * Locks for points that hang nowhere, in the order in which they are offered: first those whose set is named for the discipline, where the site keeps
 * its sets apart, then every other.
 */
export const listPointLocks = (locks: Locks, electrical: boolean): Locks =>
  locks
    .filter(({ use }) => use === 'point')
    .toSorted(
      (a, b) =>
        Number(isElectrical(b.set) === electrical) - Number(isElectrical(a.set) === electrical),
    );
