import type { GasBatch, GasDetector } from '../core/gas';

/** How the stand-in detector's air goes: clean; a leak that rises to a plateau; oxygen pushed out. */
export const AIR_SCENES = ['calm', 'leak', 'inert'] as const;
export type AirScene = (typeof AIR_SCENES)[number];

/** A repeatable number in [0, 1) for a place in a series: the stand-in wavers the same way each time. */
function waver(n: number): number {
  const x = Math.sin(n * 12.9898) * 43758.5453;
  return x - Math.floor(x);
}

/** How far a scene has come after so many seconds, from 0 to 1. */
const progress = (seconds: number): number => 1 - Math.exp(-seconds / 60);

/** What a sensor shows in a scene after so many seconds. */
function show(gas: string, most: number, scene: AirScene, seconds: number, n: number): number {
  const noise = (waver(n) - 0.5) * most * 0.002;
  if (gas === 'oxygen') {
    const drop = scene === 'inert' ? 6 * progress(seconds) : 0;
    return Number((20.9 - drop + noise).toFixed(2));
  }
  const rise = scene === 'leak' ? most * 0.3 * progress(seconds) : 0;
  return Number(Math.max(0, rise + noise).toFixed(2));
}

/**
 * Readings of a stand-in detector: every sensor each `every_s` for `seconds`, ending at `until` (ISO 8601, UTC). Numbers run on from
 * `from`, so that what is sent twice is known again.
 */
export function playDetector(
  device: string,
  { sensors }: GasDetector,
  {
    scene,
    until,
    seconds,
    every_s,
    from,
  }: { scene: AirScene; until: string; seconds: number; every_s: number; from: number },
): GasBatch {
  const rounds = Math.floor(seconds / every_s) + 1;
  const start = Date.parse(until) - (rounds - 1) * every_s * 1000;
  const readings = Array.from({ length: rounds }, (_, round) =>
    sensors.map(({ gas, unit, most }, n) => ({
      number: from + round * sensors.length + n,
      at: new Date(start + round * every_s * 1000).toISOString(),
      gas,
      shown: show(gas, most, scene, round * every_s, from + round * sensors.length + n),
      unit,
    })),
  ).flat();
  return { device, clock: until, readings };
}
