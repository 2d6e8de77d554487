import { linksOf, otherEnd } from '../../plant';
import { isThrough } from '../bodies';
import { suppliesFrom } from '../cost';
import { BARRIER, type Cells } from './cells';
import type { PlannerModel } from './model';
import type { Region } from './region';

/** What is supplied together whatever is closed in a region: whether a source stands in it, and what its loss costs. */
export interface SupplyBlock {
  readonly isFed: boolean;
  readonly loss: number;
}

/** The supply as a region sees it: blocks, which two each barrier of the region joins in normal line-up, and which feeds which. */
export interface SupplyNet {
  readonly blocks: ReadonlyMap<number, SupplyBlock>;
  readonly joined: ReadonlyMap<number, readonly [number, number]>;
  /** Blocks that are not fed by themselves, the one that drives the other first. */
  readonly feeds: readonly (readonly [number, number])[];
}

interface Found extends SupplyBlock {
  /** What belongs to it, where that was followed to its end. */
  readonly sections: ReadonlySet<number>;
}

/** Blocks as they are asked for: pieces of supply over what the region cannot part, each followed no further than to its first source. */
class Blocks {
  readonly found = new Map<number, Found>();
  private readonly blockOf = new Map<number, number>();

  constructor(
    private readonly model: PlannerModel,
    private readonly holds: (link: number, a: number, b: number) => boolean,
    private readonly isLost: Uint8Array,
  ) {}

  /** The block of a section. */
  of(from: number): number {
    const known = this.blockOf.get(from);
    if (known !== undefined) return known;
    const { graph } = this.model;
    const seen = new Set([from]);
    let isFed = false;
    let loss = 0;
    for (const section of seen) {
      const met = this.found.get(this.blockOf.get(section) ?? -1);
      isFed = graph.isSource[section] === 1 || met?.isFed === true;
      if (isFed) break;
      if (!this.isLost[section]) loss += graph.sections[section]?.serves ?? 0;
      for (const link of linksOf(graph, section)) {
        const next = otherEnd(graph, link, section);
        if (this.holds(link, section, next)) seen.add(next);
      }
    }
    for (const section of seen) if (!this.blockOf.has(section)) this.blockOf.set(section, from);
    this.found.set(from, { isFed, loss: isFed ? 0 : loss, sections: seen });
    return from;
  }
}

/** Which block feeds which over a machine, from the blocks that a barrier joins on; what is fed that way is taken for fed. */
function listFeeds({ graph, supply, fed }: PlannerModel, blocks: Blocks) {
  const feeds = new Map<string, readonly [number, number]>();
  const looked = new Set<number>();
  const queue = [...blocks.found.keys()];
  for (let block = queue.pop(); block !== undefined; block = queue.pop()) {
    const { isFed, sections } = blocks.found.get(block) as Found;
    if (isFed || looked.has(block)) continue;
    looked.add(block);
    for (const section of sections) {
      for (const link of linksOf(graph, section)) {
        if (!supply[link] || isThrough(graph, link)) continue;
        const next = otherEnd(graph, link, section);
        const isOnward = suppliesFrom(graph, link, section);
        const isBackward = suppliesFrom(graph, link, next);
        if (!fed[isOnward ? section : next]) continue;
        const other = blocks.of(next);
        queue.push(other);
        if (isOnward) feeds.set(`${block} ${other}`, [block, other]);
        if (isBackward) feeds.set(`${other} ${block}`, [other, block]);
      }
    }
  }
  const isFed = (block: number) => blocks.found.get(block)?.isFed === true;
  for (let hasFed = true; hasFed;) {
    hasFed = false;
    for (const [a, b] of feeds.values()) {
      if (!isFed(a) || isFed(b)) continue;
      blocks.found.set(b, { ...(blocks.found.get(b) as Found), isFed: true, loss: 0 });
      hasFed = true;
    }
  }
  return [...feeds.values()].filter(([a, b]) => a !== b && !isFed(a) && !isFed(b));
}

/**
 * Lays out the supply of a region; what is lost whatever is done is left out. Links that are not barriers of the region count
 * as they stand in normal line-up.
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
    if (supply[link] !== 1 || !isThrough(graph, link)) return false;
    const edge = cells.edgeOf[link] as number;
    const mayClose = edge !== -1 && cells.kind[edge] === BARRIER;
    return !mayClose || (!region.isIn[cellOf(a)] && !region.isIn[cellOf(b)]);
  };
  const blocks = new Blocks(model, holds, isLost);
  const joined = new Map<number, readonly [number, number]>();
  for (const cell of region.order) {
    for (let at = cells.start[cell] as number; at < (cells.start[cell + 1] as number); at++) {
      const edge = cells.incident[at] as number;
      if (cells.kind[edge] !== BARRIER) continue;
      const link = cells.links[edge] as number;
      const [a, b] = [graph.ends[2 * link] as number, graph.ends[2 * link + 1] as number];
      if (!supply[link] || !fed[a] || joined.has(edge)) continue;
      const pair = [blocks.of(a), blocks.of(b)] as const;
      if (pair[0] !== pair[1]) joined.set(edge, pair);
    }
  }
  const feeds = listFeeds(model, blocks);
  return { blocks: blocks.found, joined, feeds };
}
