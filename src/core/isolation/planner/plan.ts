import { EMPTY_PLAN, emptyOut, type Grade, type IsolationPlan, type PlantGraph } from '../../plant';
import { checkPlan } from '../check/check';
import { computeCost, type PlanCost } from '../cost';
import type { Finding } from '../findings';
import { asEmptied, type Requirement } from '../requirement';
import { PlanFinder, type BestPlan } from './best';
import { listSeenOpen } from '../seen-open';
import { DEFAULT_LIMITS, type SearchLimits } from './limits';
import { findShortfall } from './lower';
import { listExtraMeasures, type ExtraMeasure } from './shortfall';
import type { Aim } from './fields';
import { drawShuttersApart } from './shutters';
import type { PlanningPhase } from './phases';
import { computeStages, type Stage } from './stages';

/** One answer of the planner. `optimal` when it is proved best; `gap` is the share of its first figure
 * (0 to 1) that a better plan could save at most. */
export interface PlanAnswer extends IsolationPlan {
  readonly cost: PlanCost;
  readonly passes: boolean;
  readonly findings: readonly Finding[];
  readonly extra_measures: readonly ExtraMeasure[];
  readonly stages: readonly Stage[];
  /** Valves that stand open and on which its let-downs rely: each is seen open. */
  readonly seen_open: readonly string[];
  /** True when some source cannot be held back at all and this is the plan for the rest: it never passes. */
  readonly partial: boolean;
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

/** Told of what happens while planning goes on. */
export interface PlanningWatch {
  /** A search begins. */
  readonly onStart?: (what: PlanningPhase) => void;
  /** An answer is there, while others are still sought. */
  readonly onAnswer?: (aim: Aim, answer: PlanAnswer) => void;
}

const AIMS: readonly Aim[] = ['effort', 'outage', 'points'];

/** A problem without the sources that nothing can hold back: the plan for all the rest is sought as if these were run empty. */
function leaveOut(graph: PlantGraph, requirement: Requirement, hopeless: readonly string[]) {
  const gone = new Set(hopeless);
  const isLeft = ({ id }: { readonly id: string }) => !gone.has(id);
  const { demands, trace } = requirement;
  return {
    graph: emptyOut(
      graph,
      hopeless.flatMap((id) => graph.sectionAt.get(id) ?? []),
    ),
    requirement: {
      ...requirement,
      demands: demands.filter(isLeft),
      trace: { ...trace, sources: trace.sources.filter(isLeft), far: trace.far.filter(isLeft) },
    },
  };
}

/** What is planned in the end: the problem itself, lowered where its grades cannot be had, without what nothing holds back. */
interface Attempt {
  readonly graph: PlantGraph;
  readonly requirement: Requirement;
  readonly finder: PlanFinder;
  readonly unmet: readonly string[];
  readonly measures: readonly ExtraMeasure[];
  readonly isFeasible: boolean;
  readonly isPartial: boolean;
}

function attempt(
  graph: PlantGraph,
  requirement: Requirement,
  limits: SearchLimits,
  onShortfall: () => void,
): Attempt {
  const outright = new PlanFinder(graph, requirement, {}, limits);
  if (outright.best('effort') !== undefined) {
    const none = { unmet: [], measures: [], isFeasible: true, isPartial: false };
    return { graph, requirement, finder: outright, ...none };
  }
  onShortfall();
  const shortfall = findShortfall(graph, requirement, {}, limits);
  const measures = listExtraMeasures(graph, requirement, shortfall);
  if (shortfall.hopeless.length === 0) {
    const finder = new PlanFinder(graph, shortfall.requirement, shortfall.options, limits);
    const { unmet } = shortfall;
    return { graph, requirement, finder, unmet, measures, isFeasible: false, isPartial: false };
  }
  const rest = leaveOut(graph, requirement, shortfall.hopeless);
  const further = attempt(rest.graph, rest.requirement, limits, () => undefined);
  return {
    ...further,
    unmet: [...new Set([...shortfall.hopeless, ...further.unmet])].sort(),
    measures: [...measures.filter(({ kind }) => kind === 'no-plan'), ...further.measures],
    isFeasible: false,
    isPartial: true,
  };
}

/**
 * Plans the isolation of a job: for each aim the cheapest set of points that passes the check, proved best. When no set
 * reaches the grades, names the sources that no plan reaches and offers the best there is after lowering as few grades as
 * possible, with the extra measures that a person must accept. Where nothing can hold a source back at all, what is offered is the
 * plan for the rest: partial, and never passing.
 */
export function planIsolation(
  drawn: PlantGraph,
  requirement: Requirement,
  limits: SearchLimits = DEFAULT_LIMITS,
  watch: PlanningWatch = {},
): PlanningResult {
  const graph = asEmptied(drawn, requirement);
  watch.onStart?.('grades');
  const tried = attempt(drawShuttersApart(graph), requirement, limits, () =>
    watch.onStart?.('shortfall'),
  );
  const known = new Map<string, readonly Stage[]>();
  const stagesOf = ({ plan, isProved }: Pick<BestPlan, 'plan' | 'isProved'>): readonly Stage[] => {
    const key = JSON.stringify([plan.close, plan.open, plan.restrain, plan.stand, isProved]);
    const before = known.get(key);
    if (before) return before;
    watch.onStart?.('stages');
    const stages = computeStages(tried.graph, tried.requirement, plan, isProved, limits);
    known.set(key, stages);
    return stages;
  };
  const answer = (aim: Aim): PlanAnswer => {
    watch.onStart?.(aim);
    const best: Pick<BestPlan, 'plan' | 'isProved' | 'gap'> = tried.finder.best(aim) ?? {
      plan: EMPTY_PLAN,
      isProved: true,
      gap: 0,
    };
    const made: PlanAnswer = {
      ...best.plan,
      cost: computeCost(graph, best.plan),
      ...checkPlan(graph, requirement, best.plan),
      extra_measures: tried.measures,
      stages: stagesOf(best),
      seen_open: listSeenOpen(graph, requirement, best.plan),
      partial: tried.isPartial,
      optimal: best.isProved,
      gap: best.gap,
    };
    watch.onAnswer?.(aim, made);
    return made;
  };
  return {
    feasible: tried.isFeasible,
    unmet: tried.unmet,
    grades: Object.fromEntries(requirement.demands.map(({ id, grade }) => [id, grade])),
    answers: Object.fromEntries(AIMS.map((aim) => [aim, answer(aim)])) as Record<Aim, PlanAnswer>,
  };
}
