import { findUsableOutlet, type IsolationPlan } from '../../plant';
import { sectionOfOutlet } from '../bodies';
import { acrossValves, growUnbled, listNear } from './attainable';
import {
  BARRIER,
  edgesOf,
  LOOSE,
  mayBeSure,
  otherCell,
  strengthOfEdge,
  TIE,
  type Cells,
} from './cells';
import type { PlannerModel } from './model';

/**
 * Draws up a plan that closes all there is to close, however dear: parts stay whole only as far as it takes to reach a bleed or
 * a release. When it passes the check, the grades can be had; when it does not, nothing is shown. With a `positiveCut`
 * of barriers these stand for all positive ones, which are far fewer.
 */
export function constructPlan(
  model: PlannerModel,
  cells: Cells,
  positiveCut?: readonly number[],
): IsolationPlan {
  const { graph } = model;
  const zone = [...cells.isZone.keys()].filter((cell) => cells.isZone[cell]);
  const start = listNear(cells);
  const isValve = (edge: number) => strengthOfEdge(model, cells, edge) === 1;
  const side = growUnbled(model, cells, start, isValve);
  const keptOpen = new Set<number>();
  const stand = new Set<number>();
  const open = new Set<number>();
  const restrain = new Set<number>();
  const bledFrom = new Set<number>();
  /**
   * Leaves the way open from a cell to the nearest one that will do, over cells without source; for a let-down over what is sure, or is
   * locked open for it.
   */
  const reach = (
    from: number,
    isLetDown: boolean,
    mayEnter: (cell: number) => boolean,
    willDo: (cell: number) => boolean,
  ) => {
    const mayPass = (edge: number) =>
      isLetDown ? mayBeSure(model, cells, edge) : cells.kind[edge] !== TIE;
    const via = new Map<number, number>([[from, -1]]);
    for (const cell of via.keys()) {
      if (willDo(cell)) {
        for (let here = cell; here !== from;) {
          const edge = via.get(here) as number;
          keptOpen.add(edge);
          if (!cells.isSure[edge] && isLetDown) stand.add(edge);
          here = otherCell(cells, edge, here);
        }
        return cell;
      }
      for (const wanted of [true, false]) {
        for (const edge of edgesOf(cells, cell)) {
          const next = otherCell(cells, edge, cell);
          if (isValve(edge) !== wanted || via.has(next) || !mayPass(edge)) continue;
          if (!cells.hasSource[next] && mayEnter(next)) via.set(next, edge);
        }
      }
    }
    return undefined;
  };
  const bleed = (from: number, mayEnter: (cell: number) => boolean) => {
    const at = reach(from, true, mayEnter, (cell) => cells.safeOutlets.has(cell));
    const outlet = at === undefined ? undefined : cells.safeOutlets.get(at)?.[0];
    if (outlet !== undefined) open.add(outlet);
  };
  const everywhere = () => true;
  const release = (cell: number) => {
    for (const store of cells.stores.get(cell) ?? []) {
      const by = graph.stores[store]?.store.release ?? '';
      const outlet = findUsableOutlet(graph, by);
      if (by === 'restrain') restrain.add(store);
      if (outlet === undefined) continue;
      const home = cells.cellOf[sectionOfOutlet(graph, outlet)] as number;
      reach(cell, false, everywhere, (one) => one === home);
      open.add(outlet);
    }
  };
  for (const cell of zone) if (cells.needsBleed[cell]) bleed(cell, everywhere);
  // What no barrier parts from the work comes with it: its stores, and what is shut in where an outlet is.
  for (const cell of listUnparted(cells, [...start, ...zone])) {
    release(cell);
    const isShutIn = cells.isPressed[cell] === 1 && cells.safeOutlets.has(cell);
    if (isShutIn) bleed(cell, everywhere);
  }
  for (const edge of keptOpen) {
    for (const cell of [cells.ends[2 * edge] as number, cells.ends[2 * edge + 1] as number]) {
      if (!zone.includes(cell)) release(cell);
    }
  }
  if (model.demands.some(({ grade }) => grade === 'double-bled')) {
    for (const cell of side) {
      for (const edge of edgesOf(cells, cell)) {
        const next = otherCell(cells, edge, cell);
        if (side.has(next) || !isValve(edge) || cells.hasSource[next]) continue;
        bleed(next, (one) => !side.has(one));
        bledFrom.add(next);
      }
    }
  }
  // What lies beyond the cells that matter for some grade need not be closed.
  const grades = new Set(model.demands.map(({ grade }) => grade));
  const near = new Set([...side, ...listUnparted(cells, [...start, ...zone])]);
  for (const edge of keptOpen) {
    near.add(cells.ends[2 * edge] as number);
    near.add(cells.ends[2 * edge + 1] as number);
  }
  for (const cell of bledFrom) near.add(cell);
  if (grades.has('double'))
    for (const next of [...acrossValves(cells, isValve, start)]) near.add(next);
  if (grades.has('positive') && !positiveCut)
    for (const next of acrossValves(cells, isValve, near)) near.add(next);
  const cut = new Set(positiveCut);
  const matters = (edge: number) =>
    cut.has(edge) ||
    near.has(cells.ends[2 * edge] as number) ||
    near.has(cells.ends[2 * edge + 1] as number);
  const idOf = (link: number) => graph.links[link]?.id ?? '';
  const standing = [...stand].filter((edge) => keptOpen.has(edge));
  return {
    close: [...cells.links.keys()]
      .filter((edge) => cells.kind[edge] === BARRIER && !keptOpen.has(edge) && matters(edge))
      .map((edge) => idOf(cells.links[edge] as number)),
    open: [...open].map((outlet) => graph.outlets[outlet]?.id ?? ''),
    restrain: [...restrain].map((store) => graph.stores[store]?.store.id ?? ''),
    ...(standing.length > 0
      ? { stand: standing.map((edge) => idOf(cells.links[edge] as number)) }
      : {}),
  };
}

/** Cells that no barrier parts from some, over what can never be closed and against the direction of what drives. */
function listUnparted(cells: Cells, from: readonly number[]): Set<number> {
  const seen = new Set(from);
  for (const cell of seen) {
    for (const edge of edgesOf(cells, cell)) {
      const kind = cells.kind[edge];
      const isDriver = cells.ends[2 * edge + 1] === cell || cells.backs[edge] === 1;
      if (kind === LOOSE || (kind === TIE && isDriver)) seen.add(otherCell(cells, edge, cell));
    }
  }
  return seen;
}
