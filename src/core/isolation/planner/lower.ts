import { GRADES, type Grade, type PlantGraph } from '../../plant';
import { computeCost } from '../cost';
import { needsBleed, type Requirement, type SourceDemand } from '../requirement';
import { rankGrade } from '../grades';
import { findBestPlan, PlanFinder } from './best';
import { DEFAULT_LIMITS, type SearchLimits } from './limits';
import { buildModel, withFar, type PlannerOptions } from './model';
import { computeAttainable } from './attainable';
import type { Shortfall } from './shortfall';

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
  options: PlannerOptions,
  limits: SearchLimits,
): boolean {
  return new PlanFinder(graph, requirement, options, limits).isFeasible();
}

/** Lowers each source that no plan reaches until one does, alone; undefined for one that nothing can hold back. */
function lowerAlone(
  graph: PlantGraph,
  requirement: Requirement,
  demand: SourceDemand,
  options: PlannerOptions,
  limits: SearchLimits,
): SourceDemand | undefined {
  const waived = { ...options, waivedStores: allStores(graph) };
  for (let rank = rankGrade(demand.grade); rank >= 0; rank--) {
    const lowered = withGrade(graph, demand, GRADES[rank] as Grade);
    if (isFeasible(graph, aloneWith(requirement, lowered), waived, limits)) return lowered;
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

/** Lowers each source to the highest grade that nothing speaks against; undefined for one that nothing can hold back. */
function lowerPlainly(
  graph: PlantGraph,
  requirement: Requirement,
  options: PlannerOptions,
): (SourceDemand | undefined)[] {
  const attainable = computeAttainable(graph, buildModel(graph, requirement, options));
  return requirement.demands.map((demand) => {
    for (let rank = rankGrade(demand.grade); rank >= 0; rank--) {
      const grade = GRADES[rank] as Grade;
      if (attainable.allows(demand, grade)) {
        return grade === demand.grade ? demand : withGrade(graph, demand, grade);
      }
    }
    return undefined;
  });
}

/** What is left to say where nothing can hold some sources back: the rest is planned without them. */
const withoutHope = (
  requirement: Requirement,
  lowered: readonly (SourceDemand | undefined)[],
  hopeless: readonly SourceDemand[],
): Shortfall => ({
  hopeless: hopeless.map(({ id }) => id),
  unmet: requirement.demands
    .filter((demand, n) => lowered[n]?.grade !== demand.grade)
    .map(({ id }) => id),
  requirement,
  options: { waivedStores: new Set(), waivedEarths: new Set() },
});

/**
 * What has to be given up so that some plan passes: the sources that no plan reaches, each lowered until one does, then as
 * few further grades as possible. Hopeless sources have no plan at whatever grade.
 *
 * A plan for all shows that each source can be had alone, so the long search for each alone is made only when the sources that
 * are plainly out of reach are not all.
 */
export function findShortfall(
  graph: PlantGraph,
  asked: Requirement,
  options: PlannerOptions = {},
  limits: SearchLimits = DEFAULT_LIMITS,
): Shortfall {
  const requirement = withFar(asked);
  const plainly = lowerPlainly(graph, requirement, options);
  const hopeless = requirement.demands.filter((_, n) => plainly[n] === undefined);
  if (hopeless.length > 0) return withoutHope(requirement, plainly, hopeless);
  const plain: Requirement = { ...requirement, demands: plainly as SourceDemand[] };
  const waivers = findWaivers(graph, plain, options, limits);
  const given = { ...options, ...waivers };
  const isReached = isFeasible(graph, plain, given, limits);
  const alone = isReached ? plain.demands : lowerEach(graph, plain, given, limits);
  const lost = plain.demands.filter((_, n) => alone[n] === undefined);
  if (lost.length > 0) return withoutHope(requirement, alone, lost);
  const lowered = { ...plain, demands: alone as SourceDemand[] };
  const reached = isReached ? plain : lowerTogether(graph, lowered, given, limits);
  const unearthed = requirement.earths
    .filter((earth) => waivers.waivedEarths.has(earth.section))
    .flatMap((earth) => earth.sources);
  const unmet = requirement.demands
    .filter((demand, n) => reached.demands[n]?.grade !== demand.grade)
    .map(({ id }) => id);
  return {
    hopeless: [],
    unmet: [...new Set([...unmet, ...unearthed])].sort(),
    requirement: reached,
    options: waivers,
  };
}

/** Lowers each source until a plan reaches it alone; undefined for one that nothing can hold back. */
function lowerEach(
  graph: PlantGraph,
  requirement: Requirement,
  options: PlannerOptions,
  limits: SearchLimits,
): (SourceDemand | undefined)[] {
  return requirement.demands.map((demand) =>
    lowerAlone(graph, requirement, demand, options, limits),
  );
}

/** The stores and earths that no plan can serve, few as possible in the order of ids. */
function findWaivers(
  graph: PlantGraph,
  requirement: Requirement,
  options: PlannerOptions,
  limits: SearchLimits,
) {
  const floor: Requirement = {
    ...requirement,
    demands: requirement.demands.map((demand) => withGrade(graph, demand, 'single')),
  };
  const passes = (stores: ReadonlySet<number>, earths: ReadonlySet<number>) =>
    isFeasible(graph, floor, { ...options, waivedStores: stores, waivedEarths: earths }, limits);
  const none = new Set<number>();
  if (passes(none, none)) return { waivedStores: none, waivedEarths: none };
  const stores = new Set(allStores(graph));
  const earths = new Set(requirement.earths.map((earth) => earth.section));
  for (const waived of [stores, earths]) {
    for (const one of [...waived]) {
      waived.delete(one);
      if (!passes(stores, earths)) waived.add(one);
    }
  }
  return { waivedStores: stores, waivedEarths: earths };
}

function lowerTogether(
  graph: PlantGraph,
  requirement: Requirement,
  options: PlannerOptions,
  limits: SearchLimits,
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
        const plan = findBestPlan(graph, lowered, 'effort', options, limits);
        return plan ? [{ lowered, effort: computeCost(graph, plan).effort }] : [];
      })
      .sort((a, b) => a.effort - b.effort);
    if (passing[0]) return passing[0].lowered;
  }
  return requirement;
}
