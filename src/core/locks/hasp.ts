/** Holes of a hasp, and what a further hasp adds when it is chained on: it takes one hole itself. Source: practice. */
export const HASP_HOLES = 6;
export const CHAINED_HOLES = 5;

/** Locks that can hang on `hasps` hasps chained together (whole, 0 or more); without a hasp a point takes one lock. */
export function countHoles(hasps: number): number {
  return hasps === 0 ? 1 : HASP_HOLES + CHAINED_HOLES * (hasps - 1);
}
