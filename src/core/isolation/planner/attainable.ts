import type { Grade, PlantGraph } from '../../plant';
import { needsBleed, type SourceDemand } from '../requirement';
import { barriersOf, buildCells, JoinedSets, otherCell, type Cells } from './cells';
import type { PlannerModel } from './model';

/** Tells at once whether a grade is out of reach for a source, whatever is done about the others. */
export interface Attainable {
  /** False when no plan reaches the grade for this source; true when nothing is known against it. */
  allows(demand: SourceDemand, grade: Grade): boolean;
}

/** Cells next to one of `from` over a barrier that is no more than a valve. */
export function* acrossValves(
  cells: Cells,
  isValve: (barrier: number) => boolean,
  from: Iterable<number>,
): Generator<number> {
  for (const cell of from) {
    for (const barrier of barriersOf(cells, cell)) {
      if (isValve(barrier)) yield otherCell(cells, barrier, cell);
    }
  }
}

/** Cells that may lie in a bled space when those `taken` are not part of it. */
function listBleedable(cells: Cells, taken: ReadonlySet<number>): (cell: number) => boolean {
  const isFree = (cell: number) => !cells.hasSource[cell] && !taken.has(cell);
  const sets = new JoinedSets(cells.count);
  for (let barrier = 0; barrier < cells.links.length; barrier++) {
    const a = cells.ends[2 * barrier] as number;
    const b = cells.ends[2 * barrier + 1] as number;
    if (isFree(a) && isFree(b)) sets.join(a, b);
  }
  const good = new Set<number>();
  for (const cell of cells.safeOutlets.keys()) if (isFree(cell)) good.add(sets.find(cell));
  return (cell) => isFree(cell) && good.has(sets.find(cell));
}

/**
 * The cells that stay on the side of the work when every bled space that can be had is had: a neighbour over a valve that
 * cannot lie in one is on that side as well, and may take the way to a bleed from others.
 */
export function growUnbled(
  cells: Cells,
  zone: readonly number[],
  isValve: (barrier: number) => boolean,
) {
  const side = new Set(zone);
  for (;;) {
    const canBleed = listBleedable(cells, side);
    const before = side.size;
    for (const next of acrossValves(cells, isValve, side)) if (!canBleed(next)) side.add(next);
    if (side.size === before) return side;
  }
}

/** Works out what is out of reach on a plant for one place of work. Necessary conditions only: each is sure to hold. */
export function computeAttainable(graph: PlantGraph, model: PlannerModel): Attainable {
  const cells = buildCells(model, new Set());
  const zone = [...cells.isZone.keys()].filter((cell) => cells.isZone[cell]);
  const isValve = (barrier: number) => graph.strength[cells.links[barrier] as number] === 1;
  const isZone = new Set(zone);
  const overOneValve = new Set([...zone, ...acrossValves(cells, isValve, zone)]);
  const overValves = new Set(zone);
  for (const next of acrossValves(cells, isValve, overValves)) overValves.add(next);
  const unbled = growUnbled(cells, zone, isValve);
  const outOfReach: Readonly<Record<Grade, ReadonlySet<number>>> = {
    single: isZone,
    'single-bled': isZone,
    double: overOneValve,
    'double-bled': unbled,
    positive: overValves,
  };
  return {
    allows(demand, grade) {
      if (outOfReach[grade].has(cells.cellOf[demand.source] as number)) return false;
      const medium = graph.medium[demand.source];
      if (medium === undefined || !needsBleed(medium, grade)) return true;
      return demand.reaches.every((section) => {
        const cell = cells.cellOf[section] as number;
        return cells.canBeBled[cell] === 1;
      });
    },
  };
}
