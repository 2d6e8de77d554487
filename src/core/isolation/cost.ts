import {
  NEVER_SUPPLY_KINDS,
  otherEnd,
  STAGED_KINDS,
  SUPPLY_CONVERTING_KINDS,
  type IsolationPlan,
  type Link,
  type Outlet,
  type PlantGraph,
} from '../plant';

/** What a plan costs: minutes of work, what an hour of lost supply costs, and how many things are touched. */
export interface PlanCost {
  readonly effort: number;
  readonly outage: number;
  readonly points: number;
}

/** Minutes to restrain one store. Source: practice. */
export const RESTRAIN_MINUTES = 5;

/**
 * Minutes to close, lock and tag one link: its own figure, else 60 for what has to be unbolted or disconnected and 10
 * for the rest; half of that when it stands closed in normal running and only has to be locked. Source: practice.
 */
export function closingMinutes(link: Link): number {
  const minutes = link.minutes ?? (STAGED_KINDS.has(link.kind) ? 60 : 10);
  return link.normal === 'closed' ? minutes / 2 : minutes;
}

/** Minutes to lock one link open: as for closing it, half when it stands open already. Source: practice. */
export function standingMinutes(link: Link): number {
  const minutes = link.minutes ?? (STAGED_KINDS.has(link.kind) ? 60 : 10);
  return link.normal === 'closed' ? minutes : minutes / 2;
}

/** Minutes to open one outlet, or to apply an earth: its own figure, else 5. Source: practice. */
export const openingMinutes = (outlet: Outlet): number => outlet.minutes ?? 5;

interface LineUp {
  /** 1 for each link over which supply passes in normal line-up. */
  readonly supply: Uint8Array;
  /** 1 for each section that a source feeds in it. */
  readonly fed: Uint8Array;
}

/** What no plan changes, worked out once a graph: the check runs with every change that someone makes. */
const lineUps = new WeakMap<PlantGraph, LineUp>();

function findLineUp(graph: PlantGraph): LineUp {
  const known = lineUps.get(graph);
  if (known) return known;
  const supply = listSupplyLinks(graph);
  const lineUp = { supply, fed: computeFed(graph, (link) => supply[link] === 1) };
  lineUps.set(graph, lineUp);
  return lineUp;
}

/** 1 for each link over which supply passes in normal line-up: not normally closed, within a medium or converting it. */
export function listSupplyLinks(graph: PlantGraph): Uint8Array {
  return Uint8Array.from(graph.links, (link, number) => {
    if (link.normal === 'closed' || NEVER_SUPPLY_KINDS.has(link.kind)) return 0;
    const a = graph.medium[graph.ends[2 * number] as number]?.id;
    const b = graph.medium[graph.ends[2 * number + 1] as number]?.id;
    return a === b || SUPPLY_CONVERTING_KINDS.has(link.kind) ? 1 : 0;
  });
}

/** Whether supply goes on over a link from one of its ends: a motor feeds its shaft, and is not fed by it. */
export function suppliesFrom(graph: PlantGraph, link: number, section: number): boolean {
  const crossing = graph.crossing[link];
  if (crossing?.kind !== 'drive') return true;
  return graph.ends[2 * link + crossing.from] === section;
}

/** 1 for each section that a source feeds over the given links. */
export function computeFed(graph: PlantGraph, supplies: (link: number) => boolean): Uint8Array {
  const fed = graph.isSource.slice();
  const queue = [...fed.keys()].filter((section) => fed[section]);
  for (let section = queue.pop(); section !== undefined; section = queue.pop()) {
    const end = graph.start[section + 1] as number;
    for (let at = graph.start[section] as number; at < end; at++) {
      const link = graph.incident[at] as number;
      const next = otherEnd(graph, link, section);
      if (fed[next] || !supplies(link) || !suppliesFrom(graph, link, section)) continue;
      fed[next] = 1;
      queue.push(next);
    }
  }
  return fed;
}

/** Numbers of the sections that a source feeds in normal line-up and none feeds once `close` is closed as well. */
export function listLostSections(graph: PlantGraph, close: readonly string[]): number[] {
  const { supply, fed: before } = findLineUp(graph);
  const closed = new Set(close.flatMap((id) => graph.linkAt.get(id) ?? []));
  if (![...closed].some((link) => supply[link] === 1)) return [];
  const after = computeFed(graph, (link) => supply[link] === 1 && !closed.has(link));
  const lost: number[] = [];
  before.forEach((isFed, section) => {
    if (isFed && !after[section]) lost.push(section);
  });
  return lost;
}

/** Computes what a plan costs; ids that the plant does not have cost nothing. */
export function computeCost(graph: PlantGraph, plan: IsolationPlan): PlanCost {
  const links = [...new Set(plan.close)].flatMap(
    (id) => graph.links[graph.linkAt.get(id) ?? -1] ?? [],
  );
  const stands = [...new Set(plan.stand ?? [])].flatMap(
    (id) => graph.links[graph.linkAt.get(id) ?? -1] ?? [],
  );
  const outlets = [...new Set(plan.open)].flatMap(
    (id) => graph.outlets[graph.outletAt.get(id) ?? -1] ?? [],
  );
  const restraints = [...new Set(plan.restrain)].filter((id) => graph.storeAt.has(id)).length;
  const closing = links.reduce((sum, link) => sum + closingMinutes(link), 0);
  const standing = stands.reduce((sum, link) => sum + standingMinutes(link), 0);
  const opening = outlets.reduce((sum, outlet) => sum + openingMinutes(outlet), 0);
  const outage = listLostSections(graph, plan.close).reduce(
    (sum, section) => sum + (graph.sections[section]?.serves ?? 0),
    0,
  );
  return {
    effort: closing + standing + opening + restraints * RESTRAIN_MINUTES,
    outage,
    points: links.length + stands.length + outlets.length + restraints,
  };
}
