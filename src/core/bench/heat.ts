import { computeBlockedInRise } from '../energy/blocked-in';
import {
  computeCooled,
  computeCoolingTime,
  computeMeasuredConstant,
  computeTimeConstant,
  TOUCHABLE_KELVIN,
} from '../energy/cooling';
import { computeBoilingPressure, computeFlash, computeLiquid } from '../energy/steam';
import { findWorstLiquid, LIQUID_NAMES, LIQUIDS, type LiquidCode } from '../energy/liquids';
import { absolutePascalOrThrow, STANDARD_ATMOSPHERE } from '../units';
import { choice, defineCalculation, figure, InputFault, number, optional } from './define';
import { absoluteOf, ATMOSPHERE, NOT_NEGATIVE, POSITIVE } from './fields';

const ZERO_C = 273.15;
const celsius = (kelvin: number) => `${(kelvin - ZERO_C).toFixed(1)} °C`;

export const flash = defineCalculation(
  {
    id: 'flash',
    title: 'Hot water flashing to steam',
    question: 'How much of this hot water turns to steam when it is let go?',
    answer: '{x} of it turns to steam: {Vs} of steam.',
    about: 'How much of a body of hot water turns to steam when its pressure is let go.',
    formula: ["x = (h1 - h') / (h\" - h') at the lower pressure", 'V = m x v"'],
    source: 'Constant enthalpy; water and steam after IAPWS-IF97 (R7-97)',
    caution: 'Water that does not flash still scalds: above 60 °C a splash injures in seconds.',
    fields: {
      temperature: number('Temperature of the water', 'T', 'temperature', 'degC', 143, {
        atLeast: 273.16,
        atMost: 623.15,
      }),
      pressure: number('Pressure it stands at (gauge)', 'p', 'gauge-pressure', 'bar', 6, {
        atMost: 1e8,
      }),
      volume: number('Volume of water', 'V', 'volume', 'm^3', 0.6, POSITIVE),
      back: number(
        'Pressure it is let down to (absolute)',
        'Pb',
        'absolute-pressure',
        'bar',
        1.01325,
        {
          atLeast: 2000,
          atMost: 16.5e6,
        },
      ),
      ambient: ATMOSPHERE,
    },
  },
  ({ temperature, pressure, volume, back, ambient }) => {
    const absolute = absoluteOf(pressure, ambient, 'pressure');
    if (back > absolute) {
      throw new InputFault(
        'back',
        'Pressure it is let down to must be at most the pressure it stands at: nothing flows out against it',
      );
    }
    const boiling = computeBoilingPressure(temperature) ?? absolute;
    if (absolute < boiling) {
      throw new InputFault(
        'pressure',
        `Pressure (gauge) must be at least ${((boiling - ambient) / 1e5).toFixed(3)} bar: below it, water of ${celsius(temperature)} is steam already`,
      );
    }
    const result = computeFlash(absolute, temperature, absolutePascalOrThrow(back));
    if (!result) throw new InputFault('back', 'these figures are outside IAPWS-IF97');
    const mass = volume / computeLiquid(absolute, temperature).volume;
    return {
      figures: [
        figure('Share that turns to steam', 'x', result.share, 'ratio', '%', true),
        figure('Mass of steam', 'm', mass * result.share, 'mass', 'kg'),
        figure('Volume of steam', 'Vs', mass * result.steamVolume, 'volume', 'm^3'),
        figure('It boils there at', 'Tb', result.boils, 'temperature', 'degC'),
      ],
      notes: [
        result.share === 0
          ? 'It does not flash at that pressure: it runs out hot and scalds.'
          : `One volume of this water makes ${((mass * result.steamVolume) / volume).toFixed(0)} of steam.`,
      ],
    };
  },
);

