import type { Grade, PlantGraph } from '../../plant';
import { needsBleed, type SourceDemand } from '../requirement';
import {
  buildCells,
  edgesOf,
  LOOSE,
  mayBeSure,
  otherCell,
  strengthOfEdge,
  type Cells,
} from './cells';
import { JoinedSets } from './joined-sets';
import type { PlannerModel } from './model';

/** Tells at once whether a grade is out of reach for a source, whatever is done about the others. */
export interface Attainable {
  /** False when no plan reaches the grade for this source; true when nothing is known against it. */
  allows(demand: SourceDemand, grade: Grade): boolean;
}

/** Everything joined to some cells by ways of their own network that can never be closed. */
function closeOver(cells: Cells, from: Iterable<number>): Set<number> {
  const seen = new Set(from);
  for (const cell of seen) {
    for (const edge of edgesOf(cells, cell)) {
      if (cells.kind[edge] === LOOSE) seen.add(otherCell(cells, edge, cell));
    }
  }
  return seen;
}

/** The cells whose bodies are the work's own whatever is closed: nothing there counts as let down between barriers. */
export const listNear = (cells: Cells): Set<number> =>
  closeOver(
    cells,
    [...cells.isZone.keys()].filter((cell) => cells.isZone[cell]),
  );

/** Cells next to one of `from` over a barrier that is no more than a valve, and what hangs together with them for ever. */
export function* acrossValves(
  cells: Cells,
  isValve: (edge: number) => boolean,
  from: Iterable<number>,
): Generator<number> {
  for (const cell of from) {
    for (const edge of edgesOf(cells, cell)) {
      if (isValve(edge)) yield* closeOver(cells, [otherCell(cells, edge, cell)]);
    }
  }
}

/** Cells that may lie in a bled part when those `taken` are not part of it. */
function listBleedable(
  model: PlannerModel,
  cells: Cells,
  taken: ReadonlySet<number>,
): (cell: number) => boolean {
  const isFree = (cell: number) => !cells.hasSource[cell] && !taken.has(cell);
  const sets = new JoinedSets(cells.count);
  for (let edge = 0; edge < cells.links.length; edge++) {
    const a = cells.ends[2 * edge] as number;
    const b = cells.ends[2 * edge + 1] as number;
    if (mayBeSure(model, cells, edge) && isFree(a) && isFree(b)) sets.join(a, b);
  }
  const good = new Set<number>();
  for (const cell of cells.safeOutlets.keys()) if (isFree(cell)) good.add(sets.find(cell));
  return (cell) => isFree(cell) && good.has(sets.find(cell));
}

/**
 * The cells that stay on the side of the work when every bled part that can be had is had: a neighbour over a valve, or over what
 * can never be closed, that cannot lie in one is on that side as well, and may take the way to a bleed from others.
 */
export function growUnbled(
  model: PlannerModel,
  cells: Cells,
  start: Iterable<number>,
  isValve: (edge: number) => boolean,
) {
  const side = new Set(start);
  for (;;) {
    const canBleed = listBleedable(model, cells, side);
    const before = side.size;
    for (const cell of side) {
      for (const edge of edgesOf(cells, cell)) {
        if (!isValve(edge) && cells.kind[edge] !== LOOSE) continue;
        const next = otherCell(cells, edge, cell);
        if (!canBleed(next)) side.add(next);
      }
    }
    if (side.size === before) return side;
  }
}

/** Works out what is out of reach on a plant for one place of work. Necessary conditions only: each is sure to hold. */
export function computeAttainable(graph: PlantGraph, model: PlannerModel): Attainable {
  const cells = buildCells(model, { keptOpen: new Set(), stand: new Set() });
  const isValve = (edge: number) => strengthOfEdge(model, cells, edge) === 1;
  const near = listNear(cells);
  const doors = [...cells.leaks.keys()].filter((cell) => cells.leaks[cell]);
  const arriving = new Set([...near, ...closeOver(cells, doors)]);
  const overOneValve = new Set([...arriving, ...acrossValves(cells, isValve, arriving)]);
  const overValves = new Set(arriving);
  for (const cell of overValves) {
    for (const edge of edgesOf(cells, cell)) {
      if (isValve(edge) || cells.kind[edge] === LOOSE) overValves.add(otherCell(cells, edge, cell));
    }
  }
  const unbled = growUnbled(model, cells, near, isValve);
  const outOfReach: Readonly<Record<Grade, ReadonlySet<number>>> = {
    single: arriving,
    'single-bled': arriving,
    double: overOneValve,
    'double-bled': new Set([...arriving, ...unbled]),
    positive: overValves,
  };
  return {
    allows(demand, grade) {
      // What only drives the work comes by converters, which this does not look at.
      if (demand.isGraded && outOfReach[grade].has(cells.cellOf[demand.source] as number))
        return false;
      const medium = graph.medium[demand.source];
      if (medium === undefined || !needsBleed(medium, grade)) return true;
      return demand.itself.every(
        (section) => cells.canBeBled[cells.cellOf[section] as number] === 1,
      );
    },
  };
}
