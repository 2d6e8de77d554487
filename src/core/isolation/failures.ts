import type { Grade, IsolationPlan, PlantGraph } from '../plant';
import { computePlantState, sectionOfOutlet, type PlantState } from './bodies';
import { asEmptied, type Requirement } from './requirement';
import { rankGrade } from './grades';
import { DRIVEN, ENDS_HERE, followRoute, ITSELF, LEAKED, searchModes, stateOf } from './modes';
import { nameRoute, UNREACHED } from './routes';
import { listArrived } from './trace';

/** A source on the far side of a barrier that fails, and what is left between it and the work. */
export interface Exposure {
  readonly source: string;
  readonly grade: Grade;
  /** True when nothing is left: it reaches the crew. */
  readonly reaches: boolean;
  /** Closed and locked links that still stand on its weakest way to the work, source first. */
  readonly stands: readonly string[];
  readonly route: readonly string[];
}

/** Where the crew would notice: flow at an open outlet, or a rise on a gauge. */
export interface Sign {
  readonly kind: 'flow' | 'rise';
  readonly id: string;
  readonly section: string;
}

/** What comes of one closed link of a plan that passes or is opened by mistake. */
export interface Failure {
  readonly link: string;
  readonly kind: string;
  /** Sources that this link holds back, those that reach the crew first. */
  readonly exposures: readonly Exposure[];
  /** Empty when nothing would be noticed. */
  readonly signs: readonly Sign[];
}

/** The same state with one barrier struck out. */
export const without = (graph: PlantGraph, plan: IsolationPlan, id: string): PlantState =>
  computePlantState(graph, { ...plan, close: plan.close.filter((other) => other !== id) });

/** The end of a failed link whose body was dead before and holds a source now; undefined when there is none. */
function findEntered(
  graph: PlantGraph,
  before: PlantState,
  after: PlantState,
  link: number,
): number | undefined {
  return [0, 1]
    .map((end) => graph.ends[2 * link + end] as number)
    .find(
      (section) =>
        !before.live[before.body[section] as number] && after.live[after.body[section] as number],
    );
}

function listExposures(
  graph: PlantGraph,
  requirement: Requirement,
  before: PlantState,
  after: PlantState,
  link: number,
): Exposure[] {
  const strength = (state: PlantState) => (one: number) =>
    state.barred[one] ? (graph.strength[one] as number) : 0;
  const arrived = listArrived(requirement.trace.zone, [ITSELF, LEAKED, DRIVEN, ENDS_HERE]);
  const then = searchModes(graph, arrived, { weigh: strength(before) });
  const now = searchModes(graph, arrived, { weigh: strength(after) });
  const costOf = (tree: typeof now, section: number) =>
    tree.cost[stateOf(section, ITSELF)] as number;
  const entered = findEntered(graph, before, after, link);
  return requirement.demands.flatMap(({ source, id, grade }) => {
    const enters = entered !== undefined && after.body[source] === after.body[entered];
    const isNearer = costOf(now, source) < costOf(then, source);
    if (!enters && !isNearer) return [];
    const from = enters ? entered : source;
    if (costOf(now, from) === UNREACHED) return [];
    const onward = followRoute(now, stateOf(from, ITSELF));
    const route = enters ? [link, ...onward] : onward;
    const stands = onward.filter((one) => after.barred[one]);
    return [
      {
        source: id,
        grade,
        reaches: costOf(now, from) === 0,
        stands: nameRoute(graph, stands),
        route: nameRoute(graph, route),
      },
    ];
  });
}

/** What can be seen in the body that the failed link lets energy into. */
function listSigns(graph: PlantGraph, before: PlantState, after: PlantState, link: number): Sign[] {
  const entered = findEntered(graph, before, after, link);
  if (entered === undefined) return [];
  const isIn = (section: number) => before.body[section] === before.body[entered];
  const flows = after.opened
    .filter((outlet) => isIn(sectionOfOutlet(graph, outlet)))
    .flatMap((outlet) => graph.outlets[outlet] ?? [])
    .filter(({ kind, plugged }) => kind !== 'earth' && plugged !== true)
    .map(({ id, section }): Sign => ({ kind: 'flow', id, section }));
  const rises = graph.plant.gauges
    .filter(({ section }) => isIn(graph.sectionAt.get(section) ?? -1))
    .map(({ id, section }): Sign => ({ kind: 'rise', id, section }));
  return [...flows, ...rises];
}

/** Worst first: what reaches the crew, at the highest grade; then what leaves the least between; then what nobody would notice. */
function compareFailures(a: Failure, b: Failure): number {
  const reaching = ({ exposures }: Failure) => exposures.filter((one) => one.reaches);
  const worst = (failure: Failure) =>
    Math.max(-1, ...reaching(failure).map(({ grade }) => rankGrade(grade)));
  const left = ({ exposures }: Failure) =>
    Math.min(Infinity, ...exposures.map(({ stands }) => stands.length));
  return (
    worst(b) - worst(a) ||
    reaching(b).length - reaching(a).length ||
    Math.min(9, left(a)) - Math.min(9, left(b)) ||
    Math.min(1, a.signs.length) - Math.min(1, b.signs.length) ||
    (a.link < b.link ? -1 : 1)
  );
}

/**
 * For each closed link of a plan in turn: if this one passes or is opened by mistake, which sources come nearer to the work or
 * reach it, what still stands between, and where the crew would notice. Worst first. Links that are no barrier, and
 * ids that the plant does not have, are left out.
 */
export function listFailures(
  drawn: PlantGraph,
  requirement: Requirement,
  plan: IsolationPlan,
): Failure[] {
  const graph = asEmptied(drawn, requirement);
  const before = computePlantState(graph, plan);
  return [...new Set(plan.close)]
    .flatMap((id) => {
      const link = graph.linkAt.get(id);
      if (link === undefined || !before.barred[link]) return [];
      const after = without(graph, plan, id);
      const exposures = listExposures(graph, requirement, before, after, link);
      exposures.sort((a, b) => Number(b.reaches) - Number(a.reaches));
      return [
        {
          link: id,
          kind: graph.links[link]?.kind ?? '',
          exposures,
          signs: listSigns(graph, before, after, link),
        },
      ];
    })
    .sort(compareFailures);
}
