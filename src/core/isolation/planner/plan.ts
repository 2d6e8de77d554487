import type { Grade, IsolationPlan, PlantGraph } from '../../plant';
import { checkPlan } from '../check';
import { computeCost, type PlanCost } from '../cost';
import type { Finding } from '../findings';
import type { Requirement } from '../requirement';
import { findBestPlan } from './best';
import { findShortfall } from './lower';
import { buildModel } from './model';
import type { ProgrammeSolver } from './programme';
import { listExtraMeasures, type ExtraMeasure } from './shortfall';
import { PlanSearch, type Aim } from './solve';
import { computeStages, type Stage } from './stages';

/** One answer of the planner. `gap` is how far from the best it may be at most, 0 when proved best. */
export interface PlanAnswer extends IsolationPlan {
  readonly cost: PlanCost;
  readonly passes: boolean;
  readonly findings: readonly Finding[];
  readonly extra_measures: readonly ExtraMeasure[];
  readonly stages: readonly Stage[];
  readonly optimal: boolean;
  readonly gap: number;
}

export interface PlanningResult {
  readonly feasible: boolean;
  /** Sources whose grade no plan reaches. */
  readonly unmet: readonly string[];
  readonly grades: Readonly<Record<string, Grade>>;
  readonly answers: Readonly<Record<Aim, PlanAnswer>>;
}

const EMPTY_PLAN: IsolationPlan = { close: [], open: [], restrain: [] };

const AIMS: readonly Aim[] = ['effort', 'outage', 'points'];

/**
 * Plans the isolation of a job: for each aim the cheapest set of points that passes the check, proved best. When no set
 * reaches the grades, names the sources that no plan reaches and offers the best there is after lowering as few grades as
 * possible, with the extra measures that a person must accept. A source that nothing can hold back has an empty plan.
 */
export function planIsolation(
  graph: PlantGraph,
  requirement: Requirement,
  solver: ProgrammeSolver,
): PlanningResult {
  const search = new PlanSearch(buildModel(graph, requirement), solver);
  const feasible = findBestPlan(graph, requirement, 'effort', solver, {}, search) !== undefined;
  const shortfall = feasible ? undefined : findShortfall(graph, requirement, solver);
  const measures = shortfall ? listExtraMeasures(graph, requirement, shortfall) : [];
  const wanted = shortfall?.requirement ?? requirement;
  const given = shortfall
    ? new PlanSearch(buildModel(graph, wanted, shortfall.options), solver)
    : search;
  const answer = (aim: Aim): PlanAnswer => {
    const plan =
      shortfall && shortfall.hopeless.length > 0
        ? EMPTY_PLAN
        : (findBestPlan(graph, wanted, aim, solver, shortfall?.options, given) ?? EMPTY_PLAN);
    return {
      ...plan,
      cost: computeCost(graph, plan),
      ...checkPlan(graph, requirement, plan),
      extra_measures: measures,
      stages: computeStages(graph, requirement, plan, solver),
      optimal: true,
      gap: 0,
    };
  };
  return {
    feasible,
    unmet: shortfall?.unmet ?? [],
    grades: Object.fromEntries(requirement.demands.map(({ id, grade }) => [id, grade])),
    answers: Object.fromEntries(AIMS.map((aim) => [aim, answer(aim)])) as Record<Aim, PlanAnswer>,
  };
}
