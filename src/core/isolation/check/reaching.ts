import type { PlantGraph } from '../../plant';
import type { PlantState } from '../bodies';
import { makeFinding, type Finding } from '../findings';
import {
  DRIVEN,
  ENDS_HERE,
  followRoute,
  ITSELF,
  LEAKED,
  searchModes,
  stateOf,
  type ModeTree,
} from '../modes';
import type { Requirement, SourceDemand } from '../requirement';
import { nameRoute, UNREACHED } from '../routes';
import { listArrived } from '../trace';
import { describeRoute, mendBetween, mendByClosing, takeBest } from './mends';

const ALL_MODES = [ITSELF, LEAKED, DRIVEN, ENDS_HERE];
const COMES_OVER = [ITSELF, LEAKED];

const costOf = (tree: ModeTree, source: number) => tree.cost[stateOf(source, ITSELF)] as number;
const routeOf = (tree: ModeTree, source: number) => followRoute(tree, stateOf(source, ITSELF));

/** The arrivals that a grade is about: what comes over where anything does, else whatever arrives. */
const modesOf = ({ isGraded }: SourceDemand) => (isGraded ? COMES_OVER : ALL_MODES);

/** Sources that reach the work in any mode over what the plan leaves open, by section. */
export function findReaching(
  graph: PlantGraph,
  state: PlantState,
  { demands, trace }: Requirement,
): Map<number, Finding> {
  const tree = searchModes(graph, listArrived(trace.zone, ALL_MODES), {
    weigh: (link) => (state.barred[link] ? -1 : 0),
  });
  const found = new Map<number, Finding>();
  const far = trace.far.map(({ section, id }) => ({ source: section, id }));
  for (const { source, id } of [...demands, ...far]) {
    if (costOf(tree, source) === UNREACHED) continue;
    const route = routeOf(tree, source);
    const mends = takeBest(mendByClosing(graph, state, route));
    const way = describeRoute(graph, route);
    const words =
      route.length === 0
        ? `${id} is a source and is itself part of the work: nothing can stand between`
        : mends.length === 0
          ? `${id} reaches the work over links that never isolate (${way}): no plan can hold it back`
          : `${id} still reaches the work by ${way}: no closed and locked barrier stands on this route`;
    found.set(
      source,
      makeFinding('source-reaches-work', id, words, { route: nameRoute(graph, route), mends }),
    );
  }
  return found;
}

/** Runs a search once for the demands that ask for what comes over, once for those that only are driven. */
function* searchByModes(
  graph: PlantGraph,
  { trace }: Requirement,
  demands: readonly SourceDemand[],
  search: Parameters<typeof searchModes>[2],
): Generator<readonly [SourceDemand, ModeTree]> {
  for (const modes of [COMES_OVER, ALL_MODES]) {
    const asked = demands.filter((demand) => modesOf(demand) === modes);
    if (asked.length === 0) continue;
    const tree = searchModes(graph, listArrived(trace.zone, modes), search);
    for (const demand of asked) yield [demand, tree];
  }
}

/** Sources graded `double` that some route lets through with less than two barriers on it. */
export function findDoubleBroken(
  graph: PlantGraph,
  state: PlantState,
  requirement: Requirement,
  demands: readonly SourceDemand[],
): Finding[] {
  const weigh = (link: number) => (state.barred[link] ? (graph.strength[link] as number) : 0);
  return [...searchByModes(graph, requirement, demands, { weigh })].flatMap(([demand, tree]) => {
    const { source, id } = demand;
    if (costOf(tree, source) >= 2) return [];
    const route = routeOf(tree, source);
    const words = `${id} needs two barriers in series; this route has one: ${describeRoute(graph, route)}`;
    const mends = takeBest(mendByClosing(graph, state, route));
    return [makeFinding('double-not-met', id, words, { route: nameRoute(graph, route), mends })];
  });
}

/** Sources that arrive once positive barriers, and bled parts where these count, are struck out of the plant. */
export function findUnstruck(
  graph: PlantGraph,
  state: PlantState,
  requirement: Requirement,
  demands: readonly SourceDemand[],
  code: 'double-bled-not-met' | 'positive-not-met',
): Finding[] {
  const zoneBodies = new Set(requirement.trace.zone.map((section) => state.body[section]));
  const bledCounts = code === 'double-bled-not-met';
  const search = {
    weigh: (link: number) => (state.barred[link] && graph.strength[link] === 2 ? -1 : 0),
    isStruck: (section: number) =>
      bledCounts &&
      state.bled[state.part[section] as number] === 1 &&
      !zoneBodies.has(state.body[section]),
  };
  return [...searchByModes(graph, requirement, demands, search)].flatMap(([demand, tree]) => {
    const { source, id } = demand;
    if (costOf(tree, source) === UNREACHED) return [];
    const route = routeOf(tree, source);
    const way = describeRoute(graph, route);
    const mends = bledCounts
      ? [...mendBetween(graph, state, route, source), ...mendByClosing(graph, state, route)]
      : mendByClosing(graph, state, route, 2);
    const words = bledCounts
      ? `${id} needs two barriers with an open bleed between them, or a positive one; this route has neither: ${way}`
      : `${id} needs a physical gap or blank; this route has none: ${way}`;
    const more = { route: nameRoute(graph, route), mends: takeBest(mends) };
    return [makeFinding(code, id, words, more)];
  });
}
