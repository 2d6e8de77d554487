import { absolutePascalOrThrow, type AbsolutePascal } from '../units';
import { isIsothermal } from './gas';
import { integrateOverRoot } from './over-root';

/** Molar gas constant (J/(mol K)). Source: 2019 SI; NIST SP 330. */
export const GAS_CONSTANT = 8.314462618;

/** The ratio of outlet to inlet pressure below which a gas chokes: (2/(k + 1))^(k/(k - 1)); e^-0.5 with k = 1. Source: NACA 1135. */
export const computeCriticalRatio = (k: number): number =>
  isIsothermal(k) ? Math.exp(-0.5) : (2 / (k + 1)) ** (k / (k - 1));

/** An opening: free area (m², above 0) and discharge coefficient (above 0, at most 1). */
export interface Opening {
  readonly area: number;
  readonly coefficient: number;
}

export interface Gas {
  /** Ratio of specific heats, at least 1. */
  readonly k: number;
  /** kg/mol, above 0. */
  readonly molarMass: number;
}

/**
 * Mass flow (kg/s) of a gas through an opening, choked or not; 0 when nothing drives it. Pressures absolute (Pa), temperature
 * (K) upstream. Source: compressible nozzle flow, NACA 1135.
 */
export function computeGasFlow(
  { area, coefficient }: Opening,
  { k, molarMass }: Gas,
  upstream: number,
  kelvin: number,
  back: number,
): number {
  if (upstream <= back) return 0;
  const ratio = Math.max(back / upstream, computeCriticalRatio(k));
  const rt = (GAS_CONSTANT * kelvin) / molarMass;
  const speed = isIsothermal(k)
    ? ratio * Math.sqrt(-2 * Math.log(ratio))
    : Math.sqrt(((2 * k) / (k - 1)) * (ratio ** (2 / k) - ratio ** ((k + 1) / k)));
  return (coefficient * area * upstream * speed) / Math.sqrt(rt);
}

/** How the gas that stays behind behaves: it keeps its temperature, or cools as it expands. */
export type Expansion = 'isothermal' | 'adiabatic';

export interface LetDown {
  /** Seconds to the pressure asked for. */
  readonly seconds: number;
  /** Pressure (Pa absolute) by time (s). */
  readonly curve: readonly (readonly [seconds: number, pascal: number])[];
  /** Temperature (K) of what stays behind at the end. */
  readonly endKelvin: number;
  /** Pressure (Pa absolute) that comes back, with the opening shut, when what stays behind has warmed again. */
  readonly returns: AbsolutePascal;
}

/**
 * Time for a vessel of gas to be let down through an opening, from one absolute pressure to another above the back-pressure.
 * Integrates dt = -V dm/flow over the square root of the overpressure, which has no singular end.
 * Preconditions: from > to > back, volume above 0.
 */
export function computeLetDown(
  volume: number,
  opening: Opening,
  gas: Gas,
  kelvin: number,
  pressures: { from: AbsolutePascal; to: AbsolutePascal; back: AbsolutePascal },
  expansion: Expansion,
): LetDown {
  const { from, to, back } = pressures;
  const { k, molarMass } = gas;
  const exponent = expansion === 'adiabatic' ? (k - 1) / k : 0;
  const kelvinAt = (pascal: number) => kelvin * (pascal / from) ** exponent;
  const r = GAS_CONSTANT / molarMass;
  /** Seconds for each unit of the root of the overpressure. */
  const rate = (root: number) => {
    const pascal = back + root * root;
    const t = kelvinAt(pascal);
    const massPerPascal = (volume / (r * t)) * (1 - exponent);
    return (massPerPascal * 2 * root) / computeGasFlow(opening, gas, pascal, t, back);
  };
  const { seconds, curve } = integrateOverRoot(
    Math.sqrt(from - back),
    Math.sqrt(to - back),
    rate,
    (root) => back + root * root,
  );
  const endKelvin = kelvinAt(to);
  const returns = absolutePascalOrThrow((to * kelvin) / endKelvin);
  return { seconds, curve, endKelvin, returns };
}
