import {
  computeGasCavity,
  computeLargestGasLeak,
  computeLargestLiquidLeak,
  computeLeastGasBleed,
  computeLeastLiquidBleed,
  computeLiquidCavity,
  computeLiquidFlowArea,
  type GasCavity,
} from '../energy/cavity';
import { GAS_CONSTANT } from '../energy/let-down';
import { computeFlowArea } from '../energy/seat-leak';
import type { Quantity } from '../units';
import { defineCalculation, figure, InputFault, number, type Curve, type Worked } from './define';
import {
  absoluteOf,
  areaOf,
  ATMOSPHERE,
  BLEED_SIZE,
  COEFFICIENT,
  HEAT_RATIO,
  IDEAL,
  MOLAR_MASS,
  NOT_NEGATIVE,
  POSITIVE,
} from './fields';

/** The curve is drawn up to so many times the leak that was given, in so many steps. */
const DRAWN_TO = 3;
const DRAWN_STEPS = 60;

/** What both sums ask of the bleed. */
const BLEED_FIELDS = {
  allowed: number('Most that may stand in between (gauge)', 'pa', 'gauge-pressure', 'bar', 0.05),
  back: number('Back-pressure of the bleed (gauge)', 'pb', 'gauge-pressure', 'bar', 0),
  bore: { ...BLEED_SIZE, start: 6 },
  coefficient: COEFFICIENT,
};

const CAUTION =
  'A bleed may be plugged, and then the cavity stands at the full pressure: prove that it is clear, and keep it open and in sight. A seat may get worse while it is relied upon.';

/** What the pressures have to be for anything to be worked out: falling from before the seat over what is allowed to where the bleed leads. */
function requireFalling(upstream: number, allowed: number, back: number): void {
  if (upstream <= back) {
    throw new InputFault(
      'upstream',
      'Pressure before the valves must be above the back-pressure: nothing drives a leak',
    );
  }
  if (allowed <= back) {
    throw new InputFault(
      'allowed',
      'Most that may stand in between must be above the back-pressure: an open bleed never falls to it while a seat passes',
    );
  }
  if (allowed >= upstream) {
    throw new InputFault(
      'allowed',
      'Most that may stand in between must be below the pressure before the valves',
    );
  }
}

/** What comes out: with no leak given only what the bleed carries. Pressures gauge (Pa), the leak in SI of its quantity. */
function describe(
  leak: number,
  sides: {
    readonly stands: number;
    readonly allowed: number;
    readonly carries: number;
    readonly least: number;
  },
  quantity: Quantity,
  unit: string,
): Worked {
  const carries = figure(
    'Largest leak that the bleed carries',
    'Qmax',
    sides.carries,
    quantity,
    unit,
    leak === 0,
  );
  if (leak === 0) return { figures: [carries], notes: [] };
  return {
    figures: [
      figure(
        'Stands between the valves (gauge)',
        'pc',
        sides.stands,
        'gauge-pressure',
        'bar',
        true,
      ),
      carries,
      figure('Least free bore of a bleed for this leak', 'dmin', sides.least, 'length', 'mm'),
    ],
    notes: [
      sides.stands <= sides.allowed
        ? 'The bleed carries this leak: the cavity stays within what was allowed.'
        : 'The bleed does not carry this leak: the second valve is under pressure, and two valves are no proof.',
    ],
  };
}

const drawn = (over: number, unit: string, quantity: Curve['x']['quantity']) => ({
  x: { label: 'leak past the first valve', quantity, unit },
  y: {
    label: 'between the valves (gauge)',
    quantity: 'gauge-pressure' as const,
    unit: 'bar',
  },
  steps: Array.from({ length: DRAWN_STEPS + 1 }, (_, step) => (over * step) / DRAWN_STEPS),
});

