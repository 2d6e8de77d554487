import {
  computeCost,
  type Aim,
  type PlanCost,
  type Requirement,
} from '../../../src/core/isolation';
import { buildModel } from '../../../src/core/isolation/planner/model';
import type { PlantGraph } from '../../../src/core/plant';
import type { ProgrammeSolver } from './programme';
import { PlanSearch } from './solve';
import { closeOf, openOf, restrainOf } from './variables';

/** What the best plan costs by a general integer programme; undefined when none passes. */
export function solveJob(
  graph: PlantGraph,
  requirement: Requirement,
  first: Aim,
  then: Aim,
  solver: ProgrammeSolver,
): PlanCost | undefined {
  const chosen = new PlanSearch(buildModel(graph, requirement), solver).best(first, then);
  if (chosen === undefined) return undefined;
  return computeCost(graph, {
    close: graph.links.filter((_, n) => chosen.has(closeOf(n))).map(({ id }) => id),
    open: graph.outlets.filter((_, n) => chosen.has(openOf(n))).map(({ id }) => id),
    restrain: graph.stores.filter((_, n) => chosen.has(restrainOf(n))).map(({ store }) => store.id),
  });
}
