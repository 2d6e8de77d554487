import type { Crossing, PlantGraph } from '../plant';
import { UNREACHED, type Route } from './routes';

/**
 * How energy arrives: `itself`, the source's own fluid, current or motion; `leaked`, its fluid past one exchanger; `driven`, what a
 * converter makes of it; `ends-here`, heat, blades or rays at the other side of the link that brings them.
 */
export const MODES = ['itself', 'leaked', 'driven', 'ends-here'] as const;
export type Mode = (typeof MODES)[number];

export const ITSELF = 0;
export const LEAKED = 1;
export const DRIVEN = 2;
export const ENDS_HERE = 3;

/** Section and mode as one number. */
export const stateOf = (section: number, mode: number): number => section * MODES.length + mode;

/** The modes of a source's own before it may arrive otherwise: each table cell of the crossing of one link, read from the far end. */
function listModesBefore(
  crossing: Crossing,
  isFromFirst: boolean,
  mode: number,
  neverIsolates: boolean,
): readonly number[] {
  switch (crossing.kind) {
    case 'through':
      if (mode === ENDS_HERE || (mode === LEAKED && !neverIsolates)) return [];
      return [mode];
    case 'wall':
      return mode === LEAKED ? [ITSELF] : [];
    case 'drive':
      if (mode !== DRIVEN) return [];
      if (isFromFirst === (crossing.from === 0)) return [ITSELF, DRIVEN];
      return crossing.backs ? [ITSELF] : [];
    case 'ends':
      if (mode !== ENDS_HERE) return [];
      if (isFromFirst === (crossing.from === 0)) return [ITSELF, DRIVEN];
      return crossing.backs ? [ITSELF] : [];
  }
}

/** By link, by which of its ends is before it, and by mode behind it: the modes before it as bits. Worked out once for a plant. */
const tables = new WeakMap<PlantGraph, Uint8Array>();

const slotOf = (link: number, isFromFirst: boolean, mode: number): number =>
  (2 * link + (isFromFirst ? 0 : 1)) * MODES.length + mode;

function tableOf(graph: PlantGraph): Uint8Array {
  const known = tables.get(graph);
  if (known) return known;
  const table = new Uint8Array(2 * MODES.length * graph.links.length);
  graph.crossing.forEach((crossing, link) => {
    for (const isFromFirst of [true, false]) {
      for (let mode = 0; mode < MODES.length; mode++) {
        const modes = listModesBefore(crossing, isFromFirst, mode, graph.neverIsolates[link] === 1);
        table[slotOf(link, isFromFirst, mode)] = modes.reduce((bits, one) => bits | (1 << one), 0);
      }
    }
  });
  tables.set(graph, table);
  return table;
}

/** The modes in which energy may stand before a link so that it stands behind it in `mode`. `before` is the section before it. */
export function modesBefore(graph: PlantGraph, link: number, before: number, mode: number) {
  const bits = tableOf(graph)[slotOf(link, graph.ends[2 * link] === before, mode)] as number;
  return [...MODES.keys()].filter((one) => (bits & (1 << one)) !== 0);
}

/** What a search from the work found of each section and mode: what the way costs, its first link, and where that leads. */
export interface ModeTree {
  readonly cost: Int32Array;
  readonly via: Int32Array;
  readonly onward: Int32Array;
}

export interface ModeSearch {
  /** What a link costs (a small whole number, 0 allowed), -1 where nothing may pass. */
  readonly weigh: (link: number, before: number, mode: number) => number;
  /** Sections that energy cannot enter at all: bled parts. */
  readonly isStruck?: (section: number) => boolean;
  /** Sections behind which nothing more is looked for. */
  readonly stopsAt?: (section: number) => boolean;
}

/**
 * Searches backwards from states at the work: which states of energy arrive in one of them, by the table of what crosses what.
 * The cheapest ways are found; among equals the one over fewer links.
 */
export function searchModes(
  graph: PlantGraph,
  from: Iterable<number>,
  { weigh, isStruck, stopsAt }: ModeSearch,
): ModeTree {
  const count = graph.sections.length * MODES.length;
  const cost = new Int32Array(count).fill(UNREACHED);
  const via = new Int32Array(count).fill(-1);
  const onward = new Int32Array(count).fill(-1);
  const done = new Uint8Array(count);
  const rings: number[][] = [[]];
  for (const state of from) {
    if (isStruck?.(state >> 2)) continue;
    cost[state] = 0;
    rings[0]?.push(state);
  }
  const table = tableOf(graph);
  const { start, incident, ends } = graph;
  for (let ring = 0; ring < rings.length; ring++) {
    const queue = rings[ring] ?? [];
    for (let at = 0; at < queue.length; at++) {
      const state = queue[at] as number;
      if (done[state] || cost[state] !== ring) continue;
      done[state] = 1;
      const section = state >> 2;
      const mode = state & 3;
      if (stopsAt?.(section)) continue;
      const end = start[section + 1] as number;
      for (let index = start[section] as number; index < end; index++) {
        const link = incident[index] as number;
        const first = ends[2 * link] as number;
        const isFromFirst = first !== section;
        const modes = table[slotOf(link, isFromFirst, mode)] as number;
        if (modes === 0) continue;
        const before = isFromFirst ? first : (ends[2 * link + 1] as number);
        if (isStruck?.(before)) continue;
        const step = weigh(link, before, mode);
        if (step < 0) continue;
        for (let one = 0; one < MODES.length; one++) {
          const next = stateOf(before, one);
          if ((modes & (1 << one)) === 0 || ring + step >= (cost[next] as number)) continue;
          cost[next] = ring + step;
          via[next] = link;
          onward[next] = state;
          while (rings.length <= ring + step) rings.push([]);
          rings[ring + step]?.push(next);
        }
      }
    }
  }
  return { cost, via, onward };
}

/** The links from a state to the work, in that order. */
export function followRoute(tree: ModeTree, state: number): Route {
  const route: number[] = [];
  for (let here = state; tree.via[here] !== -1; here = tree.onward[here] as number) {
    route.push(tree.via[here] as number);
  }
  return route;
}
