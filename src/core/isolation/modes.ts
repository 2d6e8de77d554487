import { otherEnd, type Crossing, type PlantGraph } from '../plant';
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

/** The modes in which energy may stand before a link so that it stands behind it in `mode`. `before` and `after` are its two sections. */
export const modesBefore = (graph: PlantGraph, link: number, before: number, mode: number) =>
  listModesBefore(
    graph.crossing[link] as Crossing,
    graph.ends[2 * link] === before,
    mode,
    graph.neverIsolates[link] === 1,
  );

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
  for (let ring = 0; ring < rings.length; ring++) {
    const queue = rings[ring] ?? [];
    for (let at = 0; at < queue.length; at++) {
      const state = queue[at] as number;
      if (done[state] || cost[state] !== ring) continue;
      done[state] = 1;
      const section = state >> 2;
      const mode = state & 3;
      if (stopsAt?.(section)) continue;
      const end = graph.start[section + 1] as number;
      for (let index = graph.start[section] as number; index < end; index++) {
        const link = graph.incident[index] as number;
        const before = otherEnd(graph, link, section);
        const modes = modesBefore(graph, link, before, mode);
        if (modes.length === 0 || isStruck?.(before)) continue;
        const step = weigh(link, before, mode);
        if (step < 0) continue;
        for (const one of modes) {
          const next = stateOf(before, one);
          if (ring + step >= (cost[next] as number)) continue;
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
