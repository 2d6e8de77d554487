import { computeDilution, computeOxygen, type Mixing } from '../../src/core/space';
import { SITE_VALUES } from '../../src/core/rules/values';
import { DEPTH_FOR_DEVICE_M } from '../../src/core/space';

const room = (ach: number, more: Partial<Mixing> = {}): Mixing => ({
  volume_m3: 60,
  flow_m3_min: ach,
  mixing: 1,
  fan: 'supply',
  leak_m3_min: 0,
  ...more,
});
const minutes = (mixing: Mixing, share: number): number => {
  const found = computeDilution(mixing, { start_pct: 1, target_pct: share });
  if (!found.ok) throw new Error('never');
  return found.value;
};

/**
 * Source: CDC, Guidelines for Environmental Infection Control in Health-Care Facilities (2003), Table B.1: air changes per hour and
 * minutes to remove 99 % and 99.9 % of what floats in the air, perfectly mixed; from memory.
 */
describe('dilution against the published table of air changes', () => {
  it.each([
    [2, 138, 207],
    [4, 69, 104],
    [6, 46, 69],
    [8, 35, 52],
    [10, 28, 41],
    [12, 23, 35],
    [15, 18, 28],
    [20, 14, 21],
    [50, 6, 8],
  ])('%d changes an hour', (ach, ninetyNine, threeNines) => {
    expect(Math.round(minutes(room(ach), 0.01))).toBe(ninetyNine);
    // The table rounds 41.4 to 41 and 8.3 to 8.
    expect(Math.round(minutes(room(ach), 0.001))).toBe(threeNines);
  });

  it('takes as many times longer as the mixing is poorer', () => {
    expect(minutes(room(6, { mixing: 0.25 }), 0.01)).toBeCloseTo(4 * minutes(room(6), 0.01), 9);
  });

  it('halves in ln 2 air changes (textbook)', () => {
    expect(minutes(room(60), 0.5)).toBeCloseTo(Math.LN2, 12);
  });
});

/** Source: mass balance of a well-mixed space, stepped in small times: nothing in it knows the logarithm. */
describe('oxygen and gas with a leak against a stepped mass balance', () => {
  const STEP_MIN = 1e-4;
  /** Minutes until `share` gets past `target`, by Euler's method. */
  function stepTo(
    { volume_m3, flow_m3_min, mixing, fan, leak_m3_min }: Mixing,
    [start, target, fresh, leaked]: readonly [number, number, number, number],
  ): number {
    let share = start;
    const rises = target > start;
    // Only what mixes of the flow carries anything away: the rest passes through.
    const mixes = mixing * flow_m3_min;
    const air = fan === 'supply' ? mixes : mixes - leak_m3_min;
    const out = air + leak_m3_min;
    for (let n = 1; n < 5_000_000; n++) {
      const change = air * fresh + leak_m3_min * leaked - out * share;
      share += (change / volume_m3) * STEP_MIN;
      if (rises ? share >= target : share <= target) return n * STEP_MIN;
    }
    return Infinity;
  }

  it.each(['supply', 'extract'] as const)('with a fan for %s', (fan) => {
    const mixing: Mixing = { volume_m3: 20, flow_m3_min: 24, mixing: 0.5, fan, leak_m3_min: 0.3 };
    const oxygen = computeOxygen(mixing, { start_pct: 3, target_pct: 20, fresh_pct: 20.9 });
    const byStep = stepTo(mixing, [3, 20, 20.9, 0]);
    expect(oxygen.minutes).toEqual({ ok: true, value: expect.closeTo(byStep, 2) as number });
    const gas = computeDilution(mixing, { start_pct: 60, target_pct: 5 });
    expect(gas).toEqual({
      ok: true,
      value: expect.closeTo(stepTo(mixing, [60, 5, 0, 100]), 2) as number,
    });
  });
});

describe('29 CFR 1910.146', () => {
  it('(k)(3)(ii) asks for a mechanical device deeper than 5 ft', () => {
    expect(DEPTH_FOR_DEVICE_M).toBeLessThanOrEqual(5 * 0.3048);
    expect(DEPTH_FOR_DEVICE_M).toBeGreaterThan(1.4);
  });

  it('(k)(2)(iv) asks for a practice rescue once every 12 months', () => {
    const { standard, most } = SITE_VALUES['rescue-drill-days'];
    expect([standard, most]).toEqual([365, 366]);
  });
});
