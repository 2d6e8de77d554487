import { computeFed } from '../cost';
import { JoinedSets, type Cells } from './cells';
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
  /** Blocks that lie wholly within a cell: lost when it comes to stand in a body without source. */
  readonly within: ReadonlyMap<number, readonly number[]>;
}

/** Lays out the supply of a region. Links that are not barriers of the region count as they stand in normal line-up. */
export function buildSupply(model: PlannerModel, cells: Cells, region: Region): SupplyNet {
  const { graph, supply, fed } = model;
  const inRegion = new Map<number, number>();
  for (let barrier = 0; barrier < cells.links.length; barrier++) {
    const inside =
      region.isIn[cells.ends[2 * barrier] as number] === 1 &&
      region.isIn[cells.ends[2 * barrier + 1] as number] === 1;
    if (inside && supply[cells.links[barrier] as number]) {
      inRegion.set(cells.links[barrier] as number, barrier);
    }
  }
  const sets = new JoinedSets(graph.sections.length);
  for (let link = 0; link < graph.links.length; link++) {
    if (!supply[link] || inRegion.has(link)) continue;
    sets.join(graph.ends[2 * link] as number, graph.ends[2 * link + 1] as number);
  }
  const joined = new Map<number, readonly [number, number]>();
  const blocks = new Map<number, { isFed: boolean; loss: number }>();
  for (const [link, barrier] of inRegion) {
    const pair = [0, 1].map((end) => sets.find(graph.ends[2 * link + end] as number));
    const [a = -1, b = -1] = pair;
    if (a === b) continue;
    joined.set(barrier, [a, b]);
    for (const block of pair) blocks.set(block, { isFed: false, loss: 0 });
  }
  const within = new Map<number, Set<number>>();
  for (let section = 0; section < graph.sections.length; section++) {
    const set = sets.find(section);
    const block = blocks.get(set);
    if (!block || !fed[section]) continue;
    const cell = cells.cellOf[section] as number;
    if (region.isIn[cell] && !region.isRim[cell]) {
      within.set(cell, (within.get(cell) ?? new Set()).add(set));
    }
    if (graph.isSource[section]) block.isFed = true;
    block.loss += graph.sections[section]?.serves ?? 0;
  }
  return { blocks, joined, within: new Map([...within].map(([cell, all]) => [cell, [...all]])) };
}

/** What no plan can save: the loss of all that is fed only through the work itself. */
export function computeCertainLoss(model: PlannerModel, cells: Cells): number {
  const { graph, supply, fed } = model;
  const inZone = (section: number) => cells.isZone[cells.cellOf[section] as number] === 1;
  const after = computeFed(
    graph,
    (link) =>
      supply[link] === 1 &&
      !inZone(graph.ends[2 * link] as number) &&
      !inZone(graph.ends[2 * link + 1] as number),
  );
  return model.served.reduce(
    (sum, section) =>
      fed[section] && (!after[section] || inZone(section))
        ? sum + (graph.sections[section]?.serves ?? 0)
        : sum,
    0,
  );
}
