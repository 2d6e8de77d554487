import { computePlantState, listInside } from '../isolation';
import {
  STRENGTH_BY_KIND,
  wordsOfKind,
  type Outlet,
  type PlantGraph,
  type PositionWords,
} from '../plant';
import type { End } from './lineup-ends';
import { findHolder } from './shared';
import type { OpenJob, WorkOrder } from './site';

/** A valve, blind or outlet that is compared with the line-up before the plant goes back. */
export interface LinePoint {
  readonly point: string;
  /** How it stands in normal running; or as another job needs it. */
  readonly normal: 'open' | 'closed';
  /** What its two positions are called where it stands. */
  readonly words: Pick<PositionWords, 'open' | 'closed'>;
  /** Whether its free end has to be plugged or blanked. */
  readonly hasEnd: boolean;
  /** The other job that needs it as it stands. */
  readonly heldBy?: string;
}

/** An outlet that ends in the open: one into a closed system, and an earth, have no free end. */
const hasFreeEnd = ({ kind, leads_to }: Outlet): boolean =>
  kind !== 'earth' && leads_to !== 'closed-system';

/** The sections that the plan cut off: those with the work, and those let down between barriers. */
function listCutOff(graph: PlantGraph, { plan, requirement }: WorkOrder): Set<number> {
  const state = computePlantState(graph, plan);
  const inside = listInside(graph, state, requirement.trace);
  const isIn = (section: number) =>
    inside.has(section) || state.bled[state.part[section] as number] === 1;
  return new Set([...graph.sections.keys()].filter(isIn));
}

/**
 * The line-up to walk after a job, in the order of ids: every point of the plan, and every valve, blind, vent, drain and bleed of
 * the plant that it cut off, whatever the plan did with it: someone may have used it.
 */
export function listLineup(
  graph: PlantGraph,
  order: WorkOrder,
  others: readonly OpenJob[] = [],
): LinePoint[] {
  const { close, open, stand = [] } = order.plan;
  const cutOff = listCutOff(graph, order);
  const links = graph.links.filter(
    ({ id, kind }, number) =>
      close.includes(id) ||
      stand.includes(id) ||
      (STRENGTH_BY_KIND[kind] > 0 &&
        (cutOff.has(graph.ends[2 * number] ?? -1) || cutOff.has(graph.ends[2 * number + 1] ?? -1))),
  );
  const outlets = graph.outlets.filter(
    ({ id }, number) => open.includes(id) || cutOff.has(graph.outletSection[number] ?? -1),
  );
  const held = (point: string, as: 'open' | 'closed', normal: 'open' | 'closed') => {
    const heldBy = findHolder(point, others);
    return heldBy === undefined ? { normal } : { normal: as, heldBy };
  };
  return [
    ...links.map(({ id, kind, normal = 'open' }) => ({
      point: id,
      words: wordsOfKind(kind),
      hasEnd: false,
      ...held(id, stand.includes(id) ? 'open' : 'closed', normal),
    })),
    ...outlets.map((outlet) => ({
      point: outlet.id,
      words: OUTLET_WORDS,
      hasEnd: hasFreeEnd(outlet),
      ...held(outlet.id, 'open', 'closed'),
    })),
  ].sort((a, b) => (a.point < b.point ? -1 : 1));
}

/** How a vent, drain or bleed stands. */
const OUTLET_WORDS = { open: 'open', closed: 'shut' };

/** Whether what was found at a point is its line-up: in position, and its free end plugged or piped away. */
export const isInLine = (
  { normal, hasEnd, heldBy }: LinePoint,
  found: 'open' | 'closed',
  end: End | undefined,
): boolean =>
  found === normal &&
  (!hasEnd || heldBy !== undefined || end === 'plugged' || end === 'piped-away');
