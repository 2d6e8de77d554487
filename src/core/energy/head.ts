import { GRAVITY } from './motion';

/** A line over the ground: heights in metres above one datum, density in kg/m³, gauge pressures in Pa. */
export interface Line {
  readonly start: number;
  readonly summit: number;
  readonly lowest: number;
  readonly bleed: number;
  readonly density: number;
  /** Gauge pressure at the start, from the pump or the level above it. */
  readonly drive: number;
}

/**
 * Gauge pressures (Pa) along a standing line: at its lowest point while driven, at its summit while driven, and at its lowest
 * point once it is shut and the bleed reads zero. Friction is left out: it only lowers the first.
 */
export function computeHeads({ start, summit, lowest, bleed, density, drive }: Line) {
  const weight = density * GRAVITY;
  return {
    lowest: drive + weight * (start - lowest),
    summit: drive - weight * (summit - start),
    leftAtLowest: Math.max(0, weight * (bleed - lowest)),
  };
}
