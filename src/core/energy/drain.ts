import { GRAVITY } from './motion';
import type { Opening } from './let-down';
import { integrateOverRoot } from './over-root';

/** Shapes of a vessel; sizes in metres. */
export type Tank =
  | { readonly shape: 'upright-cylinder'; readonly diameter: number }
  | { readonly shape: 'lying-cylinder'; readonly diameter: number; readonly length: number }
  | { readonly shape: 'sphere'; readonly diameter: number };

/** Area of the liquid's surface (m²) at a level (m) above the lowest point. */
export function computeSurface(tank: Tank, level: number): number {
  const d = tank.diameter;
  const chord = Math.max(0, level * (d - level));
  switch (tank.shape) {
    case 'upright-cylinder':
      return (Math.PI * d * d) / 4;
    case 'lying-cylinder':
      return 2 * tank.length * Math.sqrt(chord);
    case 'sphere':
      return Math.PI * chord;
  }
}

/**
 * Time (s) and level by time for a vented vessel to drain through an opening at its lowest point, from one level (m) to another.
 * `overHead` (m, at least 0) is the head of any pressure kept on top. Integrates A(h) dh / (Cd a sqrt(2 g h)) over the root of
 * the head. Source: Torricelli.
 */
export function computeDrain(
  tank: Tank,
  { area, coefficient }: Opening,
  from: number,
  to: number,
  overHead = 0,
): { readonly seconds: number; readonly curve: readonly (readonly [number, number])[] } {
  const per = coefficient * area * Math.sqrt(2 * GRAVITY);
  const rate = (root: number) => (2 * computeSurface(tank, root * root - overHead)) / per;
  return integrateOverRoot(
    Math.sqrt(from + overHead),
    Math.sqrt(to + overHead),
    rate,
    (root) => root * root - overHead,
  );
}

/**
 * Level (m) at which an unvented upright vessel stops draining: the gas above has thinned until its vacuum carries the liquid.
 * Pressures absolute (Pa). 0 when it drains to the end.
 */
export function computeHungLevel(
  height: number,
  level: number,
  density: number,
  gasPressure: number,
  ambient: number,
): number {
  const drives = (h: number) =>
    gasPressure * ((height - level) / (height - h)) + density * GRAVITY * h - ambient;
  if (drives(0) >= 0) return 0;
  if (drives(level) <= 0) return level;
  let [low, high] = [0, level];
  for (let turn = 0; turn < 60; turn++) {
    const middle = (low + high) / 2;
    if (drives(middle) > 0) high = middle;
    else low = middle;
  }
  return high;
}
