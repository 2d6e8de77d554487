import { absolutePascalOrThrow, STANDARD_ATMOSPHERE } from '../units';
import { computeBoilingPressure, computeLiquid } from './steam';
import { computeWaterCompressibility, computeWaterDensity } from './water';

/** Above this (Pa absolute) the formula of liquid water does not hold: IAPWS-IF97, region 1. */
const MOST_PASCAL = 100e6;
/** How near the pressure is searched, and in how many steps at most. */
const NEAR_PASCAL = 0.01;
const MOST_TURNS = 60;

/** What was worked out before: a plant has few temperatures, and each check of a plan asks for all of them. */
const known = new Map<string, number | undefined>();
const MOST_KNOWN = 2000;

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
  // By false position: the volume falls almost in a line, so that a few steps are enough.
  let [low, high] = [boiling, MOST_PASCAL];
  let [above, below] = [volumeAt(low) - volume, volumeAt(high) - volume];
  if (below > 0) return undefined;
  for (let turn = 0; turn < MOST_TURNS && high - low > NEAR_PASCAL; turn++) {
    const guess = low + ((high - low) * above) / (above - below);
    const off = volumeAt(guess) - volume;
    if (Math.abs(off) < volume * 1e-13) return guess;
    if (off > 0) {
      [low, above] = [guess, off];
      below /= 2;
    } else {
      [high, below] = [guess, off];
      above /= 2;
    }
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
  const key = `${fromC} ${toC} ${start}`;
  if (known.has(key)) return known.get(key);
  const rise = workOutRise(fromC, toC, start);
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(key, rise);
  return rise;
}

function workOutRise(fromC: number, toC: number, start: number): number | undefined {
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
