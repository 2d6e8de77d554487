import { findApproach, listApproachRows } from '../../src/core/energy/approach';
import {
  computeBackFeed,
  computeConductorConstant,
  computeFaultCurrent,
  computeLeastSection,
  computeLongestFault,
  computeNetworkImpedance,
  computeThreePhaseFault,
  computeTransformerImpedance,
  findStandardSection,
  type Conductor,
} from '../../src/core/energy/fault';
import { computeBodyCurrent, findPermittedTouch } from '../../src/core/energy/touch';

describe('distance from live parts', () => {
  /** Source: 29 CFR 1910.333(c)(3)(ii), Table S-5, in feet and inches. */
  it.each([
    [480, 12],
    [2000, 18],
    [13_800, 24],
    [37_000, 36],
    [69_000, 42],
    [115_000, 48],
    [138_000, 54],
  ])('qualified people, %d V: %d in', (volts, inches) => {
    expect(findApproach('osha', volts)?.nearest).toBeCloseTo(inches * 0.0254, 2);
  });

  /** Source: 29 CFR 1910.333(c)(3)(i)(A): 10 ft up to 50 kV, 4 in more for each 10 kV over it. */
  it.each([
    [480, 120],
    [50_000, 120],
    [50_001, 124],
    [60_000, 124],
    [115_000, 148],
  ])('all others, %d V: %d in', (volts, inches) => {
    expect(findApproach('osha', volts)?.outer).toBeCloseTo(inches * 0.0254, 1);
  });

  /** Source: EN 50110-1:2013, Table A.1 (from memory): DL and DV in mm. */
  it.each([
    [3000, 60, 1120],
    [10_000, 120, 1150],
    [20_000, 220, 1220],
    [30_000, 320, 1320],
    [110_000, 1000, 2000],
    [220_000, 1600, 3000],
    [380_000, 2500, 4000],
  ])('EN 50110-1, %d V: %d and %d mm', (volts, nearest, outer) => {
    expect(findApproach('en', volts)).toMatchObject({
      nearest: nearest / 1000,
      outer: outer / 1000,
    });
  });

  it('takes the higher row between two, and none above the last', () => {
    expect(findApproach('en', 10_001)?.nearest).toBe(0.16);
    expect(findApproach('en', 230)?.nearest).toBeUndefined();
    expect(findApproach('en', 700_001)).toBeUndefined();
    expect(findApproach('osha', 140_001)).toBeUndefined();
  });

  /** Source: both tables above; the larger of each distance. */
  it.each([
    [230, undefined, 3.05],
    [400, 0.305, 3.05],
    [10_000, 0.61, 3.05],
    [132_000, 1.37, 3.95],
    [140_000, 1.37, 3.95],
  ])('the stricter of both, %d V: %p and %d m', (volts, nearest, outer) => {
    const found = findApproach('strictest', volts);
    expect(found?.nearest).toBe(nearest);
    expect(found?.outer).toBeCloseTo(outer, 9);
  });

  it('the stricter of both has no row where one of them has none', () => {
    expect(findApproach('strictest', 140_001)).toBeUndefined();
    const ends = listApproachRows('strictest');
    expect(ends.at(-1)).toBe(140_000);
    expect([...ends].sort((a, b) => a - b)).toEqual(ends);
  });
});

describe('touch voltage', () => {
  /** Source: EN 50522:2010, Table B.3 (from memory). */
  it.each([
    [0.05, 716],
    [0.1, 654],
    [0.2, 537],
    [0.5, 220],
    [1, 117],
    [2, 96],
    [5, 86],
    [10, 85],
  ])('may be so high for %d s: %d V', (seconds, volts) => {
    expect(findPermittedTouch(seconds)).toBe(volts);
  });

  it('takes the longer row between two, and 50 V for what lasts', () => {
    expect([0.3, 3, 11].map(findPermittedTouch)).toEqual([220, 86, 50]);
  });

  /** Source: IEC 60479-1:2005, Table 1, 5 % of people (from memory): 225 V over 775 ohm, 1000 V over 575 ohm. */
  it.each([
    [225, 0.29],
    [1000, 1.739],
    [25, 0.0143],
  ])('drives through a body at %d V: %d A', (volts, ampere) => {
    expect(computeBodyCurrent(volts) / ampere).toBeCloseTo(1, 2);
  });
});

describe('fault current', () => {
  it('is U / Z: 230 V over 0.35 ohm is 657 A (practice)', () => {
    expect(computeFaultCurrent(230, 0.35)).toBeCloseTo(657, 0);
  });

  /** Source: rated current over impedance voltage (textbook): 630 kVA, 4 %, 400 V is 909 A and 22.7 kA; 1000 kVA, 6 % is 24.1 kA. */
  it.each([
    [630e3, 0.04, 22_733],
    [1000e3, 0.06, 24_056],
    [400e3, 0.04, 14_434],
  ])('behind a transformer of %d VA with %d', (rating, impedance, ampere) => {
    const own = computeTransformerImpedance({ rating, impedance, volts: 400 });
    expect(computeThreePhaseFault(400, own, 1) / ampere).toBeCloseTo(1, 3);
    // A network that can give only as much halves it.
    const behind = computeNetworkImpedance(400, Math.sqrt(3) * 400 * ampere, 1);
    expect(computeThreePhaseFault(400, own + behind, 1) / (ampere / 2)).toBeCloseTo(1, 3);
    expect(computeNetworkImpedance(400, Infinity, 1)).toBe(0);
  });
});

describe('earthing conductor', () => {
  /** Source: IEC 60364-5-54:2011, Tables A.54.2 to A.54.6: k by conductor and temperatures (°C). */
  it.each<[Conductor, number, number, number]>([
    ['copper', 30, 160, 143],
    ['copper', 30, 250, 176],
    ['copper', 70, 160, 115],
    ['copper', 90, 250, 143],
    ['copper', 30, 200, 159],
    ['copper', 30, 500, 228],
    ['aluminium', 30, 160, 95],
    ['aluminium', 70, 160, 76],
    ['aluminium', 90, 250, 94],
    ['aluminium', 30, 300, 125],
    ['steel', 30, 160, 52],
    ['steel', 30, 250, 64],
    ['steel', 30, 500, 82],
  ])('%s from %d to %d °C: k is %d', (of, start, end, k) => {
    expect(Math.abs(computeConductorConstant(of, start, end) - k)).toBeLessThan(1);
  });

  it('is I √t / k, and lasts so long again', () => {
    const least = computeLeastSection(8000, 0.5, 159);
    expect(least * 1e6).toBeCloseTo(35.58, 2);
    expect(findStandardSection(least)).toBe(50);
    expect(findStandardSection(35e-6)).toBe(35);
    expect(findStandardSection(2e-3)).toBeUndefined();
    expect(computeLongestFault(least, 8000, 159)).toBeCloseTo(0.5, 12);
  });
});

it('a transformer feeds back by its turns: 230 V on a side of 400 V of a transformer of 10 kV', () => {
  expect(computeBackFeed(230, { near: 400, far: 10_000 }, 0)).toBe(5750);
  expect(computeBackFeed(230, { near: 400, far: 10_000 }, 0.05)).toBeCloseTo(6037.5, 9);
});
