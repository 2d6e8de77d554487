import type { Area, PlantGraph } from '../plant';

type Point = readonly [x: number, y: number];

/** Where something is done: points known in metres, and the outlines of areas where no point is known. */
export interface Place {
  readonly points: readonly Point[];
  readonly outlines: readonly (readonly Point[])[];
  readonly areas: readonly string[];
}

/** The place of sections: the point of each, or the outline of its area where the drawing gives no point. */
export function findPlace(graph: PlantGraph, sections: readonly string[]): Place {
  const found = sections.flatMap((id) => graph.sections[graph.sectionAt.get(id) ?? -1] ?? []);
  const areaOf = new Map(graph.plant.areas.map((area): [string, Area] => [area.id, area]));
  return {
    points: found.flatMap(({ at }): Point[] => (at ? [[at[0], at[1]]] : [])),
    outlines: found.flatMap(({ at, area }) => {
      const outline = areaOf.get(area)?.outline ?? [];
      return at || outline.length === 0 ? [] : [outline];
    }),
    areas: [...new Set(found.map(({ area }) => area))].sort(),
  };
}

const between = ([ax, ay]: Point, [bx, by]: Point): number => Math.hypot(ax - bx, ay - by);

/** Distance of a point from the stretch between two others (m). */
function toStretch(point: Point, a: Point, b: Point): number {
  const length = between(a, b);
  if (length === 0) return between(point, a);
  const share =
    ((point[0] - a[0]) * (b[0] - a[0]) + (point[1] - a[1]) * (b[1] - a[1])) / length ** 2;
  const t = Math.max(0, Math.min(1, share));
  return between(point, [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])]);
}

const sides = (outline: readonly Point[]): (readonly [Point, Point])[] =>
  outline.map((point, n) => [point, outline[(n + 1) % outline.length] ?? point]);

/** Whether a point lies inside an outline, by the number of sides that a ray crosses. */
function isInside([x, y]: Point, outline: readonly Point[]): boolean {
  return sides(outline).reduce((inside, [[ax, ay], [bx, by]]) => {
    const crosses = ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax;
    return crosses ? !inside : inside;
  }, false);
}

const toOutline = (point: Point, outline: readonly Point[]): number =>
  isInside(point, outline)
    ? 0
    : Math.min(...sides(outline).map(([a, b]) => toStretch(point, a, b)));

/** On which side of the line from `a` to `b` a point lies: above 0 left, below 0 right. */
const turn = (a: Point, b: Point, point: Point): number =>
  (b[0] - a[0]) * (point[1] - a[1]) - (b[1] - a[1]) * (point[0] - a[0]);

const isCrossed = ([a, b]: readonly [Point, Point], [c, d]: readonly [Point, Point]): boolean =>
  turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0;

/** Distance of two outlines (m); 0 where they lie over each other, also where no corner of one is inside the other. */
function betweenOutlines(a: readonly Point[], b: readonly Point[]): number {
  if (sides(a).some((side) => sides(b).some((other) => isCrossed(side, other)))) return 0;
  return Math.min(
    ...a.map((point) => toOutline(point, b)),
    ...b.map((point) => toOutline(point, a)),
  );
}

/**
 * The shortest distance of two places over the ground (m), heights left out: sparks and loads fall. Undefined when the drawing says
 * of neither or only of one where it is: then the areas decide.
 */
export function findDistance(a: Place, b: Place): number | undefined {
  const all = [
    ...a.points.flatMap((one) => b.points.map((other) => between(one, other))),
    ...a.points.flatMap((one) => b.outlines.map((outline) => toOutline(one, outline))),
    ...b.points.flatMap((one) => a.outlines.map((outline) => toOutline(one, outline))),
    ...a.outlines.flatMap((one) => b.outlines.map((other) => betweenOutlines(one, other))),
  ];
  return all.length === 0 ? undefined : Math.min(...all);
}

/**
 * Whether two places are within `metres` of each other. What the drawing leaves open is taken as near: where no distance can be
 * worked out, the same area is near, and a place without any area is near everything.
 */
export function isNear(a: Place, b: Place, metres: number): boolean {
  const distance = findDistance(a, b);
  if (distance !== undefined) return distance <= metres;
  if (a.areas.length === 0 || b.areas.length === 0) return true;
  return a.areas.some((area) => b.areas.includes(area));
}
