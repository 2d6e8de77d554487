import { checkPlan, computeCost, type PlanCost, type Requirement } from '../../src/core/isolation';
import { canStandOpen, type IsolationPlan, type PlantGraph } from '../../src/core/plant';

/** Every plan there is on a small plant: links that can bar, outlets, stores to be restrained, shut valves to be locked open. */
export function* listEveryPlan(graph: PlantGraph): Generator<IsolationPlan> {
  const close = graph.links.filter((_, n) => graph.strength[n]).map(({ id }) => id);
  const open = graph.outlets.map(({ id }) => id);
  const restrain = graph.stores
    .filter(({ store }) => store.release === 'restrain')
    .map(({ store }) => store.id);
  const stand = graph.links
    .filter((link, n) => graph.isNormallyClosed[n] && canStandOpen(link))
    .map(({ id }) => id);
  const total = close.length + open.length + restrain.length + stand.length;
  for (let bits = 0; bits < 2 ** total; bits++) {
    const has = (at: number) => ((bits >> at) & 1) === 1;
    yield {
      close: close.filter((_, n) => has(n)),
      open: open.filter((_, n) => has(close.length + n)),
      restrain: restrain.filter((_, n) => has(close.length + open.length + n)),
      stand: stand.filter((_, n) => has(close.length + open.length + restrain.length + n)),
    };
  }
}

/** The best cost by trying every subset, in the order of the aims; undefined when no plan passes. */
export function searchEverySubset(
  graph: PlantGraph,
  requirement: Requirement,
  aims: readonly (readonly [keyof PlanCost, keyof PlanCost])[],
): (PlanCost | undefined)[] {
  const best: (PlanCost | undefined)[] = aims.map(() => undefined);
  for (const plan of listEveryPlan(graph)) {
    if (!checkPlan(graph, requirement, plan).passes) continue;
    const cost = computeCost(graph, plan);
    aims.forEach(([first, then], n) => {
      const old = best[n];
      if (
        !old ||
        cost[first] < old[first] ||
        (cost[first] === old[first] && cost[then] < old[then])
      ) {
        best[n] = cost;
      }
    });
  }
  return best;
}
