import type { Grade, IsolationPlan, PlantGraph } from '../../plant';
import { checkPlan } from '../check';
import { computeCost, type PlanCost } from '../cost';
import type { Finding } from '../findings';
import { asEmptied, type Requirement } from '../requirement';
import { PlanFinder, type BestPlan } from './best';
import { DEFAULT_LIMITS, type SearchLimits } from './limits';
import { findShortfall } from './lower';
import { listExtraMeasures, type ExtraMeasure } from './shortfall';
import type { Aim } from './fields';
import { computeStages, type Stage } from './stages';

/** One answer of the planner. `optimal` when it is proved best; `gap` is the share of its first figure
 * (0 to 1) that a better plan could save at most. */
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

/** What is searched for: whether the grades can be had, what has to be lowered, the answer to an aim, or its stages. */
export type PlanningPhase = 'grades' | 'shortfall' | Aim | 'stages';

/** Told of what happens while planning goes on. */
export interface PlanningWatch {
  /** A search begins. */
  readonly onStart?: (what: PlanningPhase) => void;
  /** An answer is there, while others are still sought. */
  readonly onAnswer?: (aim: Aim, answer: PlanAnswer) => void;
}

const EMPTY_PLAN: IsolationPlan = { close: [], open: [], restrain: [] };

const AIMS: readonly Aim[] = ['effort', 'outage', 'points'];

/**
 * Plans the isolation of a job: for each aim the cheapest set of points that passes the check, proved best. When no set
 * reaches the grades, names the sources that no plan reaches and offers the best there is after lowering as few grades as
 * possible, with the extra measures that a person must accept. A source that nothing can hold back has an empty plan.
 */
export function planIsolation(
  drawn: PlantGraph,
  requirement: Requirement,
  limits: SearchLimits = DEFAULT_LIMITS,
  watch: PlanningWatch = {},
): PlanningResult {
  const graph = asEmptied(drawn, requirement);
  watch.onStart?.('grades');
  const outright = new PlanFinder(graph, requirement, {}, limits);
  const feasible = outright.best('effort') !== undefined;
  if (!feasible) watch.onStart?.('shortfall');
  const shortfall = feasible ? undefined : findShortfall(graph, requirement, {}, limits);
  const measures = shortfall ? listExtraMeasures(graph, requirement, shortfall) : [];
  const finder = shortfall
    ? new PlanFinder(graph, shortfall.requirement, shortfall.options, limits)
    : outright;
  const isHopeless = shortfall !== undefined && shortfall.hopeless.length > 0;
  const known = new Map<string, readonly Stage[]>();
  const stagesOf = ({ plan, isProved }: Pick<BestPlan, 'plan' | 'isProved'>): readonly Stage[] => {
    const key = JSON.stringify([plan.close, plan.open, plan.restrain, isProved]);
    const before = known.get(key);
    if (before) return before;
    watch.onStart?.('stages');
    const stages = computeStages(graph, requirement, plan, isProved, limits);
    known.set(key, stages);
    return stages;
  };
  const answer = (aim: Aim): PlanAnswer => {
    watch.onStart?.(aim);
    const best: Pick<BestPlan, 'plan' | 'isProved' | 'gap'> = (!isHopeless && finder.best(aim)) || {
      plan: EMPTY_PLAN,
      isProved: true,
      gap: 0,
    };
    const made: PlanAnswer = {
      ...best.plan,
      cost: computeCost(graph, best.plan),
      ...checkPlan(graph, requirement, best.plan),
      extra_measures: measures,
      stages: stagesOf(best),
      optimal: best.isProved,
      gap: best.gap,
    };
    watch.onAnswer?.(aim, made);
    return made;
  };
  return {
    feasible,
    unmet: shortfall?.unmet ?? [],
    grades: Object.fromEntries(requirement.demands.map(({ id, grade }) => [id, grade])),
    answers: Object.fromEntries(AIMS.map((aim) => [aim, answer(aim)])) as Record<Aim, PlanAnswer>,
  };
}
