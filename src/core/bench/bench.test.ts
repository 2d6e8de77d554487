import { randomLcg } from 'd3';
import {
  CALCULATIONS,
  findCalculation,
  listStartInputs,
  sayAnswer,
  type Typed,
  type TypedInputs,
} from '.';
import { DEFAULT_VALUES } from '../rules/values';
import { fromSi, QUANTITY_UNITS, writeFigure, writeUnit } from '../units';

const run = (id: string, changes: TypedInputs) => {
  const calculation = findCalculation(id);
  if (!calculation) throw new Error(`no calculation ${id}`);
  return calculation.run({ ...listStartInputs(calculation.fields), ...changes });
};
const bar = (value: number) => ({ value, unit: 'bar' });
const C = (value: number) => ({ value, unit: 'degC' });
const m = (value: number) => ({ value, unit: 'm' });
const kV = (value: number) => ({ value, unit: 'kV' });
const pct = (value: number) => ({ value, unit: '%' });

describe('the Bench', () => {
  it.each(CALCULATIONS.map((one) => [one.id, one] as const))('%s works as it opens', (_id, one) => {
    const result = one.run(listStartInputs(one.fields));
    expect(result).toMatchObject({ ok: true });
    if (!result.ok) return;
    expect(result.figures.filter(({ isMain }) => isMain)).toHaveLength(1);
    expect(one.formula.length > 0 && one.source !== '' && one.caution !== '').toBe(true);
    expect(sayAnswer(one, result.figures)).toMatch(/^[^{}]*\d[^{}]*\.$/);
  });

  it('opens with the values of the site’s rules, where a rule sets them', () => {
    const bound = CALCULATIONS.flatMap(({ id, fields }) =>
      Object.entries(fields).flatMap(([name, field]) =>
        field.site ? [[id, name, field, field.site] as const] : [],
      ),
    );
    expect(bound.length).toBeGreaterThan(6);
    for (const [id, name, field, site] of bound) {
      expect([id, name, field.start]).toEqual([id, name, DEFAULT_VALUES[site]]);
    }
    const values = { ...DEFAULT_VALUES, 'oxygen-least': 19.5, 'approach-table': 'en' as const };
    const opens = (id: string) => listStartInputs(findCalculation(id)?.fields ?? {}, values);
    expect(opens('inert-leak')).toMatchObject({ limit: pct(19.5) });
    expect(opens('approach')).toMatchObject({ table: 'en', extra: m(0) });
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
      ['a figure without unit', 'gas-energy', { pressure: '7' }, 'pressure', 'must have its unit'],
      [
        'neither gauge nor absolute',
        'gas-energy',
        { pressure: '0.5 bar' },
        'pressure',
        'gauge or absolute',
      ],
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
        'a bleed into its own pressure',
        'cavity-gas',
        { back: bar(7) },
        'upstream',
        'nothing drives',
      ],
      ['a cavity at nothing', 'cavity-gas', { allowed: bar(0) }, 'allowed', 'never falls to it'],
      [
        'a cavity allowed what is before it',
        'cavity-liquid',
        { allowed: bar(7) },
        'allowed',
        'below the pressure',
      ],
      ['a direct voltage', 'approach', { current: 'direct' }, 'current', 'do not cover direct'],
      [
        'a voltage above the table',
        'approach',
        { voltage: kV(800), table: 'en' },
        'voltage',
        'at most 700 kV',
      ],
      [
        'a voltage above the lower end of both tables',
        'approach',
        { voltage: kV(141) },
        'voltage',
        'at most 140 kV',
      ],
      [
        'a voltage above the other table',
        'approach',
        { voltage: kV(141), table: 'osha' },
        'voltage',
        'at most 140 kV',
      ],
      [
        'a loop without impedance',
        'fault-current',
        { impedance: { value: 0, unit: 'ohm' } },
        'impedance',
        'above 0 ohm',
      ],
      [
        'a transformer without its plate',
        'fault-current',
        { by: 'transformer', short: undefined },
        'short',
        'on its plate',
      ],
      [
        'a fault that lasts too long for the sum',
        'earthing',
        { time: { value: 6, unit: 's' } },
        'time',
        'at most 5 s',
      ],
      ['a conductor that may not warm', 'earthing', { end: C(20) }, 'end', 'above the temperature'],
      [
        'a room without a leak',
        'inert-leak',
        { leak: { value: 0, unit: 'm^3/h' } },
        'leak',
        'nothing thins',
      ],
      [
        'air that nobody breathes to begin with',
        'inert-leak',
        { start: pct(19) },
        'start',
        'nobody goes in',
      ],
      [
        'air that has too much of the poison already',
        'inert-leak',
        { gas: 'carbon-dioxide', start: pct(20.5) },
        'start',
        'carbon dioxide in its place is above its exposure limit of 5000 ppm',
      ],
      [
        'inert gas no purer than what is wanted',
        'inerting',
        { target: pct(0.01) },
        'target',
        'never reached',
      ],
      [
        'a swing that is none',
        'inerting',
        { high: bar(1) },
        'high',
        'above the pressure swung down to',
      ],
      [
        'hot water that does not boil',
        'flashing-burst',
        { temperature: C(90) },
        'temperature',
        'still scalds',
      ],
      [
        'a liquefied gas near its critical point',
        'flashing-burst',
        { fluid: 'propane', temperature: C(90) },
        'temperature',
        'critical point',
      ],
      [
        'vapour of a liquefied gas',
        'flashing-burst',
        { fluid: 'ammonia', content: 'vapour' },
        'content',
        'compressed gas',
      ],
      ['a class without a size', 'seat-test', { size: undefined }, 'size', 'counts by size'],
      ['a pocket that cools', 'shut-in', { content: 'pocket', to: C(5) }, 'to', 'draws a vacuum'],
      [
        'water shut in past boiling',
        'shut-in',
        { content: 'pocket', to: C(120) },
        'to',
        'freezes or boils',
      ],
      [
        'gas tested beyond an ideal one',
        'pressure-test',
        { code: 'b31-3-gas', design: bar(300) },
        'design',
        '300 bar',
      ],
      [
        '% LFL of what does not burn',
        'concentration',
        { substance: 'chlorine', by: 'lfl', lfl: pct(10) },
        'by',
        'does not burn',
      ],
      [
        'more than the whole of the air',
        'concentration',
        { by: 'mass', mass: { value: 1e9, unit: 'mg/m^3' } },
        'mass',
        'more than the whole',
      ],
      [
        'both inertia and friction',
        'timed-stop',
        { inertia: { value: 1, unit: 'kg m^2' }, torque: { value: 1, unit: 'N m' } },
        'torque',
        'not both',
      ],
      [
        'a warm day for wind chill',
        'wind-chill',
        { temperature: C(12) },
        'temperature',
        'at most 10 °C',
      ],
      ['damp beyond the whole', 'heat-index', { humidity: pct(101) }, 'humidity', 'at most 100 %'],
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
    ['a bleed too small', 'cavity-gas', { bore: { value: 2, unit: 'mm' } }, 'does not carry'],
    [
      'nothing may be touched',
      'approach',
      { voltage: { value: 230, unit: 'V' } },
      'may be touched',
    ],
    [
      'a deadly touch',
      'touch-voltage',
      { time: { value: 3, unit: 's' }, resistance: { value: 20, unit: 'mohm' } },
      'stop a heart',
    ],
    ['a network without limit', 'fault-current', { by: 'transformer' }, 'without limit'],
    ['a set too thin', 'earthing', { section: { value: 16, unit: 'mm^2' } }, 'too thin'],
    ['no conductor so thick', 'earthing', { current: { value: 400, unit: 'kA' } }, 'several sets'],
    ['a far side that kills', 'back-feed', {}, 'deadly'],
    [
      'a blower that carries the leak',
      'inert-leak',
      { fresh: { value: 500, unit: 'm^3/h' } },
      'only while the blower runs',
    ],
    ['a poison before oxygen', 'inert-leak', { gas: 'carbon-dioxide' }, 'before oxygen does'],
    ['a fuel before oxygen', 'inert-leak', { gas: 'methane' }, 'a tenth of what burns, 0.44 % vol'],
    [
      'a poison that fills the room',
      'inert-release',
      { kind: 'carbon-dioxide', mass: { value: 1, unit: 'kg' } },
      'whatever the oxygen is',
    ],
    [
      'air that is gone',
      'inert-release',
      { mass: { value: 60, unit: 'kg' } },
      'dead within minutes',
    ],
    ['a vessel made inert', 'inerting', {}, 'suffocates'],
    ['a front that has to hold', 'inerting', { way: 'displacement' }, 'test at the far end'],
    ['a test too short', 'seat-test', { time: { value: 1, unit: 'min' } }, 'too short'],
    ['gas in a test', 'pressure-test', { code: 'viii-gas' }, 'named approval'],
    ['a plate too thin', 'blank', { actual: { value: 5, unit: 'mm' } }, 'too thin'],
    ['a plate no longer thin', 'blank', { pressure: bar(600) }, 'no thin plate'],
    ['shut in above design', 'shut-in', { design: bar(5.5) }, 'Above the design'],
    ['shut in above the relief', 'shut-in', { relief: bar(5.5) }, 'relief lifts'],
    ['shut in and cooled', 'shut-in', { pressure: bar(0), to: C(-20) }, 'Below the atmosphere'],
    ['poison above the lowest of the limits', 'concentration', {}, 'nobody breathes this'],
    [
      'gas at a tenth of what burns',
      'concentration',
      { substance: 'methane', by: 'lfl', lfl: pct(10) },
      'nobody goes in',
    ],
    [
      'sparks beyond the rule',
      'sparks',
      { height: m(30), wind: { value: 15, unit: 'm/s' } },
      'Further than the site',
    ],
    ['too hot to work', 'heat-index', { temperature: C(45) }, 'Not as it is'],
    ['damper than the table', 'heat-index', { humidity: pct(80) }, 'Damper than the table'],
    [
      'a slower stop',
      'timed-stop',
      { from: { value: 500, unit: 'rpm' } },
      'no longer than the stop',
    ],
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
