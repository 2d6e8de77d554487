import { edgesOf, otherCell, type Cells } from './cells';
import type { SearchLimits } from './limits';

/** After so many cells it is asked whether time is over. */
const ASKED_EACH = 64;

/** The cells that may stand otherwise than last in the plans that are sought, and the order in which they are swept. */
export interface Region {
  readonly isIn: Uint8Array;
  /** Cells of the region, the work first, so ordered that few are ever half done. */
  readonly order: readonly number[];
  /** The standings that are open to each cell of the region. */
  readonly open: ReadonlyMap<number, readonly number[]>;
  /** False when the region was cut off for its size: what lies outside may then matter as well. */
  readonly isWhole: boolean;
  /** It was laid out for plans up to this price. */
  readonly reach: number;
}

export function* neighboursOf(cells: Cells, cell: number): Generator<number> {
  for (const edge of edgesOf(cells, cell)) yield otherCell(cells, edge, cell);
}

/** Orders the cells of a region from the work outwards, each time the one that leaves the fewest half done. */
function orderCells(cells: Cells, members: readonly number[], isIn: Uint8Array): number[] {
  const beside = new Map(
    members.map((cell) => [
      cell,
      [...new Set(neighboursOf(cells, cell))].filter((next) => isIn[next]),
    ]),
  );
  const besideOf = (cell: number) => beside.get(cell) ?? [];
  const done = new Uint8Array(cells.count);
  const left = new Int32Array(cells.count);
  for (const cell of members) left[cell] = besideOf(cell).length;
  /** How many cells more stay half done when `cell` comes next. */
  const countMore = (cell: number): number => {
    let more = left[cell] === 0 ? 0 : 1;
    for (const next of besideOf(cell)) if (done[next] && left[next] === 1) more--;
    return more;
  };
  const order: number[] = [];
  const waiting = new Set<number>();
  const take = (cell: number) => {
    done[cell] = 1;
    waiting.delete(cell);
    order.push(cell);
    for (const next of besideOf(cell)) {
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
        const more = countMore(cell);
        if (more < least) [best, least] = [cell, more];
      }
      take(best);
    }
  }
  return order;
}

/**
 * Lays out a region from the work outwards: a cell belongs to it when `standingsOf` leaves it any standing but its last. Parts
 * that are not joined to the work by such cells gain nothing by standing otherwise than last.
 */
export function growRegion(
  cells: Cells,
  starts: readonly number[],
  standingsOf: (cell: number) => readonly number[],
  lastOf: (cell: number) => number,
  { mostCells, isOver }: Pick<SearchLimits, 'mostCells' | 'isOver'>,
  reach: number,
): Region {
  const isIn = new Uint8Array(cells.count);
  const open = new Map<number, readonly number[]>();
  const seen = new Set(starts);
  let isWhole = true;
  for (const cell of seen) {
    const standings = standingsOf(cell);
    const isLast = standings.length === 1 && standings[0] === lastOf(cell);
    if (isLast && !cells.isZone[cell]) continue;
    if (open.size >= mostCells || (open.size % ASKED_EACH === ASKED_EACH - 1 && isOver())) {
      isWhole = false;
      break;
    }
    open.set(cell, standings);
    isIn[cell] = 1;
    for (const next of neighboursOf(cells, cell)) seen.add(next);
  }
  return { isIn, order: orderCells(cells, [...open.keys()], isIn), open, isWhole, reach };
}
