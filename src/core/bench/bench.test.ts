import { randomLcg } from 'd3';
import { CALCULATIONS, findCalculation, listStartInputs, type Typed, type TypedInputs } from '.';
import { fromSi, QUANTITY_UNITS, writeFigure, writeUnit } from '../units';

const run = (id: string, changes: TypedInputs) => {
  const calculation = findCalculation(id);
  if (!calculation) throw new Error(`no calculation ${id}`);
  return calculation.run({ ...listStartInputs(calculation.fields), ...changes });
};
const bar = (value: number) => ({ value, unit: 'bar' });
const C = (value: number) => ({ value, unit: 'degC' });
const m = (value: number) => ({ value, unit: 'm' });

describe('the Bench', () => {
  it.each(CALCULATIONS.map((one) => [one.id, one] as const))('%s works as it opens', (_id, one) => {
    const result = one.run(listStartInputs(one.fields));
    expect(result).toMatchObject({ ok: true });
    if (!result.ok) return;
    expect(result.figures.filter(({ isMain }) => isMain)).toHaveLength(1);
    expect(one.formula.length > 0 && one.source !== '' && one.caution !== '').toBe(true);
  });

  it('asks for nothing in a unit that cannot be converted', () => {
    for (const [quantity, units] of Object.entries(QUANTITY_UNITS)) {
      for (const unit of units) {
        const value = fromSi(300, quantity as keyof typeof QUANTITY_UNITS, unit);
        expect([unit, Number.isFinite(value)]).toEqual([unit, true]);
      }
    }
  });

  /** What a careful engineer trips over: each is refused at the field that is at fault. */
  const REFUSED: [label: string, id: string, changes: TypedInputs, field: string, says: string][] =
    [
      [
        'a zero volume',
        'gas-energy',
        { volume: { value: 0, unit: 'm^3' } },
        'volume',
        'above 0 m³, found 0',
      ],
      ['below vacuum', 'gas-energy', { pressure: bar(-2) }, 'pressure', 'below vacuum'],
      ['under vacuum', 'gas-energy', { pressure: bar(-0.1) }, 'pressure', 'collapse'],
      ['k under 1', 'gas-energy', { k: { value: 0.99, unit: '1' } }, 'k', 'at least 1'],
      ['a figure without unit', 'gas-energy', { pressure: '7' }, 'pressure', 'must be a number'],
      [
        'a unit of something else',
        'gas-energy',
        { volume: { value: 1, unit: 'kg' } },
        'volume',
        'must be in one of',
      ],
      ['no figure', 'gas-energy', { volume: undefined }, 'volume', 'is missing'],
      [
        'not a number',
        'gas-energy',
        { volume: { value: NaN, unit: 'm^3' } },
        'volume',
        'must be a number',
      ],
      ['a field of another page', 'gas-energy', { height: m(1) }, 'height', 'not asked for'],
      ['a choice that is none', 'gas-energy', { scaled: 'near' }, 'scaled', 'must be one of'],
      [
        'a name that every object has',
        'gas-energy',
        { scaled: 'toString' },
        'scaled',
        'must be one of',
      ],
      [
        'below absolute zero',
        'let-down',
        { temperature: C(-274) },
        'temperature',
        'above -273.15 °C',
      ],
      ['a bleed of no size', 'let-down', { bore: { value: 0, unit: 'mm' } }, 'bore', 'above 0 mm'],
      [
        'Cd above 1',
        'let-down',
        { coefficient: { value: 1.01, unit: '1' } },
        'coefficient',
        'at most 1',
      ],
      ['Cd of 0', 'let-down', { coefficient: { value: 0, unit: '1' } }, 'coefficient', 'above 0'],
      ['let down to zero', 'let-down', { target: bar(0) }, 'target', 'above the back-pressure'],
      [
        'let down upwards',
        'let-down',
        { target: bar(8) },
        'pressure',
        'above the pressure it is let down to',
      ],
      ['a level over the top', 'drain', { from: m(5) }, 'from', 'at most the height'],
      ['a level that rises', 'drain', { to: m(3) }, 'to', 'below the level now'],
      ['no vent', 'drain', { vent: 'shut' }, 'vent', 'vacuum'],
      ['a test that falls', 'seat-leak', { end: bar(-0.05) }, 'end', 'void, not passed'],
      [
        'a test that drifts',
        'seat-leak',
        { drift: { value: 20, unit: 'K' } },
        'drift',
        'the test is void',
      ],
      [
        'nothing to drive a leak',
        'seat-leak',
        { upstream: bar(0) },
        'upstream',
        'nothing drives a leak',
      ],
      ['more behind than before', 'seat-leak', { end: bar(8) }, 'end', 'comes from elsewhere'],
      ['a summit below its ends', 'head', { summit: m(1) }, 'summit', 'at least'],
      ['a valley above its ends', 'head', { lowest: m(3) }, 'lowest', 'at most'],
      [
        'a rigid pipe full of a rigid liquid',
        'blocked-in',
        { liquid: 'other', expansion: { value: 1e-3, unit: '1/K' } },
        'compressibility',
        'no finite pressure',
      ],
      ['water past boiling', 'blocked-in', { to: C(120) }, 'to', 'at most 100 °C'],
      ['steam taken for water', 'flash', { pressure: bar(1) }, 'pressure', 'steam already'],
      [
        'a body that warms',
        'cooling',
        { by: 'readings', later: C(150), after: { value: 5, unit: 'min' } },
        'later',
        'not isolated',
      ],
      ['one reading only', 'cooling', { by: 'readings' }, 'later', 'missing'],
      ['never cool enough', 'cooling', { ambient: C(43) }, 'ambient', 'never'],
      ['no voltage', 'capacitor', { voltage: { value: 0, unit: 'V' } }, 'voltage', 'above 0'],
      ['a disc without mass', 'rotor', { body: 'disc' }, 'mass', 'needed'],
      ['no inertia', 'rotor', { inertia: undefined }, 'inertia', 'missing'],
      [
        'negative mass',
        'raised-mass',
        { mass: { value: -1, unit: 'kg' } },
        'mass',
        'above 0 kg, found -1 kg',
      ],
      [
        'negative stiffness',
        'spring',
        { stiffness: { value: -1, unit: 'N/m' } },
        'stiffness',
        'above 0',
      ],
    ];
  it.each(REFUSED)('refuses %s', (_label, id, changes, field, says) => {
    const result = run(id, changes);
    expect(result).toMatchObject({ ok: false, problems: [expect.objectContaining({ field })] });
    expect(JSON.stringify(result)).toContain(says);
  });

  const NOTED: [label: string, id: string, changes: TypedInputs, says: string][] = [
    ['k = 1', 'gas-energy', { k: { value: 1, unit: '1' } }, 'isothermal one'],
    ['a huge body', 'gas-energy', { volume: { value: 1000, unit: 'm^3' } }, 'no tier'],
    ['no change seen', 'seat-leak', { end: bar(0), resolution: bar(0.001) }, 'no larger than this'],
    ['a coarse gauge', 'seat-leak', { end: bar(0), resolution: bar(1) }, 'Not shown'],
    ['a bad seat', 'seat-leak', { end: bar(3) }, 'is no barrier'],
    ['a parted column', 'head', { drive: bar(0), summit: m(14) }, 'pocket of vapour'],
    ['cold water warming', 'blocked-in', { from: C(0), to: C(3) }, 'vacuum'],
    ['above design', 'blocked-in', { design: bar(16) }, 'may not be shut in full'],
    ['above the relief', 'blocked-in', { relief: bar(10) }, 'lifts'],
    ['95 °C at sea level', 'flash', { temperature: C(95) }, 'scalds'],
    ['no resistor', 'capacitor', { resistance: undefined }, 'keeps its charge'],
    ['24 V', 'capacitor', { voltage: { value: 24, unit: 'V' } }, 'below already'],
    ['no friction', 'rotor', {}, 'no coast-down time'],
    ['flow that never chokes', 'let-down', { pressure: bar(0.5) }, 'Not choked'],
  ];
  it.each(NOTED)('says so: %s', (_label, id, changes, says) => {
    const result = run(id, changes);
    expect(result.ok && result.notes.join(' ')).toContain(says);
  });

  it('never shows what is not finite and never throws, whatever is typed', () => {
    const random = randomLcg(0.42);
    const wild = [0, -1, 1, 1e-9, 1e9, 1e300, -1e300, 0.5, 273.15, 1e-300, Infinity, NaN];
    for (let turn = 0; turn < 3000; turn++) {
      const one = CALCULATIONS[turn % CALCULATIONS.length];
      if (!one) continue;
      const inputs = Object.fromEntries(
        Object.entries(one.fields).map(([name, field]): [string, Typed] => {
          if (field.kind === 'choice') {
            const options = Object.keys(field.options);
            return [name, options[Math.floor(random() * options.length)] ?? ''];
          }
          const value =
            random() < 0.7
              ? (field.start ?? 1) * (0.2 + 2 * random())
              : wild[Math.floor(random() * wild.length)];
          return [name, { value: value ?? 0, unit: field.unit }];
        }),
      );
      const result = one.run(inputs);
      const figures = result.ok ? result.figures.map(({ value }) => value) : [];
      const points = result.ok ? (result.curve?.points ?? []).flat() : [];
      expect({
        inputs,
        bad: [...figures, ...points].filter((value) => !Number.isFinite(value)),
      }).toEqual({ inputs, bad: [] });
    }
  });

  it('writes figures and units as people read them', () => {
    expect([0, 0.05, 12.3456, 1234.5, 1e7, 2e-5].map(writeFigure)).toEqual([
      '0',
      '0.05',
      '12.35',
      '1,235',
      '1.000e+7',
      '2.000e-5',
    ]);
    expect(['m^3', 'J/(kg K)', 'mbar litre/s', 'degC', '1'].map(writeUnit)).toEqual([
      'm³',
      'J/(kg·K)',
      'mbar·L/s',
      '°C',
      '',
    ]);
  });
});
