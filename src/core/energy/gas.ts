import type { AbsolutePascal } from '../units';

/** Energy per mass of TNT (J/kg) as printed in ASME PCC-2, Article 501, SI form. From memory. */
export const TNT_PCC2 = 4_266_920;
/** Energy per mass of TNT (J/kg) by convention. */
export const TNT_CONVENTION = 4_184_000;

/** A body of gas: absolute pressure (Pa), volume (m³, above 0), ratio of specific heats (at least 1), surroundings (Pa absolute, above 0). */
export interface GasBody {
  readonly pressure: AbsolutePascal;
  readonly volume: number;
  readonly k: number;
  readonly ambient: AbsolutePascal;
}

/** Whether the expansion forms hold: the gas stands at or above its surroundings. Below, a body takes in and collapses. */
export const canExpand = ({ pressure, ambient }: GasBody): boolean => pressure >= ambient;

/**
 * Energy (J) that a gas gives when it expands without heat to its surroundings: P V/(k - 1) [1 - (Pa/P)^((k-1)/k)].
 * With k = 1 it is the isothermal form. Source: Baker et al. (1983); ASME PCC-2 Article 501 (from memory).
 */
export function computeIsentropicEnergy(body: GasBody): number {
  const { pressure, volume, k, ambient } = body;
  if (isIsothermal(k)) return computeIsothermalEnergy(body);
  return ((pressure * volume) / (k - 1)) * (1 - (ambient / pressure) ** ((k - 1) / k));
}

/** Energy (J) of expansion at constant temperature: P V ln(P/Pa). Source: textbook thermodynamics. */
export const computeIsothermalEnergy = ({ pressure, volume, ambient }: GasBody): number =>
  pressure * volume * Math.log(pressure / ambient);

/** Brode's energy (J): (P - Pa) V/(k - 1), undefined with k = 1. Source: Brode (1959). */
export const computeBrodeEnergy = ({
  pressure,
  volume,
  k,
  ambient,
}: GasBody): number | undefined =>
  isIsothermal(k) ? undefined : ((pressure - ambient) * volume) / (k - 1);

/** Most energy (J) that each tier of distance covers. Source: ASME PCC-2 Article 501 (from memory). */
const TIERS: readonly (readonly [most: number, metres: number])[] = [
  [135.5e6, 30],
  [271e6, 60],
];

/** Above this energy (J) no tier is named. */
export const MOST_TIERED = Math.max(...TIERS.map(([most]) => most));

/** Scaled distances (m/kg^(1/3)) and what they stand for. Source: ASME PCC-2 Article 501 (from memory). */
export const SCALED_DISTANCES = {
  'glass-breakage': 20,
  'eardrum-rupture': 12,
  'lung-damage': 6,
  fatality: 2,
} as const;
export type ScaledDistance = keyof typeof SCALED_DISTANCES;

/**
 * Distance (m) to be kept from a gas test or a charged gas body of `energy` (J, at least 0): the greater of the tier distance and
 * the scaled one, R (2 TNT)^(1/3). Above the last tier only the scaled one is given. Says nothing of fragments, whip or jet.
 * Source: ASME PCC-2 Article 501 (from memory).
 */
export function computeStandOff(energy: number, scaled: ScaledDistance): number {
  const tnt = energy / TNT_PCC2;
  const tier = TIERS.find(([most]) => energy <= most)?.[1] ?? 0;
  return Math.max(tier, SCALED_DISTANCES[scaled] * Math.cbrt(2 * tnt));
}

/**
 * Energy (J) of a liquid squeezed to a gauge pressure (Pa): P² V/(2 K), with bulk modulus K (Pa, above 0). Source: textbook
 * mechanics.
 */
export const computeLiquidEnergy = (overPascal: number, volume: number, modulus: number): number =>
  (overPascal * overPascal * volume) / (2 * modulus);

/** Closer to 1 than this the isentropic form loses all figures, and its limit, the isothermal form, is taken. */
const NEAR_ONE = 1e-6;

/** Whether a ratio of specific heats is so near to 1 that the gas expands as at constant temperature. */
export const isIsothermal = (k: number): boolean => Math.abs(k - 1) < NEAR_ONE;

/**
 * Oil (m³) in an accumulator and the energy (J) that it gives while the oil leaves it: the gas, charged slowly, fills its whole volume in the
 * end, p1 V1 / (k - 1) × [1 - (V1 / V0)^(k - 1)], with k = 1 p1 V1 ln(V0 / V1). All absolute. Its pressure ends below the precharge and
 * comes back to it as the gas warms. At or below the precharge there is no oil in it and nothing drives any. Source: textbook
 * thermodynamics, the integral of p dV.
 */
export function computeAccumulator(
  volume: number,
  precharge: AbsolutePascal,
  pressure: AbsolutePascal,
  k: number,
): { readonly oil: number; readonly energy: number } {
  if (pressure <= precharge) return { oil: 0, energy: 0 };
  const gas = (volume * precharge) / pressure;
  const energy = isIsothermal(k)
    ? pressure * gas * Math.log(volume / gas)
    : ((pressure * gas) / (k - 1)) * (1 - (gas / volume) ** (k - 1));
  return { oil: volume - gas, energy };
}
