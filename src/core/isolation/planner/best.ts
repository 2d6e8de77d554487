import type { IsolationPlan, PlantGraph } from '../../plant';
import { checkPlan } from '../check';
import type { Requirement } from '../requirement';
import { buildModel, type PlannerOptions } from './model';
import type { ProgrammeSolver } from './programme';
import { PlanSearch, type Aim } from './solve';
import { closeOf, openOf, restrainOf } from './variables';

/** What breaks a tie between plans that are equal in the first aim. */
export const TIE_BREAK: Readonly<Record<Aim, Aim>> = {
  effort: 'outage',
  outage: 'effort',
  points: 'effort',
};

function readPlan(graph: PlantGraph, chosen: ReadonlySet<string>): IsolationPlan {
  return {
    close: graph.links.filter((_, n) => chosen.has(closeOf(n))).map(({ id }) => id),
    open: graph.outlets.filter((_, n) => chosen.has(openOf(n))).map(({ id }) => id),
    restrain: graph.stores.filter((_, n) => chosen.has(restrainOf(n))).map(({ store }) => store.id),
  };
}

/** Takes away, one by one in the order of ids, what a plan passes without: only things that cost nothing remain to be dropped. */
function dropIdle(passes: (plan: IsolationPlan) => boolean, plan: IsolationPlan): IsolationPlan {
  return (['close', 'open', 'restrain'] as const).reduce<IsolationPlan>(
    (kept, part) =>
      kept[part].reduce<IsolationPlan>((best, id) => {
        const without = { ...best, [part]: best[part].filter((other) => other !== id) };
        return passes(without) ? without : best;
      }, kept),
    plan,
  );
}

/** Finds the best plan for an aim; undefined when none passes. Ties by the second aim, then always the same plan. */
export function findBestPlan(
  graph: PlantGraph,
  requirement: Requirement,
  aim: Aim,
  solver: ProgrammeSolver,
  options: PlannerOptions = {},
  search = new PlanSearch(buildModel(graph, requirement, options), solver),
): IsolationPlan | undefined {
  const chosen = search.best(aim, TIE_BREAK[aim]);
  if (chosen === undefined) return undefined;
  const plan = readPlan(graph, chosen);
  const passes = (candidate: IsolationPlan) => checkPlan(graph, requirement, candidate).passes;
  return passes(plan) ? dropIdle(passes, plan) : plan;
}
