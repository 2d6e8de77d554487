import { computeWaterCompressibility, computeWaterDensity } from './water';

/**
 * Pressure rise (bar) of water shut in a rigid, full body and warmed from `fromC` to `toC` (°C, 0 to 100).
 * Integrates thermal expansion over compressibility in steps of at most 1 K, because the expansion changes sign at 4 °C and
 * doubles within tens of degrees. A rigid wall gives the highest figure; negative means that the body pulls a vacuum.
 * Undefined outside the range of the water formulas. Source of the method: practice; water after Kell (1975).
 */
export function computeBlockedInRise(fromC: number, toC: number): number | undefined {
  if (!(fromC >= 0 && fromC <= 100 && toC >= 0 && toC <= 100)) return undefined;
  const steps = Math.max(1, Math.ceil(Math.abs(toC - fromC)));
  const width = (toC - fromC) / steps;
  let rise = 0;
  for (let step = 0; step < steps; step++) {
    const low = fromC + step * width;
    const expansion = Math.log(computeWaterDensity(low) / computeWaterDensity(low + width));
    rise += expansion / computeWaterCompressibility(low + width / 2);
  }
  return rise;
}
