import { linksOf, otherEnd } from '../../plant';
import { BARRIER, type Cells } from './cells';
import type { PlannerModel } from './model';
import type { Region } from './region';

/** What is supplied together whatever is closed in a region: whether a source stands in it, and what its loss costs. */
export interface SupplyBlock {
  readonly isFed: boolean;
  readonly loss: number;
}

/** The supply as a region sees it: blocks, and which two each barrier of the region joins in normal line-up. */
export interface SupplyNet {
  readonly blocks: ReadonlyMap<number, SupplyBlock>;
  readonly joined: ReadonlyMap<number, readonly [number, number]>;
}

/**
 * Lays out the supply of a region; what is lost whatever is done is left out. Links that are not barriers of the region count
 * as they stand in normal line-up. A block is followed no further than to its first source: one that is fed loses nothing.
 */
export function buildSupply(
  model: PlannerModel,
  cells: Cells,
  region: Region,
  isLost: Uint8Array,
): SupplyNet {
  const { graph, supply, fed } = model;
  const cellOf = (section: number) => cells.cellOf[section] as number;
  /** Over what cannot be closed, and over links that no cell of the region ends at. */
  const holds = (link: number, a: number, b: number) => {
    if (supply[link] !== 1) return false;
    const edge = cells.edgeOf[link] as number;
    const mayClose = edge !== -1 && cells.kind[edge] === BARRIER;
    return !mayClose || (!region.isIn[cellOf(a)] && !region.isIn[cellOf(b)]);
  };
  const blockOf = new Map<number, number>();
  const blocks = new Map<number, SupplyBlock>();
  const follow = (from: number): number => {
    const known = blockOf.get(from);
    if (known !== undefined) return known;
    const seen = new Set([from]);
    let isFed = false;
    let loss = 0;
    for (const section of seen) {
      const met = blockOf.get(section);
      isFed =
        graph.isSource[section] === 1 || (met !== undefined && blocks.get(met)?.isFed === true);
      if (isFed) break;
      if (!isLost[section]) loss += graph.sections[section]?.serves ?? 0;
      for (const link of linksOf(graph, section)) {
        const next = otherEnd(graph, link, section);
        if (holds(link, section, next)) seen.add(next);
      }
    }
    for (const section of seen) if (!blockOf.has(section)) blockOf.set(section, from);
    blocks.set(from, { isFed, loss: isFed ? 0 : loss });
    return from;
  };
  const joined = new Map<number, readonly [number, number]>();
  for (const cell of region.order) {
    for (let at = cells.start[cell] as number; at < (cells.start[cell + 1] as number); at++) {
      const edge = cells.incident[at] as number;
      if (cells.kind[edge] !== BARRIER) continue;
      const link = cells.links[edge] as number;
      const [a, b] = [graph.ends[2 * link] as number, graph.ends[2 * link + 1] as number];
      if (!supply[link] || !fed[a] || joined.has(edge)) continue;
      const pair = [follow(a), follow(b)] as const;
      if (pair[0] !== pair[1]) joined.set(edge, pair);
    }
  }
  return { blocks, joined };
}