/** Double block and bleed on a gas: what stands between the valves, and what the bleed can carry. */
export const gasCavity = defineCalculation(
  {
    id: 'cavity-gas',
    title: 'Double block and bleed on a gas',
    question: 'What stands between the two valves when the first one passes gas?',
    answer: [
      '{pc} stands between the valves; the bleed carries a leak of up to {Qmax}.',
      'The bleed carries a leak of up to {Qmax}.',
    ],
    about:
      'The pressure in the cavity while the bleed is open, the largest leak that the bleed carries, and the least bleed for this leak.',
    formula: [
      'seat: m = a P sqrt(M / (R T)) × psi(Pc / P, k), choked or not',
      'bleed: m = Cd A Pc sqrt(M / (R T)) × psi(Pb / Pc, k)',
      'in the cavity both are the same; the second valve is taken as tight',
    ],
    source: 'Continuity; compressible nozzle flow, NACA Report 1135',
    caution: CAUTION,
    fields: {
      upstream: number(
        'Pressure before the valves (gauge)',
        'P',
        'gauge-pressure',
        'bar',
        7,
        IDEAL,
      ),
      leak: number(
        'Leak past the first valve',
        'Q',
        'leak-rate',
        'mbar litre/s',
        1000,
        NOT_NEGATIVE,
      ),
      ...BLEED_FIELDS,
      temperature: number('Temperature', 'T', 'temperature', 'degC', 20, { above: 0 }),
      k: HEAT_RATIO,
      molar: MOLAR_MASS,
      ambient: ATMOSPHERE,
    },
  },
  ({ upstream, leak, allowed, back, bore, coefficient, temperature, k, molar, ambient }) => {
    requireFalling(upstream, allowed, back);
    const cavity: GasCavity = {
      gas: { k, molarMass: molar },
      kelvin: temperature,
      upstream: absoluteOf(upstream, ambient, 'upstream'),
      back: absoluteOf(back, ambient, 'back'),
      bleed: { area: areaOf(bore), coefficient },
    };
    const limit = absoluteOf(allowed, ambient, 'allowed');
    const area =
      computeFlowArea(leak, cavity.gas, temperature, cavity.upstream, cavity.back) ?? NaN;
    const stands = computeGasCavity(cavity, area);
    const perKilogram = (GAS_CONSTANT * temperature) / molar;
    const { steps, ...axes } = drawn(leak * DRAWN_TO, 'mbar litre/s', 'leak-rate');
    const sides = {
      stands: stands - ambient,
      allowed,
      carries: computeLargestGasLeak(cavity, limit) * perKilogram,
      least: computeLeastGasBleed(cavity, area, limit),
    };
    const { figures, notes } = describe(leak, sides, 'leak-rate', 'mbar litre/s');
    return {
      figures: [
        ...figures,
        ...(leak > 0
          ? [figure('Leaves by the bleed', 'm', leak / perKilogram, 'mass-flow', 'kg/h')]
          : []),
      ],
      notes,
      ...(leak > 0
        ? {
            curve: {
              ...axes,
              points: steps.map(
                (one) => [one, computeGasCavity(cavity, area * (one / leak)) - ambient] as const,
              ),
              level: { label: 'allowed', value: allowed },
            },
          }
        : {}),
    };
  },
);

/** Double block and bleed on a liquid. */
export const liquidCavity = defineCalculation(
  {
    id: 'cavity-liquid',
    title: 'Double block and bleed on a liquid',
    question: 'What stands between the two valves when the first one passes liquid?',
    answer: [
      '{pc} stands between the valves; the bleed carries a leak of up to {Qmax}.',
      'The bleed carries a leak of up to {Qmax}.',
    ],
    about:
      'The pressure in the cavity while the bleed is open, the largest leak that the bleed carries, and the least bleed for this leak.',
    formula: [
      'seat: Q = a sqrt(2 (P - pc) / rho)',
      'bleed: Q = Cd A sqrt(2 (pc - pb) / rho)',
      'pc = pb + (P - pb) a² / (a² + (Cd A)²); the second valve is taken as tight',
    ],
    source: 'Torricelli, twice (textbook)',
    caution: `${CAUTION} A liquid that boils when it is let down is no liquid in the bleed: use the flashing page.`,
    fields: {
      upstream: number(
        'Pressure before the valves (gauge)',
        'P',
        'gauge-pressure',
        'bar',
        7,
        POSITIVE,
      ),
      leak: number('Leak past the first valve', 'Q', 'volume-flow', 'litre/min', 2, NOT_NEGATIVE),
      ...BLEED_FIELDS,
      density: number('Density', 'rho', 'density', 'kg/m^3', 1000, POSITIVE),
    },
  },
  ({ upstream, leak, allowed, back, bore, coefficient, density }) => {
    requireFalling(upstream, allowed, back);
    const cavity = { density, upstream, back, bleed: { area: areaOf(bore), coefficient } };
    const area = computeLiquidFlowArea(cavity, leak);
    const stands = computeLiquidCavity(cavity, area);
    const { steps, ...axes } = drawn(leak * DRAWN_TO, 'litre/min', 'volume-flow');
    const sides = {
      stands,
      allowed,
      carries: computeLargestLiquidLeak(cavity, allowed),
      least: computeLeastLiquidBleed(cavity, area, allowed),
    };
    return {
      ...describe(leak, sides, 'volume-flow', 'litre/min'),
      ...(leak > 0
        ? {
            curve: {
              ...axes,
              points: steps.map(
                (one) => [one, computeLiquidCavity(cavity, area * (one / leak))] as const,
              ),
              level: { label: 'allowed', value: allowed },
            },
          }
        : {}),
    };
  },
);
