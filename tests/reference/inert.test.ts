import { findCalculation, listStartInputs, type TypedInputs } from '../../src/core/bench';
import {
  computeOxygenAfter,
  computeReleased,
  computeReleasedVolume,
  computeSettledOxygen,
  computeTimeToOxygen,
} from '../../src/core/space/inert';
import { computeDilutionGas, countSwings, sweepOnce } from '../../src/core/space/inerting';

/** No table: the formula against the balance, taken in small steps. */
function walk(leak: number, fresh: number, seconds: number): number {
  const steps = 200_000;
  let pct = 20.9;
  for (let step = 0; step < steps; step++) {
    pct += ((fresh * 20.9 - (fresh + leak) * pct) / 60) * (seconds / steps);
  }
  return pct;
}

describe('oxygen while an inert gas leaks in', () => {
  it.each([
    [0.002, 0, 3600],
    [0.002, 0.01, 7200],
    [0.05, 0.02, 600],
  ])('of %d m³/s, with %d m³/s of fresh air, after %d s', (leak, fresh, seconds) => {
    const space = { volume: 60, leak, fresh };
    const found = computeOxygenAfter(space, 20.9, 20.9, seconds);
    expect(found / walk(leak, fresh, seconds)).toBeCloseTo(1, 4);
    expect(computeTimeToOxygen(space, 20.9, 20.9, found)).toBeCloseTo(seconds, 6);
  });

  it('settles where the fresh air keeps it, and is never said to fall below', () => {
    const space = { volume: 60, leak: 1, fresh: 19 };
    expect(computeSettledOxygen(space, 20.9)).toBeCloseTo(19.855, 9);
    expect(computeTimeToOxygen(space, 20.9, 20.9, 19.5)).toBeUndefined();
    expect(computeTimeToOxygen(space, 19, 20.9, 19.5)).toBe(0);
    expect(
      computeTimeToOxygen({ volume: 60, leak: 0, fresh: 0 }, 20.9, 20.9, 19.5),
    ).toBeUndefined();
  });
});

describe('inert gas let go at once', () => {
  /** Source: gas makers' tables (common practice): a litre of liquid nitrogen, 0.807 kg, gives about 694 litres at 20 °C. */
  it('takes 694 times the room of liquid nitrogen', () => {
    expect(computeReleasedVolume(0.807, 0.02801) / 0.694).toBeCloseTo(1, 2);
  });

  it('leaves less where it pushes air out before it mixes', () => {
    const { least_pct, mixed_pct } = computeReleased(60, 17.18, 20.9);
    expect(least_pct).toBeCloseTo(20.9 * (1 - 17.18 / 60), 9);
    expect(mixed_pct).toBeGreaterThan(least_pct);
    expect(computeReleased(60, 120, 20.9).least_pct).toBe(0);
  });
});

describe('making a vessel inert', () => {
  const toOnePpm = { start: 0.21, target: 1e-6, own: 0 };

  /** Source: Crowl and Louvar, Chemical Process Safety, example 7-1 (from memory): vacuum from 760 to 20 mm of mercury, 3.37, so 4 swings. */
  it('takes 4 vacuum swings', () => {
    expect(countSwings(toOnePpm, { high: 760, low: 20 })).toBe(4);
    expect(Math.log(0.21 / 1e-6) / Math.log(760 / 20)).toBeCloseTo(3.37, 2);
  });

  /** Source: the same, example 7-2 (from memory): pressure up to 80 psig, 94.7 over 14.7 psia, 6.6, so 7 swings. */
  it('takes 7 pressure swings', () => {
    expect(countSwings(toOnePpm, { high: 94.7, low: 14.7 })).toBe(7);
  });

  it('counts with the oxygen of the inert gas, and reaches just what was wanted', () => {
    const swing = { high: 3, low: 1 };
    const shares = { start: 0.209, target: 0.02, own: 0.01 };
    const swings = countSwings(shares, swing);
    let left = shares.start;
    for (let turn = 0; turn < swings; turn++) left = sweepOnce(left, shares.own, swing);
    expect(left).toBeLessThanOrEqual(shares.target);
    expect(sweepOnce(shares.start, 0, { high: 2, low: 1 })).toBeCloseTo(0.1045, 12);
    expect((left - shares.own) * 3 + shares.own).toBeGreaterThan(shares.target);
  });

  /** Source: V ln(C0 / C1), well mixed (textbook): from 20.9 to 1 % three fillings, twice as much when half of it mixes. */
  it('takes three fillings by dilution to 1 %', () => {
    const shares = { start: 0.209, target: 0.01, own: 0 };
    expect(computeDilutionGas(1, shares, 1)).toBeCloseTo(3.04, 2);
    expect(computeDilutionGas(1, shares, 0.5)).toBeCloseTo(6.08, 2);
  });
});

describe('a gas that poisons or burns before the oxygen is low', () => {
  const run = (id: string, inputs: TypedInputs) => {
    const card = findCalculation(id);
    const result = card?.run({ ...listStartInputs(card.fields), ...inputs });
    if (!result?.ok) throw new Error(JSON.stringify(result));
    return (symbol: string) => result.figures.find((one) => one.symbol === symbol)?.value;
  };
  const of = (value: number, unit: string) => ({ value, unit });

  /** No table: the balance walked in small steps until the limit is met. Limits: NIOSH, OSHA, EU, the lowest (from memory). */
  it.each([
    ['carbon dioxide into a cellar', 'carbon-dioxide', 200, 2, 0, 5000e-6],
    ['ammonia into a machine room with a fan', 'ammonia', 300, 0.5, 600, 20e-6],
    ['methane into a valve pit', 'methane', 12, 0.3, 0, 0.0044],
  ] as const)('%s', (_, gas, volume, leak, fresh, share) => {
    const step = 0.05;
    let [seconds, held] = [0, 0];
    while (held < share && seconds < 1e6) {
      held += ((leak - (leak + fresh) * held) / 3600 / volume) * step;
      seconds += step;
    }
    const figureOf = run('inert-leak', {
      gas,
      volume: of(volume, 'm^3'),
      leak: of(leak, 'm^3/h'),
      fresh: of(fresh, 'm^3/h'),
    });
    expect(Math.abs((figureOf('tg') ?? 0) - seconds)).toBeLessThan(0.2);
    expect(figureOf('t')).toBe(figureOf('tg'));
    expect(figureOf('to') ?? Infinity).toBeGreaterThan(seconds);
    expect(figureOf('Cg')).toBeCloseTo(leak / (leak + fresh), 12);
  });

  it('is never said to come where the fan carries it, and oxygen decides for nitrogen', () => {
    const carried = run('inert-leak', {
      gas: 'ammonia',
      leak: of(0.001, 'm^3/h'),
      fresh: of(600, 'm^3/h'),
    });
    expect(carried('t')).toBeUndefined();
    const nitrogen = run('inert-leak', {});
    expect(nitrogen('t')).toBe(nitrogen('to'));
    expect(nitrogen('tg')).toBeUndefined();
  });

  /** Ideal gas law by hand: 10 kg of carbon dioxide take 10 / 0.04401 × 0.024055 m³ = 5.466 m³ at 20 °C. */
  it('let go at once, by its own molar mass', () => {
    const figureOf = run('inert-release', { kind: 'carbon-dioxide', mass: of(10, 'kg') });
    expect(figureOf('v')).toBeCloseTo(5.466, 2);
    expect(figureOf('Cg')).toBeCloseTo(5.466 / 60, 4);
  });
});
