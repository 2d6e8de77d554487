import { barriersOf, otherCell, type Cells } from './cells';

/** The surroundings of the work in which a plan is sought, and the order in which they are swept. */
export interface Region {
  readonly isIn: Uint8Array;
  /** Cells of the region, the work first, so ordered that few are ever half done. */
  readonly order: readonly number[];
  /** 1 for a cell of the region that has a neighbour outside. */
  readonly isRim: Uint8Array;
}

export function* neighboursOf(cells: Cells, cell: number): Generator<number> {
  for (const barrier of barriersOf(cells, cell)) yield otherCell(cells, barrier, cell);
}

/** Adds all neighbours of some cells to a set; true when it grew. */
export function widen(cells: Cells, members: Set<number>, from: Iterable<number>): boolean {
  const before = members.size;
  for (const cell of [...from]) for (const next of neighboursOf(cells, cell)) members.add(next);
  return members.size > before;
}

/** How many cells stay half done when `cell` comes next: fewer is better. */
function countOpenAfter(
  cells: Cells,
  left: Int32Array,
  isIn: Uint8Array,
  done: Uint8Array,
  cell: number,
) {
  let change = 0;
  let own = 0;
  const seen = new Set<number>();
  for (const next of neighboursOf(cells, cell)) {
    if (!isIn[next] || seen.has(next)) continue;
    seen.add(next);
    if (!done[next]) own = 1;
    else if (left[next] === 1) change--;
  }
  return change + own;
}

const distinctInside = (cells: Cells, isIn: Uint8Array, cell: number): Set<number> =>
  new Set([...neighboursOf(cells, cell)].filter((next) => isIn[next]));

/** Orders the cells of a region from the work outwards, each time the one that leaves the fewest half done. */
function orderCells(cells: Cells, members: ReadonlySet<number>, isIn: Uint8Array): number[] {
  const done = new Uint8Array(cells.count);
  const left = new Int32Array(cells.count);
  for (const cell of members) left[cell] = distinctInside(cells, isIn, cell).size;
  const order: number[] = [];
  const waiting = new Set<number>();
  const take = (cell: number) => {
    done[cell] = 1;
    waiting.delete(cell);
    order.push(cell);
    for (const next of distinctInside(cells, isIn, cell)) {
      left[next] = (left[next] as number) - 1;
      if (!done[next]) waiting.add(next);
    }
  };
  const sorted = [...members].sort(
    (a, b) => (cells.isZone[b] as number) - (cells.isZone[a] as number) || a - b,
  );
  for (const start of sorted) {
    if (done[start]) continue;
    take(start);
    while (waiting.size > 0) {
      let best = -1;
      let least = Infinity;
      for (const cell of waiting) {
        const open = countOpenAfter(cells, left, isIn, done, cell);
        if (open < least) [best, least] = [cell, open];
      }
      take(best);
    }
  }
  return order;
}

/** Lays out a region over the given cells. */
export function buildRegion(cells: Cells, members: ReadonlySet<number>): Region {
  const isIn = new Uint8Array(cells.count);
  const isRim = new Uint8Array(cells.count);
  for (const cell of members) isIn[cell] = 1;
  for (const cell of members) {
    for (const next of neighboursOf(cells, cell)) if (!isIn[next]) isRim[cell] = 1;
  }
  return { isIn, isRim, order: orderCells(cells, members, isIn) };
}
