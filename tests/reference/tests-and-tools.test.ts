import { computeLiquidEnergy } from '../../src/core/energy/gas';
import {
  computeBlank,
  computeHold,
  computeTestPressure,
} from '../../src/core/energy/pressure-test';
import {
  computeAllowedRise,
  computeClassLeak,
  computeShortestTest,
  toLeakRate,
  toMassFlow,
  toNormalFlow,
  toStandardFlow,
} from '../../src/core/energy/seat-class';
import { readSeatTest } from '../../src/core/energy/seat-leak';
import {
  computeInertiaFromStop,
  computeLongestStop,
  computeMeanFriction,
  computeStopInProportion,
} from '../../src/core/energy/timed-stop';

describe('classes of leakage', () => {
  /** Source: ISO 5208:2015, Table 4 (from memory): mm³/s for each mm of nominal size. */
  it.each([
    ['B', 'gas', 0.3],
    ['C', 'gas', 3],
    ['D', 'gas', 30],
    ['F', 'gas', 3000],
    ['B', 'liquid', 0.01],
    ['D', 'liquid', 0.1],
    ['G', 'liquid', 2],
  ] as const)('rate %s with %s: %d DN', (of, fluid, rate) => {
    expect(computeClassLeak(of, fluid, 0.1) * 1e9).toBeCloseTo(rate * 100, 9);
  });

  /** By hand: 3 mL/s at 20 °C and one atmosphere is 0.304 Pa m³/s, 3.6 mg/s of air, and 2.795 mL/s at 0 °C. */
  it('counts a leak as pressure, mass and volume', () => {
    const leak = toLeakRate(3e-6, 293.15);
    expect(leak).toBeCloseTo(0.303975, 6);
    expect(toStandardFlow(leak, 293.15)).toBeCloseTo(3e-6, 15);
    expect(toNormalFlow(leak, 293.15) * 1e6).toBeCloseTo(2.795, 3);
    expect(toMassFlow(leak, 293.15, 0.02896) * 1e6).toBeCloseTo(3.61, 2);
  });

  it('asks for a test so long that nothing seen shows a leak within the limit', () => {
    const [volume, resolution, leak] = [0.04, 1000, 0.304];
    const seconds = computeShortestTest(leak, volume, resolution, 1);
    const test = {
      volume,
      start: 0,
      seconds,
      resolution,
      kelvin: 293,
      drift: 0,
      absolute: 101_325,
    };
    expect(readSeatTest({ ...test, end: 0 })).toMatchObject({
      kind: 'below',
      rate: expect.closeTo(leak, 9) as number,
    });
    expect(computeAllowedRise(leak, volume, seconds)).toBeCloseTo(resolution, 9);
    expect(computeShortestTest(leak, volume, resolution, 3)).toBeCloseTo(3 * seconds, 9);
  });
});

describe('pressure test', () => {
  const alike = { test: 138, design: 138 };
  /** Source: ASME B31.3-2020, 345.4.2 and 345.5.4; ASME VIII-1, UG-99(b) and UG-100(b); 2014/68/EU, Annex I, 7.4 (all from memory). */
  it.each([
    ['b31-3-water', alike, 1.5],
    ['b31-3-gas', alike, 1.1],
    ['viii-water', alike, 1.3],
    ['viii-gas', alike, 1.1],
    ['en-water', alike, 1.43],
    ['b31-3-water', { test: 138, design: 92 }, 2.25],
    ['b31-3-water', { test: 138, design: 10 }, 9.75],
    ['viii-water', { test: 138, design: 115 }, 1.56],
    ['en-water', { test: 138, design: 110.4 }, 1.5625],
    ['en-water', { test: 138, design: 130 }, 1.43],
    // A steel that is weaker cold than hot lowers nothing.
    ['b31-3-water', { test: 100, design: 120 }, 1.5],
  ] as const)('%s with %j is %d times the design pressure', (code, stress, times) => {
    expect(computeTestPressure(code, 1e6, stress) / 1e6).toBeCloseTo(times, 9);
  });

  /** By hand: 300 mm √(3 × 10 / (16 × 1380)) + 1.5 mm, pressures and stresses in bar. */
  it('a blank of 300 mm against 10 bar is 12.6 mm thick', () => {
    expect(computeBlank(0.3, 1e6, 138e6, 1, 0.0015) * 1000).toBeCloseTo(12.56, 2);
  });

  /** By another route: the liquid that leaves lowers the pressure by K dV / V; its energy is that of the whole rise. */
  it('holds until the leak has moved the gauge by its least step', () => {
    const [volume, step, modulus, leak] = [1.2, 1e4, 2.2e9, 1e-8];
    const seconds = computeHold(volume, step, modulus, leak);
    expect((modulus * leak * seconds) / volume).toBeCloseTo(step, 6);
    expect(computeLiquidEnergy(15e5, volume, modulus)).toBeCloseTo(613.6, 1);
  });
});

describe('a timed stop', () => {
  const stop = { speed: 150, seconds: 90 };

  it('gives friction from inertia, and inertia from friction', () => {
    expect(computeMeanFriction(0.9, stop)).toBeCloseTo(1.5, 12);
    expect(computeInertiaFromStop(1.5, stop)).toBeCloseTo(0.9, 12);
  });

  /** Stops walked in small steps under friction a + b w + c w², each timed from 150 rad/s. */
  const walk = (from: number, [a, b, c]: readonly [number, number, number]): number => {
    const width = 1e-3;
    let [speed, seconds] = [from, 0];
    while (speed > 0) {
      speed -= (a + b * speed + c * speed * speed) * width;
      seconds += width;
    }
    return seconds;
  };
  it.each([[[1.6, 0, 0]], [[0.2, 0.02, 0]], [[0.1, 0, 0.0005]], [[0.5, 0.01, 0.0001]]] as const)(
    'bounds the stop from any other speed under %j',
    (friction) => {
      const timed = { speed: 150, seconds: walk(150, friction) };
      for (const from of [10, 75, 140, 200, 310]) {
        expect(walk(from, friction)).toBeLessThanOrEqual(computeLongestStop(timed, from) + 0.01);
      }
      if (friction[1] === 0 && friction[2] === 0) {
        expect(computeStopInProportion(timed, 75)).toBeCloseTo(walk(75, friction), 1);
      }
    },
  );
});
