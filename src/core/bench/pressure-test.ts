import { computeIsentropicEnergy, computeLiquidEnergy, computeStandOff } from '../energy/gas';
import {
  computeBlank,
  computeHold,
  computeTestPressure,
  TEST_CODES,
  type TestCodeId,
} from '../energy/pressure-test';
import { absolutePascalOrThrow } from '../units';
import { choice, defineCalculation, figure, InputFault, number, optional } from './define';
import { absoluteOf, ATMOSPHERE, HEAT_RATIO, NOT_NEGATIVE, POSITIVE } from './fields';

const CODES = Object.fromEntries(
  Object.entries(TEST_CODES).map(([id, { name, source }]) => [id, `${name} (${source})`]),
) as Record<TestCodeId, string>;

/** Bulk modulus of water (Pa). Source: textbook, 20 °C. */
const WATER_MODULUS = 2.2e9;

/** A pressure test: to what, with what energy, how far off, how long. */
export const pressureTest = defineCalculation(
  {
    id: 'pressure-test',
    title: 'Pressure test',
    question:
      'To what pressure is this tested, how long is it held, and how far off do people stay?',
    answer: [
      'Test to {Pt}, hold for at least {t}, and keep people {R} away.',
      'Test to {Pt}, and hold for at least {t}.',
    ],
    about:
      'Test pressure by the code with its correction for temperature, the energy shut in, the distance to be kept, and how long a leak needs to show.',
    formula: ['Pt = f P St / S', 'hold = V r / (K q)', 'distance as on the page of compressed gas'],
    source:
      'Beside each code (from memory); energy and distance after ASME PCC-2 Article 501 (from memory)',
    caution:
      'Test with water where it can be had: gas needs a named approval. The weakest part sets the limit: gauges, hoses, blanks and neighbours as well. The edition in force and the vessel’s own papers come first.',
    fields: {
      code: choice('Code and medium', CODES, 'b31-3-water'),
      design: number('Design pressure (gauge)', 'P', 'gauge-pressure', 'bar', 10, {
        above: 0,
        atMost: 1e9,
      }),
      cold: number(
        'Allowable stress at the temperature of the test',
        'St',
        'modulus',
        'MPa',
        138,
        POSITIVE,
      ),
      hot: number(
        'Allowable stress at the design temperature',
        'S',
        'modulus',
        'MPa',
        138,
        POSITIVE,
      ),
      volume: number('Volume', 'V', 'volume', 'm^3', 1.2, POSITIVE),
      resolution: number('Least step of the gauge', 'r', 'gauge-pressure', 'bar', 0.1, POSITIVE),
      leak: number('Leak that must show', 'q', 'volume-flow', 'ml/min', 10, POSITIVE),
      k: HEAT_RATIO,
      ambient: ATMOSPHERE,
    },
  },
  ({ code, design, cold, hot, volume, resolution, leak, k, ambient }) => {
    const test = computeTestPressure(code, design, { test: cold, design: hot });
    const { isGas } = TEST_CODES[code];
    const absolute = absoluteOf(test, ambient, 'design');
    if (isGas && test > 3e7) {
      throw new InputFault(
        'design',
        'Design pressure (gauge) must stay at or below 300 bar under test with gas: beyond it no ideal gas speaks for it',
      );
    }
    const energy = isGas
      ? computeIsentropicEnergy({
          pressure: absolute,
          volume,
          k,
          ambient: absolutePascalOrThrow(ambient),
        })
      : computeLiquidEnergy(test, volume, WATER_MODULUS);
    return {
      figures: [
        figure('Test pressure (gauge)', 'Pt', test, 'gauge-pressure', 'bar', true),
        figure('Energy shut in', 'E', energy, 'energy', 'kJ'),
        ...(isGas
          ? [figure('Keep away by', 'R', computeStandOff(energy, 'glass-breakage'), 'length', 'm')]
          : []),
        figure(
          'Hold for at least',
          't',
          computeHold(volume, resolution, isGas ? absolute : WATER_MODULUS, leak),
          'time',
          'min',
        ),
      ],
      notes: [
        isGas
          ? 'A test with gas: named approval, everyone out to the distance, in steps, with a relief.'
          : 'Full of water and vented: a pocket of gas has the energy of gas. Stand out of the line of every joint and plug.',
        'A pressure that only falls with the temperature is no leak, and one that holds only because it warms is none either: read the temperature at both ends.',
      ],
    };
  },
);

/** How thick a blank must be. */
export const blank = defineCalculation(
  {
    id: 'blank',
    title: 'Thickness of a blank',
    question: 'How thick must this blank be?',
    answer: 'It must be at least {t} thick.',
    about: 'A flat plate between flanges against the pressure behind it.',
    formula: ['t = dg √(3 P / (16 S E W)) + c'],
    source: 'ASME B31.3-2020, 304.5.3 (from memory)',
    caution:
      'A blank made on site is marked with its rating, and a plate that was found lying about is none. Count the full pressure that can come, the test pressure too.',
    fields: {
      bore: number('Inner diameter of the gasket', 'dg', 'length', 'mm', 168, {
        above: 0,
        atMost: 10,
      }),
      pressure: number('Pressure that can come (gauge)', 'P', 'gauge-pressure', 'bar', 10, {
        above: 0,
        atMost: 1e8,
      }),
      stress: number('Allowable stress', 'S', 'modulus', 'MPa', 138, POSITIVE),
      quality: number('Quality of the plate (E × W)', 'E', 'ratio', '1', 1, {
        above: 0,
        atMost: 1,
      }),
      corrosion: number('Added for corrosion', 'c', 'length', 'mm', 1.5, NOT_NEGATIVE),
      actual: optional('Thickness at hand', 'ta', 'length', 'mm', POSITIVE),
    },
  },
  ({ bore, pressure, stress, quality, corrosion, actual }) => {
    const needed = computeBlank(bore, pressure, stress, quality, corrosion);
    return {
      figures: [figure('Least thickness', 't', needed, 'length', 'mm', true)],
      notes: [
        ...(actual === undefined
          ? []
          : [
              actual < needed * (1 - 1e-9)
                ? 'The plate at hand is too thin: it may not be used.'
                : 'The plate at hand is thick enough by this sum.',
            ]),
        ...(needed > bore / 4
          ? [
              'So thick a plate is no thin plate: the formula no longer fits, ask a competent engineer.',
            ]
          : []),
      ],
    };
  },
);
