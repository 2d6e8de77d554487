import {
  BY_ACTUATOR,
  canMove,
  carrierOf,
  findCrossing,
  hasMovingPart,
  type Carrier,
  type Crossing,
} from './carriers';
import { STRENGTH_BY_KIND, type LinkKind, type Strength } from './kinds';
import { isSurelyOpen } from './surely-open';
import type { Energy, Link, Medium, Outlet, Plant, Section, Store } from './schema';
import { presentOrThrow } from '../result';

/** A store together with the section (by number) that holds it. */
export interface PlacedStore {
  readonly store: Store;
  readonly section: number;
}

/**
 * The plant as one undirected graph. Sections and links are numbered in the order of their ids, so that
 * whatever is computed does not depend on the order in the file.
 */
export interface PlantGraph {
  readonly plant: Plant;
  readonly sections: readonly Section[];
  readonly links: readonly Link[];
  readonly outlets: readonly Outlet[];
  readonly stores: readonly PlacedStore[];
  /** Section number by id. */
  readonly sectionAt: ReadonlyMap<string, number>;
  /** Link number by id. */
  readonly linkAt: ReadonlyMap<string, number>;
  readonly outletAt: ReadonlyMap<string, number>;
  readonly storeAt: ReadonlyMap<string, number>;
  /** Both ends of link n are at 2n and 2n + 1. */
  readonly ends: Int32Array;
  /** What each link counts for when closed and locked. */
  readonly strength: Uint8Array;
  /** Links at section n are `incident[start[n]]` up to `incident[start[n + 1] - 1]`. */
  readonly start: Int32Array;
  readonly incident: Int32Array;
  readonly medium: readonly Medium[];
  readonly carrier: readonly Carrier[];
  /** How energy gets from one end of each link to the other. */
  readonly crossing: readonly Crossing[];
  /** 1 for a link whose kind can never isolate, whatever is known of the one at hand. */
  readonly neverIsolates: Uint8Array;
  /** 1 for a link that surely passes what is let down or read, as long as nobody closes it. */
  readonly surelyOpen: Uint8Array;
  readonly isSource: Uint8Array;
  /** 1 for a link that stands closed in normal running. */
  readonly isNormallyClosed: Uint8Array;
  /** Section of each outlet. */
  readonly outletSection: Int32Array;
  /** The device that an actuator moves, by the id of the actuator's link. */
  readonly actuates: ReadonlyMap<string, string>;
  /** Links of each kind that the plant has, by number. */
  readonly linksByKind: ReadonlyMap<LinkKind, readonly number[]>;
}

/** Strength of one link by the site's table: 0 when it cannot be locked, is held by nothing physical, or is known to pass or to be stuck. */
export function computeStrength(
  link: Link,
  byKind: Readonly<Record<LinkKind, Strength>> = STRENGTH_BY_KIND,
): Strength {
  const isUnfit = link.passing === true || link.seized === true;
  if (link.lockable === false || link.operated === 'remote' || isUnfit) return 0;
  return byKind[link.kind];
}

/** Orders ids by their code units: the same on every machine, whatever its language. */
export function compareIds(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}

const inIdOrder = <Row extends { readonly id: string }>(rows: readonly Row[]): Row[] =>
  [...rows].sort((a, b) => compareIds(a.id, b.id));

const numbered = (rows: readonly { readonly id: string }[]): Map<string, number> =>
  new Map(rows.map((row, index) => [row.id, index]));

/** The links at each section, from both ends of each link. */
export function listIncidence(sectionCount: number, ends: Int32Array) {
  const start = new Int32Array(sectionCount + 1);
  for (const end of ends) start[end + 1] = (start[end + 1] ?? 0) + 1;
  for (let n = 0; n < sectionCount; n++) start[n + 1] = (start[n + 1] ?? 0) + (start[n] ?? 0);
  const next = start.slice();
  const incident = new Int32Array(ends.length);
  ends.forEach((end, index) => {
    const slot = next[end] ?? 0;
    incident[slot] = index >> 1;
    next[end] = slot + 1;
  });
  return { start, incident };
}

function groupByKind(links: readonly Link[]): Map<LinkKind, number[]> {
  const groups = new Map<LinkKind, number[]>();
  links.forEach(({ kind }, number) => {
    const group = groups.get(kind);
    if (group) group.push(number);
    else groups.set(kind, [number]);
  });
  return groups;
}

/**
 * The actuators of a plant as links from what moves a device to each side of it: whoever has a hand or a head in there is hurt by its plug,
 * blade or jaws. A device that the line itself moves brings nothing more.
 */
function listActuators(
  { links }: Plant,
  carrierAt: (section: string) => Carrier,
): { readonly link: Link; readonly device: string }[] {
  return links.flatMap(({ id, between, powered_by: mover }) => {
    if (mover === undefined || between.includes(mover) || !canMove(carrierAt(mover))) return [];
    return between
      .filter((end) => hasMovingPart(carrierAt(end)))
      .map((end) => {
        const link = { id: `${id} actuator at ${end}`, kind: 'actuator' as const };
        return { link: { ...link, between: [mover, end] }, device: id };
      });
  });
}

