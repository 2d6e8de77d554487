import { absolutePascalOrThrow, STANDARD_ATMOSPHERE } from '../units';
import { computeBoilingPressure, computeLiquid } from './steam';
import { computeWaterCompressibility, computeWaterDensity } from './water';

/** Above this (Pa absolute) the formula of liquid water does not hold: IAPWS-IF97, region 1. */
const MOST_PASCAL = 100e6;

/** Rise (Pa) of water at 1 atm by its expansion over its compressibility, in steps of at most 1 K; negative when it draws together. */
function integrateAtAtmosphere(fromC: number, toC: number): number {
  const steps = Math.max(1, Math.ceil(Math.abs(toC - fromC)));
  const width = (toC - fromC) / steps;
  let rise = 0;
  for (let step = 0; step < steps; step++) {
    const low = fromC + step * width;
    const expansion = Math.log(computeWaterDensity(low) / computeWaterDensity(low + width));
    rise += expansion / computeWaterCompressibility(low + width / 2);
  }
  return rise * 1e5;
}

/** The pressure (Pa absolute) at which water of a temperature has a specific volume (m³/kg); undefined above the formula. */
function findPressureAt(kelvin: number, volume: number): number | undefined {
  const boiling = computeBoilingPressure(kelvin) ?? 1000;
  const volumeAt = (pascal: number) => computeLiquid(absolutePascalOrThrow(pascal), kelvin).volume;
  if (volumeAt(boiling) < volume) return 0;
  let [low, high] = [boiling, MOST_PASCAL];
  if (volumeAt(high) > volume) return undefined;
  for (let turn = 0; turn < 80; turn++) {
    const middle = (low + high) / 2;
    if (volumeAt(middle) > volume) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * Pressure rise (Pa) of water shut in a rigid, full body at `start` (Pa gauge) and warmed from `fromC` to `toC` (°C, 0 to 100): the same
 * mass in the same volume, with the properties of water at the pressure that it reaches. A rigid wall gives the highest figure; negative
 * means that it draws together, by the formula at 1 atm. Undefined outside the range of the formulas. Source: IAPWS-IF97 (R7-97),
 * region 1; Kell (1975) where it draws together.
 */
export function computeBlockedInRise(fromC: number, toC: number, start = 0): number | undefined {
  if (!(fromC >= 0 && fromC <= 100 && toC >= 0 && toC <= 100)) return undefined;
  const kelvin = (celsius: number) => Math.max(273.16, celsius + 273.15);
  const boiling = computeBoilingPressure(kelvin(fromC)) ?? 0;
  const own = Math.max(start + STANDARD_ATMOSPHERE, boiling);
  if (own > MOST_PASCAL) return undefined;
  const { volume } = computeLiquid(absolutePascalOrThrow(own), kelvin(fromC));
  const reached = findPressureAt(kelvin(toC), volume);
  if (reached === undefined) return undefined;
  return reached === 0 ? integrateAtAtmosphere(fromC, toC) : reached - own;
}
