import type { Grade } from '../../plant';
import { GRADES } from '../../plant';
import type { PlannerModel } from './model';

/** Bits of what is asked of a cell: one a grade that some source in it demands. */
export const demandBit = (grade: Grade): number => 1 << GRADES.indexOf(grade);

/**
 * The plant as the planner sees it. A cell is a part that no barrier can divide, dead ends without energy folded in;
 * barriers join two different cells. Cells are numbered in the order of their first section.
 */
export interface Cells {
  readonly count: number;
  /** Cell of each section. */
  readonly cellOf: Int32Array;
  /** Link number of each barrier, and its two cells at 2n and 2n + 1. */
  readonly links: Int32Array;
  readonly ends: Int32Array;
  /** Barriers at cell n are `incident[start[n]]` up to `incident[start[n + 1] - 1]`. */
  readonly start: Int32Array;
  readonly incident: Int32Array;
  readonly isZone: Uint8Array;
  /** 1 where the work has to be let down. */
  readonly needsBleed: Uint8Array;
  readonly hasSource: Uint8Array;
  /** Bits of the grades that the sources of a cell demand. */
  readonly demanded: Uint8Array;
  /** 1 where a bled space may lie: no source in it, and some safe outlet can be had without passing one. */
  readonly canBeBled: Uint8Array;
  readonly safeOutlets: ReadonlyMap<number, readonly number[]>;
  readonly stores: ReadonlyMap<number, readonly number[]>;
}

/** Sets that are joined two by two; the lowest number stands for each. */
export class JoinedSets {
  private readonly parent: Int32Array;

  constructor(count: number) {
    this.parent = Int32Array.from({ length: count }, (_, n) => n);
  }

  find(one: number): number {
    const { parent } = this;
    let root = one;
    while (parent[root] !== root) {
      parent[root] = parent[parent[root] as number] as number;
      root = parent[root] as number;
    }
    return root;
  }

  join(a: number, b: number): void {
    const one = this.find(a);
    const other = this.find(b);
    if (one < other) this.parent[other] = one;
    else this.parent[one] = other;
  }
}

function listAt(count: number, ends: Int32Array): { start: Int32Array; incident: Int32Array } {
  const start = new Int32Array(count + 1);
  for (const end of ends) start[end + 1] = (start[end + 1] as number) + 1;
  for (let n = 0; n < count; n++) start[n + 1] = (start[n + 1] as number) + (start[n] as number);
  const next = start.slice();
  const incident = new Int32Array(ends.length);
  for (let index = 0; index < ends.length; index++) {
    const end = ends[index] as number;
    const slot = next[end] as number;
    incident[slot] = index >> 1;
    next[end] = slot + 1;
  }
  return { start, incident };
}

/** Numbers the joined sets in the order of their first member. */
function numberSets(sets: JoinedSets, count: number): { of: Int32Array; count: number } {
  const of = new Int32Array(count).fill(-1);
  let next = 0;
  for (let n = 0; n < count; n++) {
    const root = sets.find(n);
    if (of[root] === -1) of[root] = next++;
    of[n] = of[root] as number;
  }
  return { of, count: next };
}

/** The candidate links that join two different sets, and their ends by set. */
function listBarriers(
  model: PlannerModel,
  of: Int32Array,
): { links: Int32Array; ends: Int32Array } {
  const { graph, candidate } = model;
  const links: number[] = [];
  const ends: number[] = [];
  for (let link = 0; link < candidate.length; link++) {
    if (!candidate[link]) continue;
    const a = of[graph.ends[2 * link] as number] as number;
    const b = of[graph.ends[2 * link + 1] as number] as number;
    if (a === b) continue;
    links.push(link);
    ends.push(a, b);
  }
  return { links: Int32Array.from(links), ends: Int32Array.from(ends) };
}

