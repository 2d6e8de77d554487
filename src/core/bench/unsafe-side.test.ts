import fc from 'fast-check';
import { CALCULATIONS, findCalculation, listStartInputs, type TypedInputs } from '.';
import { QUANTITY_UNITS } from '../units';

const run = (id: string, changes: TypedInputs = {}) => {
  const calculation = findCalculation(id);
  if (!calculation) throw new Error(`no calculation ${id}`);
  return calculation.run({ ...listStartInputs(calculation.fields), ...changes });
};
const bar = (value: number) => ({ value, unit: 'bar' });
const celsius = (value: number) => ({ value, unit: 'degC' });
const figureOf = (id: string, changes: TypedInputs, label: RegExp) => {
  const result = run(id, changes);
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.figures.find((one) => label.test(one.label))?.value ?? NaN;
};

describe('sums that would err on the unsafe side', () => {
  it.each<[string, string, TypedInputs, string, string]>([
    [
      'a temperature change that was not recorded',
      'seat-leak',
      { drift: undefined },
      'drift',
      'not recorded is not zero',
    ],
    ['a pair tested together', 'seat-leak', { before: 'pair' }, 'before', 'on its own'],
    [
      'a cooling space, when the drift explains half',
      'seat-leak',
      { drift: { value: -60, unit: 'K' } },
      'drift',
      'void',
    ],
    [
      'a warming space, when the drift explains half',
      'seat-leak',
      { drift: { value: 20, unit: 'K' } },
      'drift',
      'void',
    ],
    [
      'a body colder than its surroundings',
      'cooling',
      { from: celsius(10), ambient: celsius(20) },
      'from',
      'warms',
    ],
    [
      'a target below the surroundings',
      'cooling',
      { to: celsius(15), ambient: celsius(20) },
      'ambient',
      'never',
    ],
    ['1000 bar of ideal gas', 'gas-energy', { pressure: bar(1000) }, 'pressure', 'at most 300 bar'],
    ['1000 bar let down', 'let-down', { pressure: bar(1000) }, 'pressure', 'at most 300 bar'],
    ['bore without wall', 'blocked-in', { bore: { value: 50, unit: 'mm' } }, 'wall', 'missing'],
    ['wall without bore', 'blocked-in', { wall: { value: 5, unit: 'mm' } }, 'bore', 'missing'],
    [
      'compressibility in the wrong unit',
      'blocked-in',
      {
        liquid: 'other',
        expansion: { value: 7e-4, unit: '1/K' },
        compressibility: { value: 4.5e-10, unit: '1/GPa' },
      },
      'compressibility',
      'at least 0.05',
    ],
    ['a drive pressure below nothing', 'head', { drive: bar(-0.5) }, 'drive', 'at least 0'],
    [
      'back-pressure above the gas',
      'let-down',
      { back: bar(8) },
      'back',
      'below the pressure of the gas',
    ],
    [
      'back-pressure above the water',
      'flash',
      { back: { value: 20, unit: 'bar' } },
      'back',
      'at most the pressure',
    ],
  ])('refuses %s', (_label, id, changes, field, says) => {
    const result = run(id, changes);
    expect(result).toMatchObject({ ok: false, problems: [expect.objectContaining({ field })] });
    expect(JSON.stringify(result)).toContain(says);
  });

  it.each<[string, string, TypedInputs, string]>([
    ['an accumulator at its precharge', 'accumulator', { pressure: bar(90) }, 'holds its gas'],
    ['an accumulator below its precharge', 'accumulator', { pressure: bar(40) }, 'holds its gas'],
    ['no overpressure', 'gas-energy', { pressure: bar(0) }, 'gas is still inside'],
    [
      'a liquid that cools until it parts',
      'blocked-in',
      { from: celsius(60), to: celsius(5), start: bar(0) },
      'cavity',
    ],
    ['a liquid that nobody knows', 'blocked-in', { liquid: 'worst' }, 'worst of the table'],
    [
      'gas that falls below what steel bears',
      'let-down',
      { pressure: bar(60) },
      'carbon steel may break',
    ],
  ])('says of %s what it means', (_label, id, changes, says) => {
    const result = run(id, changes);
    expect(result.ok).toBe(true);
    expect(JSON.stringify(result)).toContain(says);
  });

  it('show no pressure below absolute zero', () => {
    const reached = figureOf(
      'blocked-in',
      { from: celsius(60), to: celsius(5), start: bar(0) },
      /Pressure reached/,
    );
    expect(reached).toBe(-101_325);
  });

  it('reckon the rise of a space that cools as larger, and of one that warms as smaller', () => {
    const leak = (drift: number) =>
      figureOf('seat-leak', { drift: { value: drift, unit: 'K' } }, /^Leak/);
    expect(leak(-5)).toBeGreaterThan(leak(0));
    expect(leak(5)).toBeLessThan(leak(0));
  });

  it('give every liquid of the table a rise, the worst the most', () => {
    const rise = (liquid: string) => figureOf('blocked-in', { liquid }, /^Rise/);
    const all = ['glycol-50', 'diesel', 'crude', 'hydraulic-oil', 'ammonia', 'lpg', 'caustic-50'];
    for (const liquid of all) expect(rise(liquid)).toBeLessThanOrEqual(rise('worst'));
    expect(Math.max(...all.map(rise))).toBe(rise('worst'));
  });

  it('take a bound that was shown rounded for what it is', () => {
    expect(run('let-down', { ambient: { value: 0.3, unit: 'bar' } }).ok).toBe(true);
    expect(run('let-down', { ambient: { value: 1.2, unit: 'bar' } }).ok).toBe(true);
    expect(run('let-down', { ambient: { value: 1.21, unit: 'bar' } }).ok).toBe(false);
  });

  it('go over to the isothermal form as k comes near 1, without a jump', () => {
    const energy = (k: number) =>
      figureOf('gas-energy', { k: { value: k, unit: '1' } }, /^Isentropic/);
    for (const k of [1, 1 + 1e-12, 1 + 1e-9, 1 + 1e-7])
      expect(energy(k) / energy(1)).toBeCloseTo(1, 5);
    const time = (k: number) => figureOf('let-down', { k: { value: k, unit: '1' } }, /the longer/);
    expect(time(1 + 1e-9) / time(1)).toBeCloseTo(1, 5);
  });
});

