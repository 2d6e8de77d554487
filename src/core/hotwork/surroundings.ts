import type { Outlet, PlantGraph, Section, SurroundingKind } from '../plant';
import { compareIds, isFluid } from '../plant/graph';
import { hazardsOf } from '../plant/vocabulary';
import { findDistance, type Place } from '../schedule/place';

/** What can lie about a place of hot work: what the drawing lists, and bodies and
 * neighbouring areas that it implies, and what is connected to the work itself however far it is. */
export type NeighbourKind = SurroundingKind | 'body' | 'connected';

/** What can be done about a neighbour. */
export const CLEAR_WAYS = [
  'removed',
  'covered',
  'sealed',
  'closed',
  'watched',
  'purged',
  'blanked',
  'not-there',
] as const;
export type ClearWay = (typeof CLEAR_WAYS)[number];

/**
 * What clears each kind of neighbour. Combustibles and cylinders are not merely watched. Source: NFPA 51B and 29 CFR
 * 1910.252(a)(2)(vii)-(xiii), from memory: relocated or covered, openings and ducts shut, the other side of walls guarded.
 */
export const WAYS_OF: Readonly<Record<NeighbourKind, readonly ClearWay[]>> = {
  combustible: ['removed', 'covered', 'not-there'],
  cylinder: ['removed', 'not-there'],
  drain: ['sealed', 'covered', 'blanked', 'not-there'],
  vent: ['closed', 'sealed', 'blanked', 'not-there'],
  'sample-point': ['closed', 'sealed', 'not-there'],
  'open-end': ['sealed', 'closed', 'blanked', 'not-there'],
  opening: ['closed', 'sealed', 'covered', 'blanked', 'not-there'],
  'other-side': ['watched', 'not-there'],
  'floor-below': ['covered', 'watched', 'not-there'],
  body: ['covered', 'watched'],
  // Vessels that held flammables, and everything connected to them (29 CFR 1910.252(a)(3)(i), from memory).
  connected: ['purged', 'not-there'],
};

/** Something within the radius of hot work, with its distance over the ground (m), the direction (degrees from north) and how far above (m). */
export interface Neighbour {
  readonly id: string;
  readonly name: string;
  readonly kind: NeighbourKind;
  readonly at?: readonly [x: number, y: number];
  /** Undefined where the drawing does not say how far: then it counts as within. */
  readonly distance_m: number | undefined;
  readonly bearing_deg?: number;
  readonly above_m?: number;
  /** The body that opens into the air here: it stands open. Outlets with a valve are shut and ticked instead. */
  readonly section?: string;
}

type At = readonly [number, number, number];

interface Spot {
  readonly id: string;
  readonly name: string;
  readonly kind: NeighbourKind;
  readonly area: string;
  readonly at?: At | undefined;
  readonly section?: string | undefined;
}

const placeOf = ({ at, area }: Spot): Place => ({
  points: at ? [[at[0], at[1]]] : [],
  outlines: [],
  areas: [area],
});

const OUTLET_KIND: Readonly<Record<Exclude<Outlet['kind'], 'earth'>, NeighbourKind>> = {
  vent: 'vent',
  bleed: 'sample-point',
  drain: 'drain',
};

const isFlammable = (graph: PlantGraph, section: number): boolean =>
  hazardsOf(graph.medium[section] ?? { hazards: [] }).includes('flammable');

const spotOf = ({ id, name, area, at }: Section, kind: NeighbourKind): Spot => ({
  id,
  name,
  kind,
  area,
  at,
});

/** Everything in the data that may be a neighbour, wherever it is: what is listed, outlets of fluids, and bodies that can burn. */
function listSpots(graph: PlantGraph, zone: ReadonlySet<string>): Spot[] {
  const outlets = graph.outlets.flatMap((outlet, number): Spot[] => {
    const section = graph.sections[graph.outletSection[number] as number];
    const medium = graph.medium[graph.outletSection[number] as number];
    if (!section || !medium || outlet.kind === 'earth' || !isFluid(medium.energy)) return [];
    const name = `${outlet.kind} of ${section.name}`;
    return [{ ...spotOf(section, OUTLET_KIND[outlet.kind]), id: outlet.id, name }];
  });
  const bodies = graph.sections.flatMap((section, number) =>
    isFlammable(graph, number) && !zone.has(section.id) ? [spotOf(section, 'body')] : [],
  );
  return [...(graph.plant.surroundings ?? []), ...outlets, ...bodies];
}

