import { STANDARD_ATMOSPHERE } from '../units';
import { GAS_CONSTANT } from './let-down';

/** What a leakage rate of a class is counted in: a gas by its volume at 20 °C and one atmosphere, or a liquid. */
export type LeakFluid = 'gas' | 'liquid';

/**
 * Most leakage (mm³/s for each mm of nominal size) that a class allows over one seat, by fluid; gas at standard conditions. Source: ISO 5208:2015,
 * Table 4 (from memory). Rate A is "no leak that can be seen" for as long as the test lasts and has no figure.
 */
const RATES = {
  AA: { gas: 0.18, liquid: 0.006 },
  B: { gas: 0.3, liquid: 0.01 },
  C: { gas: 3, liquid: 0.03 },
  CC: { gas: 22.3, liquid: 0.08 },
  D: { gas: 30, liquid: 0.1 },
  E: { gas: 300, liquid: 0.3 },
  EE: { gas: 470, liquid: 0.39 },
  F: { gas: 3000, liquid: 1 },
  G: { gas: 6000, liquid: 2 },
} as const;
export type LeakClass = keyof typeof RATES;
export const LEAK_CLASSES = Object.keys(RATES) as [LeakClass, ...LeakClass[]];

/** Most leakage (m³/s; a gas at 20 °C and one atmosphere) of a class for a nominal size (m). */
export const computeClassLeak = (of: LeakClass, fluid: LeakFluid, nominal: number): number =>
  RATES[of][fluid] * nominal * 1000 * 1e-9;

const STANDARD_KELVIN = 293.15;
const NORMAL_KELVIN = 273.15;

/** A leak of gas (Pa m³/s at `kelvin`) from its volume flow at 20 °C and one atmosphere (m³/s), and back. Source: ideal gas law. */
export const toLeakRate = (standardFlow: number, kelvin: number): number =>
  (standardFlow * STANDARD_ATMOSPHERE * kelvin) / STANDARD_KELVIN;
export const toStandardFlow = (leak: number, kelvin: number): number =>
  (leak * STANDARD_KELVIN) / (STANDARD_ATMOSPHERE * kelvin);

/** The same leak as a volume flow at 0 °C and one atmosphere (m³/s). Source: ideal gas law. */
export const toNormalFlow = (leak: number, kelvin: number): number =>
  (leak * NORMAL_KELVIN) / (STANDARD_ATMOSPHERE * kelvin);

/** Mass flow (kg/s) of a leak (Pa m³/s at `kelvin`): Q M / (R T). */
export const toMassFlow = (leak: number, kelvin: number, molarMass: number): number =>
  (leak * molarMass) / (GAS_CONSTANT * kelvin);

/** Rise (Pa) in a shut volume (m³) that a leak (Pa m³/s) makes in `seconds`: Q t / V. */
export const computeAllowedRise = (leak: number, volume: number, seconds: number): number =>
  (leak * seconds) / volume;

/**
 * The shortest test (s) that can show a leak to be no larger than `leak`: the time in which it would move the gauge by `steps` of its least step.
 * Source: V r n / Q, the bound of a test in which nothing is seen.
 */
export const computeShortestTest = (
  leak: number,
  volume: number,
  resolution: number,
  steps: number,
): number => (volume * resolution * steps) / leak;
