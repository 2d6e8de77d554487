/** Pressure (Pa absolute) of gas shut in and warmed: P T2 / T1. Temperatures in kelvin. Source: Gay-Lussac, ideal gas. */
export const computeWarmedGas = (pascal: number, from: number, to: number): number =>
  (pascal * to) / from;

/** A body almost full of a liquid, with a pocket of gas over it. Pressures absolute (Pa), temperatures in kelvin. */
export interface Pocketed {
  readonly volume: number;
  /** Share of the volume that is gas at the start; above 0, below 1. */
  readonly pocket: number;
  readonly pressure: number;
  readonly from: number;
  readonly to: number;
  /** Of the liquid: expansion (1/K) and compressibility (1/Pa, above 0). */
  readonly expansion: number;
  readonly compressibility: number;
}

const HALVINGS = 200;

/**
 * Pressure (Pa absolute) once it has warmed, in rigid walls: the liquid grows by its expansion and is squeezed by its compressibility, the gas
 * has what is left, P2 V2 / T2 = P1 V1 / T1. None of the gas dissolves, none of the liquid boils. Source: ideal gas; textbook. Precondition: to at or above from.
 */
export function computePocketed({
  volume,
  pocket,
  pressure,
  from,
  to,
  expansion,
  compressibility,
}: Pocketed): number {
  const gas = volume * pocket;
  const liquid = volume - gas;
  const grown = Math.exp(expansion * (to - from));
  const least = pressure * (to / from);
  /** What is left over at a pressure: above 0 while the gas needs less room than it has. */
  const spare = (pascal: number) =>
    volume -
    liquid * grown * Math.exp(-compressibility * (pascal - pressure)) -
    (gas * pressure * to) / (from * pascal);
  let low = Math.min(pressure, least);
  let high = Math.max(pressure, least);
  for (let turn = 0; turn < HALVINGS && spare(high) < 0; turn++) high *= 2;
  for (let turn = 0; turn < HALVINGS; turn++) {
    const middle = (low + high) / 2;
    if (middle <= low || middle >= high) break;
    if (spare(middle) < 0) low = middle;
    else high = middle;
  }
  return high;
}