describe('run', () => {
  const wild = fc.oneof(
    fc.double(),
    fc.constantFrom(0, -0, 1e308, -1e308, 1e-308, NaN, Infinity, -Infinity, 1 + 1e-12),
    fc.double({ min: -1e6, max: 1e6, noNaN: true }),
  );
  it.each(CALCULATIONS.map((one) => [one.id, one] as const))(
    'never throws on what a form can send, and shows no figure that is none: %s',
    (_id, calculation) => {
      const given = fc.record(
        Object.fromEntries(
          Object.entries(calculation.fields).map(([name, field]) => [
            name,
            field.kind === 'choice'
              ? fc.constantFrom(...Object.keys(field.options), 'nonsense')
              : fc.oneof(
                  {
                    weight: 3,
                    arbitrary: fc.constant(
                      field.start === undefined
                        ? undefined
                        : { value: field.start, unit: field.unit },
                    ),
                  },
                  {
                    weight: 2,
                    arbitrary: fc.record({
                      value: wild,
                      unit: fc.constantFrom<string>(...QUANTITY_UNITS[field.quantity], 'furlong'),
                    }),
                  },
                  { weight: 1, arbitrary: fc.constant('text') },
                ),
          ]),
        ),
      );
      fc.assert(
        fc.property(given, (inputs) => {
          const result = calculation.run(inputs as TypedInputs);
          if (!result.ok)
            return (
              result.problems.length > 0 &&
              result.problems.every(({ message }) => !/NaN|undefined/.test(message))
            );
          return result.figures.every(({ value }) => Number.isFinite(value));
        }),
        { numRuns: 200, seed: 7 },
      );
    },
  );
});