/** Folds dead ends without source, store or work into what they hang on: closing the link to one helps nobody. */
function foldDeadEnds(model: PlannerModel, sets: JoinedSets): void {
  const { graph } = model;
  const { of, count } = numberSets(sets, graph.sections.length);
  const { ends } = listBarriers(model, of);
  const { start, incident } = listAt(count, ends);
  const keep = new Uint8Array(count);
  const first = new Int32Array(count).fill(-1);
  of.forEach((set, section) => {
    if (first[set] === -1) first[set] = section;
    if (graph.isSource[section] || model.isZone[section]) keep[set] = 1;
  });
  for (const store of model.stores) keep[of[graph.stores[store]?.section as number] as number] = 1;
  const gone = new Uint8Array(ends.length / 2);
  const degree = new Int32Array(count);
  for (const end of ends) degree[end] = (degree[end] as number) + 1;
  const queue = [...degree.keys()].filter((set) => degree[set] === 1 && !keep[set]);
  for (let set = queue.pop(); set !== undefined; set = queue.pop()) {
    for (let at = start[set] as number; at < (start[set + 1] as number); at++) {
      const barrier = incident[at] as number;
      if (gone[barrier]) continue;
      gone[barrier] = 1;
      const a = ends[2 * barrier] as number;
      const other = a === set ? (ends[2 * barrier + 1] as number) : a;
      sets.join(first[set] as number, first[other] as number);
      degree[other] = (degree[other] as number) - 1;
      if (degree[other] === 1 && !keep[other]) queue.push(other);
    }
  }
}

function groupBy(of: (item: number) => number, items: Iterable<number>): Map<number, number[]> {
  const groups = new Map<number, number[]>();
  for (const item of items) {
    const group = groups.get(of(item));
    if (group) group.push(item);
    else groups.set(of(item), [item]);
  }
  return groups;
}

/** Marks the cells from which a safe outlet can be had over cells that hold no source. */
function markBleedable(
  cells: Pick<Cells, 'count' | 'links' | 'ends' | 'hasSource'>,
  safeOutlets: ReadonlyMap<number, readonly number[]>,
): Uint8Array {
  const { count, ends, hasSource } = cells;
  const sets = new JoinedSets(count);
  for (let barrier = 0; barrier < cells.links.length; barrier++) {
    const a = ends[2 * barrier] as number;
    const b = ends[2 * barrier + 1] as number;
    if (!hasSource[a] && !hasSource[b]) sets.join(a, b);
  }
  const good = new Set([...safeOutlets.keys()].map((cell) => sets.find(cell)));
  return Uint8Array.from({ length: count }, (_, cell) =>
    !hasSource[cell] && good.has(sets.find(cell)) ? 1 : 0,
  );
}

/** Builds the cells of a planning problem; the links in `keptOpen` count as joints. */
export function buildCells(model: PlannerModel, keptOpen: ReadonlySet<number>): Cells {
  const { graph, candidate } = model;
  const sets = new JoinedSets(graph.sections.length);
  for (let link = 0; link < candidate.length; link++) {
    if (candidate[link] && !keptOpen.has(link)) continue;
    sets.join(graph.ends[2 * link] as number, graph.ends[2 * link + 1] as number);
  }
  foldDeadEnds(model, sets);
  const { of: cellOf, count } = numberSets(sets, graph.sections.length);
  const { links, ends } = listBarriers(model, cellOf);
  const cellAt = (section: number) => cellOf[section] as number;
  const isZone = new Uint8Array(count);
  const needsBleed = new Uint8Array(count);
  const hasSource = new Uint8Array(count);
  const demanded = new Uint8Array(count);
  for (const section of model.zone) isZone[cellAt(section)] = 1;
  for (const section of model.bledWork) needsBleed[cellAt(section)] = 1;
  graph.isSource.forEach((isSource, section) => {
    if (isSource) hasSource[cellAt(section)] = 1;
  });
  for (const { source, grade } of model.demands) {
    demanded[cellAt(source)] = (demanded[cellAt(source)] as number) | demandBit(grade);
  }
  const safeOutlets = new Map<number, number[]>();
  for (const [section, outlets] of model.safeOutlets) {
    const known = safeOutlets.get(cellAt(section)) ?? [];
    safeOutlets.set(
      cellAt(section),
      [...known, ...outlets].sort((a, b) => a - b),
    );
  }
  return {
    count,
    cellOf,
    links,
    ends,
    ...listAt(count, ends),
    isZone,
    needsBleed,
    hasSource,
    demanded,
    canBeBled: markBleedable({ count, links, ends, hasSource }, safeOutlets),
    safeOutlets,
    stores: groupBy((store) => cellAt(graph.stores[store]?.section as number), model.stores),
  };
}

/** The barriers at a cell. */
export const barriersOf = (cells: Cells, cell: number): Int32Array =>
  cells.incident.subarray(cells.start[cell], cells.start[cell + 1]);

/** The cell at the other end of a barrier. */
export function otherCell(cells: Cells, barrier: number, cell: number): number {
  const a = cells.ends[2 * barrier] as number;
  return a === cell ? (cells.ends[2 * barrier + 1] as number) : a;
}