/** The middle of the work, where a single point is needed. */
export function findCentre({ points, outlines }: Place): readonly [number, number] | undefined {
  const all = points.length > 0 ? points : outlines.flat();
  if (all.length === 0) return undefined;
  const mean = (of: 0 | 1) => all.reduce((sum, point) => sum + point[of], 0) / all.length;
  return [mean(0), mean(1)];
}

/** Direction from one point to another (degrees from north, clockwise; y of the drawing points north). */
export const computeBearing = (
  [ax, ay]: readonly [number, number],
  [bx, by]: readonly [number, number],
): number => ((Math.atan2(bx - ax, by - ay) * 180) / Math.PI + 360) % 360;

/** How far and in which direction a section lies from a place, as far as the drawing says. */
export function locate(
  graph: PlantGraph,
  place: Place,
  section: string,
): Pick<Neighbour, 'at' | 'distance_m' | 'bearing_deg'> {
  const at = graph.sections[graph.sectionAt.get(section) ?? -1]?.at;
  const centre = findCentre(place);
  if (!at) return { distance_m: undefined };
  const here = [at[0], at[1]] as const;
  return {
    at: here,
    distance_m: findDistance(place, { points: [here], outlines: [], areas: [] }),
    ...(centre ? { bearing_deg: computeBearing(centre, here) } : {}),
  };
}

/** Places whose outlines lie within the radius, beside the areas of the work: the other side of its walls. */
function listOtherSides(graph: PlantGraph, place: Place, radius_m: number): Neighbour[] {
  return graph.plant.areas.flatMap(({ id, name, outline }): Neighbour[] => {
    if (place.areas.includes(id) || outline.length === 0) return [];
    const distance_m = findDistance(place, { points: [], outlines: [outline], areas: [id] });
    return distance_m === undefined || distance_m > radius_m
      ? []
      : [{ id, name, kind: 'other-side', distance_m }];
  });
}

/**
 * Everything in the data within the radius (m) of the work over the ground, nearest first, then by id. The rule is horizontal: what is
 * above or below counts with the rest. What the drawing gives no place counts when it is in an area of the work.
 */
export function listNeighbours(
  graph: PlantGraph,
  { place, zone, height_m }: { place: Place; zone: readonly string[]; height_m?: number },
  radius_m: number,
): Neighbour[] {
  const centre = findCentre(place);
  const spots = listSpots(graph, new Set(zone)).flatMap((spot): Neighbour[] => {
    const own = placeOf(spot);
    const distance_m = findDistance(place, own);
    const isIn =
      distance_m === undefined
        ? place.areas.length === 0 || place.areas.includes(spot.area)
        : distance_m <= radius_m;
    if (!isIn) return [];
    const { id, name, kind, at, section } = spot;
    return [
      {
        id,
        name,
        kind,
        distance_m,
        ...(at ? { at: [at[0], at[1]] } : {}),
        ...(at && centre ? { bearing_deg: computeBearing(centre, [at[0], at[1]]) } : {}),
        ...(at && height_m !== undefined ? { above_m: at[2] - height_m } : {}),
        ...(section === undefined ? {} : { section }),
      },
    ];
  });
  return [...spots, ...listOtherSides(graph, place, radius_m)].sort(
    (a, b) => (a.distance_m ?? 0) - (b.distance_m ?? 0) || compareIds(a.id, b.id),
  );
}

/** The sector into which the wind carries what is let out: this much to either side of straight downwind (degrees; practice). */
export const SECTOR_DEG = 30;

/** Whether a direction lies downwind of the work, with the wind blowing from `from_deg`. */
export function isDownwind(bearing_deg: number, from_deg: number): boolean {
  const off = Math.abs(((bearing_deg - (from_deg + 180) + 540) % 360) - 180);
  return off <= SECTOR_DEG;
}