export const cooling = defineCalculation(
  {
    id: 'cooling',
    title: 'Cooling to a temperature that can be touched',
    question: 'How long until this can be touched?',
    answer: 'It can be touched after {t}.',
    about: 'How long a hot body takes to cool, from its mass and surface or from two readings.',
    isWait: true,
    formula: [
      'T(t) = Ta + (T0 - Ta) e^(-t / tau)',
      'tau = m c / (h A), or from two readings',
      't = tau ln((T0 - Ta) / (T1 - Ta))',
    ],
    source:
      "Newton's law of cooling; 43 °C: ISO 13732-1 (from memory); h of 5 to 10 W/m²K in still air: practice",
    caution:
      'A body that warms is not isolated. Thick or lagged bodies are hotter inside than on the skin: measure.',
    fields: {
      by: choice('Known by', { body: 'its mass and surface', readings: 'two readings' }, 'body'),
      from: number('Temperature now', 'T0', 'temperature', 'degC', 143, { above: 0 }),
      ambient: number('Surroundings', 'Ta', 'temperature', 'degC', 20, { above: 0 }),
      to: number('Temperature wanted', 'T1', 'temperature', 'degC', TOUCHABLE_KELVIN - ZERO_C, {
        above: 0,
      }),
      mass: optional('Mass', 'm', 'mass', 'kg', POSITIVE, 900),
      heat: optional('Specific heat', 'c', 'specific-heat', 'J/(kg K)', POSITIVE, 480),
      area: optional('Surface', 'A', 'area', 'm^2', POSITIVE, 6),
      transfer: optional('Heat transfer', 'h', 'heat-transfer', 'W/(m^2 K)', POSITIVE, 8),
      later: optional('Temperature at the second reading', 'T2', 'temperature', 'degC', {
        above: 0,
      }),
      after: optional('Time between the readings', 't2', 'time', 'min', POSITIVE),
    },
  },
  ({ by, from, ambient, to, mass, heat = 480, area, transfer = 8, later, after }) => {
    let constant: number | undefined;
    if (by === 'body') {
      if (mass === undefined) throw new InputFault('mass', 'Mass is missing: above 0 kg');
      if (area === undefined) throw new InputFault('area', 'Surface is missing: above 0 m²');
      constant = computeTimeConstant(mass, heat, area, transfer);
    } else {
      if (later === undefined)
        throw new InputFault('later', 'Temperature at the second reading is missing');
      if (after === undefined)
        throw new InputFault('after', 'Time between the readings is missing: above 0 min');
      if (later >= from) {
        throw new InputFault(
          'later',
          'the body did not cool: something still heats it, so it is not isolated',
        );
      }
      constant = computeMeasuredConstant(from, later, ambient, after);
      if (constant === undefined) {
        throw new InputFault('ambient', 'Surroundings must be below both readings');
      }
    }
    const seconds = computeCoolingTime(from, to, ambient, constant);
    if (seconds === 'warms') {
      throw new InputFault(
        'from',
        `Temperature now must be at least that of the surroundings (${celsius(ambient)}): a colder body warms, it does not cool`,
      );
    }
    if (seconds === 'surroundings') {
      throw new InputFault(
        'ambient',
        `Surroundings must be below the temperature wanted (${celsius(to)}): it never gets there by itself`,
      );
    }
    const end = Math.max(seconds * 1.3, constant / 10);
    const tau = constant;
    return {
      figures: [
        figure('Time to that temperature', 't', seconds, 'time', 'min', true),
        figure('Time constant', 'tau', constant, 'time', 'min'),
      ],
      notes: [
        ...(by === 'body'
          ? [`Taken: c = ${heat.toFixed(0)} J/(kg K), h = ${transfer.toFixed(1)} W/(m² K).`]
          : []),
      ],
      curve: {
        x: { label: 'time', quantity: 'time', unit: 'min' },
        y: { label: 'temperature', quantity: 'temperature', unit: 'degC' },
        points: Array.from({ length: 61 }, (_, n) => {
          const t = (n / 60) * end;
          return [t, computeCooled(from, ambient, tau, t)] as const;
        }),
        level: { label: celsius(to), value: to },
      },
    };
  },
);

/** What of a liquid shut in full is known: its own coefficients, or those of a liquid of the table. */
function computeRise(
  liquid: LiquidCode | 'worst' | 'other',
  [from, to, start_pa]: readonly [from: number, to: number, start_pa: number],
  given: { readonly expansion?: number | undefined; readonly give: number },
): number {
  if (liquid === 'water') {
    const rise = computeBlockedInRise(from - ZERO_C, to - ZERO_C, start_pa);
    if (rise === undefined) {
      throw new InputFault(
        'to',
        'Both temperatures must be at least 0 °C and at most 100 °C for water',
      );
    }
    return rise;
  }
  const { expansion, compressibility } =
    liquid === 'other'
      ? { expansion: given.expansion, compressibility: 0 }
      : liquid === 'worst'
        ? findWorstLiquid()
        : LIQUIDS[liquid];
  if (expansion === undefined)
    throw new InputFault('expansion', 'Thermal expansion is missing: at least 0 1/K');
  const give = compressibility + given.give;
  if (give === 0) {
    throw new InputFault(
      'compressibility',
      'Compressibility must be above 0, or bore and wall of the pipe be given: a rigid pipe full of a rigid liquid has no finite pressure',
    );
  }
  return (expansion * (to - from)) / give;
}

