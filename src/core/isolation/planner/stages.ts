import { STAGED_KINDS, type IsolationPlan, type PlantGraph, type Scope } from '../../plant';
import { checkPlan } from '../check';
import { computeCost, type PlanCost } from '../cost';
import type { Finding } from '../findings';
import { computeRequirement, needsBleed, type Requirement } from '../requirement';
import { findBestPlan } from './best';
import { findShortfall } from './lower';
import { listExtraMeasures, type ExtraMeasure } from './shortfall';
import type { ProgrammeSolver } from './programme';

/** One stage of an isolation: the valved one under which positive barriers are fitted, then the final one. */
export interface Stage extends IsolationPlan {
  readonly name: 'valved' | 'final';
  /** What is fitted at the end of this stage, under its locks. */
  readonly fits: readonly string[];
  readonly cost: PlanCost;
  readonly passes: boolean;
  readonly findings: readonly Finding[];
  readonly extra_measures: readonly ExtraMeasure[];
}

/** Links of a plan that have to be fitted into an opened line. */
export function listFitted(graph: PlantGraph, plan: IsolationPlan): string[] {
  return plan.close.filter((id) => {
    const link = graph.links[graph.linkAt.get(id) ?? -1];
    return link !== undefined && STAGED_KINDS.has(link.kind) && link.normal !== 'closed';
  });
}

/** The requirement while positive barriers are fitted: the work and both ends of each, opened, at most double-bled. */
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
  };
  const opened = computeRequirement(graph, scope, {}, requirement.policy);
  return {
    ...opened,
    demands: opened.demands.map((demand) => {
      const grade = demand.grade === 'positive' ? 'double-bled' : demand.grade;
      const medium = graph.medium[demand.source];
      return { ...demand, grade, bled: medium !== undefined && needsBleed(medium, grade) };
    }),
  };
}

const numbersOf = (ids: readonly string[], table: ReadonlyMap<string, number>) =>
  new Set(ids.flatMap((id) => table.get(id) ?? []));

/**
 * Stages of a plan. Empty when nothing in it has to be fitted into an opened line. The first stage uses valves and blinds that
 * already stand closed; what it shares with the final plan costs nothing; its locks stay on until the blinds are out again.
 */
export function computeStages(
  graph: PlantGraph,
  requirement: Requirement,
  plan: IsolationPlan,
  solver: ProgrammeSolver,
): Stage[] {
  const fitted = listFitted(graph, plan);
  if (fitted.length === 0) return [];
  const toFit = requirementToFit(graph, requirement, fitted);
  const options = {
    mayClose: (link: number) =>
      graph.strength[link] === 1 ||
      (graph.strength[link] === 2 && graph.links[link]?.normal === 'closed'),
    paidLinks: numbersOf(plan.close, graph.linkAt),
    paidOutlets: numbersOf(plan.open, graph.outletAt),
    paidStores: numbersOf(plan.restrain, graph.storeAt),
  };
  const outright = findBestPlan(graph, toFit, 'effort', solver, options);
  const shortfall = outright ? undefined : findShortfall(graph, toFit, solver, options);
  const valved =
    outright ??
    (shortfall && shortfall.hopeless.length === 0
      ? findBestPlan(graph, shortfall.requirement, 'effort', solver, {
          ...options,
          ...shortfall.options,
        })
      : undefined) ??
    ({ close: [], open: [], restrain: [] } satisfies IsolationPlan);
  const stage = (name: Stage['name'], one: IsolationPlan, under: Requirement): Stage => ({
    name,
    close: one.close,
    open: one.open,
    restrain: one.restrain,
    fits: name === 'valved' ? fitted : [],
    cost: computeCost(graph, one),
    ...checkPlan(graph, under, one),
    extra_measures:
      name === 'valved' && shortfall ? listExtraMeasures(graph, toFit, shortfall) : [],
  });
  return [stage('valved', valved, toFit), stage('final', plan, requirement)];
}