/** Builds the graph of a parsed plant. */
export function buildGraph(
  plant: Plant,
  byKind: Readonly<Record<LinkKind, Strength>> = STRENGTH_BY_KIND,
): PlantGraph {
  const sections = inIdOrder(plant.sections);
  const outlets = inIdOrder(plant.outlets);
  const sectionAt = numbered(sections);
  const media = new Map(plant.media.map((medium) => [medium.id, medium]));
  const medium = sections.map((section) =>
    presentOrThrow(media.get(section.medium), section.medium),
  );
  const carrier = medium.map(carrierOf);
  const carrierAt = (section: string) =>
    presentOrThrow(carrier[sectionAt.get(section) ?? -1], section);
  const actuators = listActuators(plant, carrierAt);
  const links = inIdOrder([...plant.links, ...actuators.map(({ link }) => link)]);
  const ends = new Int32Array(links.length * 2);
  links.forEach((link, index) => {
    ends[2 * index] = presentOrThrow(sectionAt.get(link.between[0]), link.between[0]);
    ends[2 * index + 1] = presentOrThrow(sectionAt.get(link.between[1]), link.between[1]);
  });
  const stores = sections
    .flatMap((section, index) => (section.stores ?? []).map((store) => ({ store, section: index })))
    .sort((a, b) => compareIds(a.store.id, b.store.id));
  return {
    plant,
    sections,
    links,
    outlets,
    stores,
    sectionAt,
    linkAt: numbered(links),
    outletAt: numbered(outlets),
    storeAt: numbered(stores.map(({ store }) => store)),
    ends,
    strength: Uint8Array.from(links, (link) => computeStrength(link, byKind)),
    ...listIncidence(sections.length, ends),
    medium,
    carrier,
    crossing: links.map(({ id, kind }, index) => {
      if (kind === 'actuator') return BY_ACTUATOR;
      const [a, b] = [ends[2 * index] as number, ends[2 * index + 1] as number];
      return presentOrThrow(findCrossing(kind, carrier[a] as Carrier, carrier[b] as Carrier), id);
    }),
    neverIsolates: Uint8Array.from(links, ({ kind }) => (byKind[kind] === 0 ? 1 : 0)),
    surelyOpen: Uint8Array.from(links, (link) => (isSurelyOpen(link) ? 1 : 0)),
    isSource: Uint8Array.from(sections, (section) => (section.source ? 1 : 0)),
    isNormallyClosed: Uint8Array.from(links, (link) => (link.normal === 'closed' ? 1 : 0)),
    outletSection: Int32Array.from(outlets, ({ section }) =>
      presentOrThrow(sectionAt.get(section), section),
    ),
    actuates: new Map(actuators.map(({ link, device }) => [link.id, device])),
    linksByKind: groupByKind(links),
  };
}

/** The number of an outlet that does something when it is opened; undefined for one that the plant does not have or that is known to be blocked. */
export function findUsableOutlet(graph: PlantGraph, id: string): number | undefined {
  const number = graph.outletAt.get(id);
  return number === undefined || graph.outlets[number]?.plugged === true ? undefined : number;
}

/** Whether an earth can be applied there, as far as is known. */
export const isFitEarth = ({ kind, plugged }: Outlet): boolean =>
  kind === 'earth' && plugged !== true;

/** The section at the other end of a link. */
export function otherEnd(graph: PlantGraph, link: number, section: number): number {
  const first = graph.ends[2 * link] as number;
  return first === section ? (graph.ends[2 * link + 1] as number) : first;
}

/** The links at a section, by number. */
export function linksOf(graph: PlantGraph, section: number): Int32Array {
  return graph.incident.subarray(graph.start[section], graph.start[section + 1]);
}

export function isFluid(energy: Energy): boolean {
  return energy === 'process' || energy === 'pressure';
}

/**
 * Numbers the connected parts that remain when `passes` says over which links energy passes.
 * Answers the part of each section; parts are numbered in the order of their first section.
 */
export function labelParts(graph: PlantGraph, passes: (link: number) => boolean): Int32Array {
  const part = new Int32Array(graph.sections.length).fill(-1);
  let count = 0;
  const queue: number[] = [];
  for (let seed = 0; seed < part.length; seed++) {
    if (part[seed] !== -1) continue;
    part[seed] = count;
    queue.push(seed);
    for (let section = queue.pop(); section !== undefined; section = queue.pop()) {
      const end = graph.start[section + 1] as number;
      for (let at = graph.start[section] as number; at < end; at++) {
        const link = graph.incident[at] as number;
        const next = otherEnd(graph, link, section);
        if (part[next] !== -1 || !passes(link)) continue;
        part[next] = count;
        queue.push(next);
      }
    }
    count++;
  }
  return part;
}

/** The section that a tag stands for: its own, that of an outlet, or one end of a link; undefined when the plant has no such tag. */
export function findSectionOf(graph: PlantGraph, tag: string): string | undefined {
  if (graph.sectionAt.has(tag)) return tag;
  const outlet = graph.outlets.find(({ id }) => id === tag);
  if (outlet) return outlet.section;
  const link = graph.links[graph.linkAt.get(tag) ?? -1];
  const machine = graph.plant.equipment.find(({ id }) => id === tag);
  return link?.between[1] ?? machine?.sections[0];
}

/** Whether a section, by its id, carries current; what the drawing does not have carries none. */
export const isElectrical = (graph: PlantGraph, section: string): boolean =>
  graph.medium[graph.sectionAt.get(section) ?? -1]?.energy === 'electrical';
