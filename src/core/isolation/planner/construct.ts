import type { IsolationPlan } from '../../plant';
import { sectionOfOutlet } from '../bodies';
import { acrossValves, growUnbled } from './attainable';
import { barriersOf, otherCell, type Cells } from './cells';
import type { PlannerModel } from './model';

/**
 * Draws up a plan that closes all there is to close, however dear: bodies stay whole only as far as it takes to reach a bleed or
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
  const isValve = (barrier: number) => graph.strength[cells.links[barrier] as number] === 1;
  const side = growUnbled(cells, zone, isValve);
  const keptOpen = new Set<number>();
  const open = new Set<number>();
  const restrain = new Set<number>();
  const bledFrom = new Set<number>();
  /** Leaves the way open from a cell to the nearest one that will do, over cells without source. */
  const reach = (
    from: number,
    mayEnter: (cell: number) => boolean,
    willDo: (cell: number) => boolean,
  ) => {
    const via = new Map<number, number>([[from, -1]]);
    for (const cell of via.keys()) {
      if (willDo(cell)) {
        for (let here = cell; here !== from;) {
          const barrier = via.get(here) as number;
          keptOpen.add(barrier);
          here = otherCell(cells, barrier, here);
        }
        return cell;
      }
      for (const wanted of [1, 2]) {
        for (const barrier of barriersOf(cells, cell)) {
          const next = otherCell(cells, barrier, cell);
          if (isValve(barrier) !== (wanted === 1) || via.has(next)) continue;
          if (!cells.hasSource[next] && mayEnter(next)) via.set(next, barrier);
        }
      }
    }
    return undefined;
  };
  const bleed = (from: number, mayEnter: (cell: number) => boolean) => {
    const at = reach(from, mayEnter, (cell) => cells.safeOutlets.has(cell));
    const outlet = at === undefined ? undefined : cells.safeOutlets.get(at)?.[0];
    if (outlet !== undefined) open.add(outlet);
  };
  for (const cell of zone) {
    if (cells.needsBleed[cell]) bleed(cell, () => true);
    for (const store of cells.stores.get(cell) ?? []) {
      const release = graph.stores[store]?.store.release ?? '';
      const outlet = graph.outletAt.get(release);
      if (release === 'restrain') restrain.add(store);
      if (outlet === undefined) continue;
      const home = cells.cellOf[sectionOfOutlet(graph, outlet)] as number;
      reach(
        cell,
        () => true,
        (one) => one === home,
      );
      open.add(outlet);
    }
  }
  if (model.demands.some(({ grade }) => grade === 'double-bled')) {
    for (const cell of side) {
      for (const barrier of barriersOf(cells, cell)) {
        const next = otherCell(cells, barrier, cell);
        if (side.has(next) || !isValve(barrier) || cells.hasSource[next]) continue;
        bleed(next, (one) => !side.has(one));
        bledFrom.add(next);
      }
    }
  }
  // What lies beyond the cells that matter for some grade need not be closed.
  const grades = new Set(model.demands.map(({ grade }) => grade));
  const near = new Set(side);
  for (const barrier of keptOpen) {
    near.add(cells.ends[2 * barrier] as number);
    near.add(cells.ends[2 * barrier + 1] as number);
  }
  for (const cell of bledFrom) near.add(cell);
  if (grades.has('double'))
    for (const next of [...acrossValves(cells, isValve, zone)]) near.add(next);
  if (grades.has('positive') && !positiveCut)
    for (const next of acrossValves(cells, isValve, near)) near.add(next);
  const cut = new Set(positiveCut);
  const matters = (barrier: number) =>
    cut.has(barrier) ||
    near.has(cells.ends[2 * barrier] as number) ||
    near.has(cells.ends[2 * barrier + 1] as number);
  const idOf = (rows: readonly { readonly id: string }[]) => (n: number) => rows[n]?.id ?? '';
  return {
    close: [...cells.links]
      .filter((_, barrier) => !keptOpen.has(barrier) && matters(barrier))
      .map(idOf(graph.links)),
    open: [...open].map(idOf(graph.outlets)),
    restrain: [...restrain].map((store) => graph.stores[store]?.store.id ?? ''),
  };
}
