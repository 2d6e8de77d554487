import { GRADES, type Grade, type PlantGraph } from '../../plant';
import { computeCost } from '../cost';
import { needsBleed, rankGrade, type Requirement, type SourceDemand } from '../requirement';
import { findBestPlan } from './best';
import { buildModel, type PlannerOptions } from './model';
import type { ProgrammeSolver } from './programme';
import type { Shortfall } from './shortfall';
import { PlanSearch } from './solve';

/** A requirement that asks for one source alone, and for no store and no earth. */
const aloneWith = (requirement: Requirement, demand: SourceDemand): Requirement => ({
  ...requirement,
  demands: [demand],
  earths: [],
});

const withGrade = (graph: PlantGraph, demand: SourceDemand, grade: Grade): SourceDemand => {
  const medium = graph.medium[demand.source];
  return { ...demand, grade, bled: medium !== undefined && needsBleed(medium, grade) };
};

const allStores = (graph: PlantGraph): ReadonlySet<number> => new Set(graph.stores.keys());

function isFeasible(
  graph: PlantGraph,
  requirement: Requirement,
  solver: ProgrammeSolver,
  options: PlannerOptions,
): boolean {
  return new PlanSearch(buildModel(graph, requirement, options), solver).isFeasible();
}

/** Lowers each source that no plan reaches until one does, alone; undefined for one that nothing can hold back. */
function lowerAlone(
  graph: PlantGraph,
  requirement: Requirement,
  demand: SourceDemand,
  solver: ProgrammeSolver,
  options: PlannerOptions,
): SourceDemand | undefined {
  const waived = { ...options, waivedStores: allStores(graph) };
  for (let rank = rankGrade(demand.grade); rank >= 0; rank--) {
    const lowered = withGrade(graph, demand, GRADES[rank] as Grade);
    if (isFeasible(graph, aloneWith(requirement, lowered), solver, waived)) return lowered;
  }
  return undefined;
}

/** Every way of lowering `steps` more grades in all, spread over the demands. */
function* spreadSteps(demands: readonly SourceDemand[], steps: number): Generator<number[]> {
  const [first, ...rest] = demands;
  if (first === undefined) {
    if (steps === 0) yield [];
    return;
  }
  for (let taken = Math.min(steps, rankGrade(first.grade)); taken >= 0; taken--) {
    for (const others of spreadSteps(rest, steps - taken)) yield [taken, ...others];
  }
}

/** What has to be given up so that some plan passes; undefined when nothing but not doing the job helps. */
export function findShortfall(
  graph: PlantGraph,
  requirement: Requirement,
  solver: ProgrammeSolver,
  options: PlannerOptions = {},
): Shortfall {
  const lowered = requirement.demands.map((demand) => ({
    demand,
    best: lowerAlone(graph, requirement, demand, solver, options),
  }));
  const hopeless = lowered.filter(({ best }) => best === undefined).map(({ demand }) => demand.id);
  const changed = lowered.filter(({ demand, best }) => best?.grade !== demand.grade);
  const none = { waivedStores: new Set<number>(), waivedEarths: new Set<number>() };
  if (hopeless.length > 0) {
    return { hopeless, unmet: changed.map(({ demand }) => demand.id), requirement, options: none };
  }
  const base: Requirement = {
    ...requirement,
    demands: lowered.map(({ best }) => best as SourceDemand),
  };
  const waivers = findWaivers(graph, base, solver, options);
  const reached = lowerTogether(graph, base, solver, { ...options, ...waivers });
  const unmet = requirement.demands
    .filter((demand, n) => reached.demands[n]?.grade !== demand.grade)
    .map((demand) => demand.id);
  const unearthed = requirement.earths
    .filter((earth) => waivers.waivedEarths.has(earth.section))
    .flatMap((earth) => earth.sources);
  return {
    hopeless,
    unmet: [...new Set([...unmet, ...unearthed])].sort(),
    requirement: reached,
    options: waivers,
  };
}

/** The stores and earths that no plan can serve, few as possible in the order of ids. */
function findWaivers(
  graph: PlantGraph,
  requirement: Requirement,
  solver: ProgrammeSolver,
  options: PlannerOptions,
) {
  const stores = new Set(allStores(graph));
  const earths = new Set(requirement.earths.map((earth) => earth.section));
  const floor: Requirement = {
    ...requirement,
    demands: requirement.demands.map((demand) => withGrade(graph, demand, 'single')),
  };
  const passes = () =>
    isFeasible(graph, floor, solver, { ...options, waivedStores: stores, waivedEarths: earths });
  for (const waived of [stores, earths]) {
    for (const one of [...waived]) {
      waived.delete(one);
      if (!passes()) waived.add(one);
    }
  }
  return { waivedStores: stores, waivedEarths: earths };
}

function lowerTogether(
  graph: PlantGraph,
  requirement: Requirement,
  solver: ProgrammeSolver,
  options: PlannerOptions,
): Requirement {
  const most = requirement.demands.reduce((sum, demand) => sum + rankGrade(demand.grade), 0);
  for (let steps = 0; steps <= most; steps++) {
    const passing = [...spreadSteps(requirement.demands, steps)]
      .map((spread) => ({
        ...requirement,
        demands: requirement.demands.map((demand, n) =>
          withGrade(graph, demand, GRADES[rankGrade(demand.grade) - (spread[n] ?? 0)] as Grade),
        ),
      }))
      .flatMap((lowered) => {
        const plan = findBestPlan(graph, lowered, 'effort', solver, options);
        return plan ? [{ lowered, effort: computeCost(graph, plan).effort }] : [];
      })
      .sort((a, b) => a.effort - b.effort);
    if (passing[0]) return passing[0].lowered;
  }
  return requirement;
}
