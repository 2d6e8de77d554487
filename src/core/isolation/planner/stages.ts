import {
  EMPTY_PLAN,
  STAGED_KINDS,
  type IsolationPlan,
  type Link,
  type PlantGraph,
  type Scope,
} from '../../plant';
import { checkPlan, type CheckResult } from '../check/check';
import { computeCost, type PlanCost } from '../cost';
import type { Finding } from '../findings';
import { computeRequirement, needsBleed, type Requirement } from '../requirement';
import { rankGrade } from '../grades';
import { PlanFinder } from './best';
import { DEFAULT_LIMITS, type SearchLimits } from './limits';
import { findShortfall } from './lower';
import { listExtraMeasures, type ExtraMeasure } from './shortfall';

/** One stage of an isolation: the valved one under which positive barriers are fitted, then the final one. */
export interface Stage extends IsolationPlan {
  readonly name: 'valved' | 'final';
  /** What is fitted at the end of this stage, under its locks. */
  readonly fits: readonly string[];
  readonly cost: PlanCost;
  readonly passes: boolean;
  readonly findings: readonly Finding[];
  readonly extra_measures: readonly ExtraMeasure[];
  /** True when it is proved that no plan for this stage is cheaper. */
  readonly optimal: boolean;
}

/** Whether closing a link means opening the line to fit something, which takes a stage of its own. */
const needsFitting = (link: Link | undefined): boolean =>
  link !== undefined && STAGED_KINDS.has(link.kind) && link.normal !== 'closed';

/** Links of a plan that have to be fitted into an opened line. */
export const listFitted = (graph: PlantGraph, plan: IsolationPlan): string[] =>
  plan.close.filter((id) => needsFitting(graph.links[graph.linkAt.get(id) ?? -1]));

/**
 * The requirement while positive barriers are fitted: the work and both ends of each, opened, at most double-bled. A source
 * that was lowered by name for the job is not held to more here.
 */
function requirementToFit(
  graph: PlantGraph,
  requirement: Requirement,
  fitted: readonly string[],
): Requirement {
  const ends = fitted.flatMap((id) => graph.links[graph.linkAt.get(id) ?? -1]?.between ?? []);
  const work = requirement.trace.zone.map((section) => graph.sections[section]?.id ?? '');
  const scope: Scope = {
    work: [...new Set([...work, ...ends])].map((section) => ({ section, activity: 'open' })),
    hours: 1,
    emptied: requirement.trace.emptied.map(({ id }) => id),
  };
  const lowered = new Map(
    requirement.demands
      .filter((demand) => rankGrade(demand.grade) < rankGrade(demand.tableGrade))
      .map((demand) => [demand.id, demand.grade]),
  );
  const opened = computeRequirement(
    graph,
    scope,
    {},
    requirement.policy,
    requirement.reliefAccepted,
  );
  return {
    ...opened,
    demands: opened.demands.map((demand) => {
      const least = [demand.grade, 'double-bled' as const, lowered.get(demand.id)].flatMap(
        (grade) => grade ?? [],
      );
      const grade = least.reduce((a, b) => (rankGrade(a) <= rankGrade(b) ? a : b));
      const medium = graph.medium[demand.source];
      return { ...demand, grade, bled: medium !== undefined && needsBleed(medium, grade) };
    }),
  };
}

/**
 * Checks what stands while the positive barriers of a plan are being fitted: everything in it but those. Undefined when
 * nothing in it has to be fitted into an opened line.
 */
export function checkValvedStage(
  graph: PlantGraph,
  requirement: Requirement,
  plan: IsolationPlan,
): (CheckResult & { readonly fits: readonly string[] }) | undefined {
  const fits = listFitted(graph, plan);
  if (fits.length === 0) return undefined;
  const valved = { ...plan, close: plan.close.filter((id) => !fits.includes(id)) };
  return { fits, ...checkPlan(graph, requirementToFit(graph, requirement, fits), valved) };
}

const numbersOf = (ids: readonly string[], table: ReadonlyMap<string, number>) =>
  new Set(ids.flatMap((id) => table.get(id) ?? []));

/**
 * Stages of a plan. Empty when nothing in it has to be fitted into an opened line. The first stage uses what can be closed
 * without opening a line: valves, breakers (withdrawn ones too), pins, and blinds that already stand closed; what it shares
 * with the final plan costs nothing; its locks stay on until the blinds are out again.
 * `isProved` says whether the plan itself is proved best.
 */
export function computeStages(
  graph: PlantGraph,
  requirement: Requirement,
  plan: IsolationPlan,
  isProved: boolean,
  limits: SearchLimits = DEFAULT_LIMITS,
): Stage[] {
  const fitted = listFitted(graph, plan);
  if (fitted.length === 0) return [];
  const toFit = requirementToFit(graph, requirement, fitted);
  const options = {
    ignoresOutage: true,
    mayClose: (link: number) => !needsFitting(graph.links[link]),
    paidLinks: numbersOf(plan.close, graph.linkAt),
    paidOutlets: numbersOf(plan.open, graph.outletAt),
    paidStores: numbersOf(plan.restrain, graph.storeAt),
    paidStands: numbersOf(plan.stand ?? [], graph.linkAt),
  };
  const outright = new PlanFinder(graph, toFit, options, limits).best('effort');
  const shortfall = outright ? undefined : findShortfall(graph, toFit, options, limits);
  const valved =
    outright ??
    (shortfall && shortfall.hopeless.length === 0
      ? new PlanFinder(
          graph,
          shortfall.requirement,
          { ...options, ...shortfall.options },
          limits,
        ).best('effort')
      : undefined);
  const stage = (
    name: Stage['name'],
    one: IsolationPlan,
    under: Requirement,
    optimal: boolean,
  ): Stage => ({
    name,
    close: one.close,
    open: one.open,
    restrain: one.restrain,
    ...(one.stand ? { stand: one.stand } : {}),
    fits: name === 'valved' ? fitted : [],
    cost: computeCost(graph, one),
    ...checkPlan(graph, under, one),
    extra_measures:
      name === 'valved' && shortfall ? listExtraMeasures(graph, toFit, shortfall) : [],
    optimal,
  });
  return [
    stage('valved', valved?.plan ?? EMPTY_PLAN, toFit, valved?.isProved ?? true),
    stage('final', plan, requirement, isProved),
  ];
}
