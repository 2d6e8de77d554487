import { absolutePascalOrThrow } from '../units';
import { GAS_CONSTANT } from './let-down';
import { computeBoilingPoint, computeBoilingPressure, computeLiquid, computeVapour } from './steam';

/** What stands in a vessel at its boiling point when it bursts. */
export type Content = 'liquid' | 'vapour';

/** What a kilogram gives as it expands to the surroundings (J), how much of it is vapour then (share), and its specific volume before (m³/kg). */
export interface Burst {
  readonly energy: number;
  readonly vapour: number;
  readonly volume: number;
}

/**
 * Burst energy of a kilogram of water or steam at its boiling point at `kelvin` that expands without heat to `ambient` (Pa absolute): u1 - u2 at the same
 * entropy, u2 of the wet steam that it becomes. Undefined outside the formulas, or when it does not stand above its surroundings. Source: Baker et al.
 * (1983); CCPS guidelines for vapour cloud and vessel bursts (from memory); water after IAPWS-IF97.
 */
export function computeWaterBurst(
  content: Content,
  kelvin: number,
  ambient: number,
): Burst | undefined {
  const pressure = computeBoilingPressure(kelvin);
  const around = absolutePascalOrThrow(ambient);
  const boils = computeBoilingPoint(around);
  if (pressure === undefined || boils === undefined || pressure <= ambient) return undefined;
  const before =
    content === 'liquid' ? computeLiquid(pressure, kelvin) : computeVapour(pressure, kelvin);
  const [liquid, steam] = [computeLiquid(around, boils), computeVapour(around, boils)];
  const vapour = Math.min(
    1,
    Math.max(0, (before.entropy - liquid.entropy) / (steam.entropy - liquid.entropy)),
  );
  const after = liquid.inner + vapour * (steam.inner - liquid.inner);
  return { energy: before.inner - after, vapour, volume: before.volume };
}

/** A liquid kept above its boiling point under pressure, around that point. */
export interface Flashing {
  readonly name: string;
  /** Boiling point at one atmosphere (K). */
  readonly boils: number;
  /** Heat of vaporisation there (J/kg). */
  readonly latent: number;
  /** Specific heat of the liquid, from there to about 40 °C (J/(kg K)). */
  readonly heat: number;
  /** Density of the liquid at about 20 °C (kg/m³). */
  readonly density: number;
  /** kg/mol. */
  readonly molarMass: number;
  /** Critical temperature (K): above it there is no liquid. */
  readonly critical: number;
}

/** Liquefied gases of works. Source: CRC Handbook of Chemistry and Physics; NIST Chemistry WebBook; from memory, rounded to the side that gives more. */
export const FLASHING = {
  propane: {
    name: 'propane',
    boils: 231.1,
    latent: 426e3,
    heat: 2500,
    density: 500,
    molarMass: 0.0441,
    critical: 369.8,
  },
  butane: {
    name: 'n-butane',
    boils: 272.7,
    latent: 386e3,
    heat: 2450,
    density: 579,
    molarMass: 0.05812,
    critical: 425.1,
  },
  ammonia: {
    name: 'ammonia',
    boils: 239.8,
    latent: 1370e3,
    heat: 4750,
    density: 610,
    molarMass: 0.01703,
    critical: 405.4,
  },
  chlorine: {
    name: 'chlorine',
    boils: 239.1,
    latent: 288e3,
    heat: 960,
    density: 1410,
    molarMass: 0.0709,
    critical: 417,
  },
  'sulphur-dioxide': {
    name: 'sulphur dioxide',
    boils: 263.1,
    latent: 390e3,
    heat: 1400,
    density: 1380,
    molarMass: 0.06407,
    critical: 430.6,
  },
} as const satisfies Readonly<Record<string, Flashing>>;
export type FlashingCode = keyof typeof FLASHING;

/** Range of temperature (K) over which the table speaks: above its boiling point, and well below the critical one. */
export const flashingRange = ({ boils, critical }: Flashing) => ({
  least: boils,
  most: boils + 0.75 * (critical - boils),
});

/**
 * Burst energy of a kilogram of a liquefied gas at `kelvin` that flashes at the same entropy to its boiling point at one atmosphere:
 * c (T - Tb) - x (L - R Tb / M), with x = c Tb ln(T / Tb) / L. Precondition: within `flashingRange`. Source: as for water, with constant
 * specific heat and ideal vapour; against water by its own tables the sum is within a fifth.
 */
export function computeFlashingBurst(
  { boils, latent, heat, density, molarMass }: Flashing,
  kelvin: number,
): Burst {
  const vapour = Math.min(1, (heat * boils * Math.log(kelvin / boils)) / latent);
  const energy = heat * (kelvin - boils) - vapour * (latent - (GAS_CONSTANT * boils) / molarMass);
  return { energy: Math.max(0, energy), vapour, volume: 1 / density };
}