export const blockedIn = defineCalculation(
  {
    id: 'blocked-in',
    title: 'Liquid blocked in and warming',
    question: 'What pressure does this full line reach when it warms?',
    answer: 'It comes to {p1}.',
    about: 'The pressure that a full line reaches between two shut valves when it warms.',
    formula: ['water: T at constant mass and volume', 'other liquid: p = b dT / (c + D / (E w))'],
    source:
      'Water at constant density after IAPWS-IF97 (R7-97); other liquids by the coefficients of handbooks (from memory); thin-walled pipe (textbook)',
    caution:
      'One gas bubble changes everything, and so does a passing valve. The figure is a ceiling: leave a bleed open instead.',
    fields: {
      liquid: choice(
        'Liquid',
        {
          water: 'water',
          ...LIQUID_NAMES,
          worst: 'not known: the worst of these',
          other: 'another, by its coefficients',
        },
        'water',
      ),
      from: number('Temperature when shut in', 'T0', 'temperature', 'degC', 15, {
        atLeast: ZERO_C - 50,
        atMost: ZERO_C + 400,
      }),
      to: number('Temperature it warms to', 'T1', 'temperature', 'degC', 35, {
        atLeast: ZERO_C - 50,
        atMost: ZERO_C + 400,
      }),
      start: number(
        'Pressure when shut in (gauge)',
        'p0',
        'gauge-pressure',
        'bar',
        2,
        NOT_NEGATIVE,
      ),
      expansion: optional('Thermal expansion', 'b', 'expansion', '1/K', {
        atLeast: 0,
        atMost: 0.01,
      }),
      // Liquids lie between 0.05 and 20 1/GPa: what lies outside was given in another unit.
      compressibility: optional('Compressibility', 'c', 'compressibility', '1/GPa', {
        atLeast: 5e-11,
        atMost: 2e-8,
      }),
      bore: optional('Bore of the pipe', 'D', 'length', 'mm', POSITIVE),
      wall: optional('Wall of the pipe', 'w', 'length', 'mm', POSITIVE),
      modulus: optional("Pipe's modulus of elasticity", 'E', 'modulus', 'GPa', POSITIVE),
      design: optional('Design pressure (gauge)', 'pd', 'gauge-pressure', 'bar', POSITIVE),
      relief: optional('Relief valve set at (gauge)', 'ps', 'gauge-pressure', 'bar', POSITIVE),
    },
  },
  (given) => {
    const { liquid, from, to, start, expansion, compressibility, bore, wall, design, relief } =
      given;
    const { modulus = 200e9 } = given;
    if (bore !== undefined && wall === undefined)
      throw new InputFault(
        'wall',
        'Wall of the pipe is missing: with its bore alone nothing can be said',
      );
    if (wall !== undefined && bore === undefined)
      throw new InputFault(
        'bore',
        'Bore of the pipe is missing: with its wall alone nothing can be said',
      );
    const stretch = bore !== undefined && wall !== undefined ? bore / (modulus * wall) : 0;
    const give = (compressibility ?? 0) + stretch;
    const rise = computeRise(liquid, [from, to, start], { expansion, give });
    const absolute = start + rise + STANDARD_ATMOSPHERE;
    const parts = absolute <= 0;
    const end = parts ? 0 - STANDARD_ATMOSPHERE : start + rise;
    const over = (limit: number | undefined, words: string) =>
      limit !== undefined && end > limit ? [words] : [];
    return {
      figures: [
        figure(
          parts ? 'Pressure reached, a cavity in it (gauge)' : 'Pressure reached (gauge)',
          'p1',
          end,
          'gauge-pressure',
          'bar',
          true,
        ),
        ...(parts ? [] : [figure('Rise', 'dp', rise, 'gauge-pressure', 'bar')]),
      ],
      notes: [
        ...(parts
          ? [
              'It draws together by more than it can: a cavity forms, and vapour or air stands in it. No pressure is lower than zero absolute.',
            ]
          : rise < 0
            ? ['It draws together: it pulls a vacuum, or lets air in.']
            : []),
        ...(liquid === 'worst'
          ? [`Taken: ${findWorstLiquid().name}, the worst of the table.`]
          : []),
        ...over(design, 'Above the design pressure: this body may not be shut in full.'),
        ...over(
          relief,
          'Above the relief set pressure: the valve lifts, if it is still connected.',
        ),
      ],
    };
  },
);
