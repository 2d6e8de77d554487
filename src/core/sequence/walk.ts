export type Place = readonly [number, number, number];

/** Metres of walking between two places: along the ground, with each metre of height counted three times. Source: practice. */
export function computeWalkMetres(a: Place, b: Place): number {
  return Math.hypot(a[0] - b[0], a[1] - b[1]) + 3 * Math.abs(a[2] - b[2]);
}

/** Walking pace in plant (m/min), with gear. Source: practice. */
export const WALKING_PACE = 50;

/**
 * Orders stops to shorten the walk, beginning from `from`: always to the nearest that is left, ties by the order given. Stops whose
 * place is not known keep their order at the end.
 */
export function orderWalk<Stop>(
  stops: readonly Stop[],
  placeOf: (stop: Stop) => Place | undefined,
  from: Place | undefined,
): Stop[] {
  const unplaced = stops.filter((stop) => placeOf(stop) === undefined);
  const left = stops.filter((stop) => placeOf(stop) !== undefined);
  const ordered: Stop[] = [];
  let here = from;
  while (left.length > 0) {
    const distance = (stop: Stop) =>
      here === undefined ? 0 : computeWalkMetres(here, placeOf(stop) as Place);
    const nearest = left.reduce((best, stop) => (distance(stop) < distance(best) ? stop : best));
    ordered.push(nearest);
    left.splice(left.indexOf(nearest), 1);
    here = placeOf(nearest);
  }
  return [...ordered, ...unplaced];
}
