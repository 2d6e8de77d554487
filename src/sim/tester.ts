import type { Arrangement, ElectricalRound } from '../core/proving';
import type { AsIs } from './as-is';
import { readPairs } from './conductors';
import { hasFault } from './faults';

/** What the stand-in proving unit is. */
const PROVING_UNIT = 'stand-in proving unit';

/**
 * A round with the stand-in tester, in the order in which it is done: on a proving unit of `source_v`, on every pair of the
 * section, on the proving unit again. A tester with an empty battery reads nothing anywhere.
 */
export function takeRound(
  plant: AsIs,
  section: number,
  arrangement: Arrangement,
  tester: string,
  source_v: number,
): ElectricalRound {
  const isEmpty = hasFault(plant.faults, 'dead-tester', tester);
  const readings = Object.entries(readPairs(plant, section, arrangement)).map(
    ([pair, volts]) => [pair, isEmpty ? 0 : volts] as const,
  );
  const shown = isEmpty ? 0 : Math.min(source_v, 690);
  return {
    arrangement,
    source: PROVING_UNIT,
    source_v,
    before_v: shown,
    after_v: shown,
    readings: Object.fromEntries(readings),
  };
}
