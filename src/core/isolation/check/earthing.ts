import { isFitEarth, linksOf, type Outlet, type PlantGraph } from '../../plant';
import { isThrough, sectionOfOutlet, type PlantState } from '../bodies';
import { makeFinding, type Finding } from '../findings';
import type { EarthDemand } from '../requirement';
import { nameRoute, searchRoutes, traceBack, UNREACHED } from '../routes';
import { takeBest } from './mends';

/** A work section that no earth keeps from a point of isolation; none when every way from it meets an earth first. */
export function findUnearthed(
  graph: PlantGraph,
  state: PlantState,
  { section, reason }: EarthDemand,
): Finding[] {
  const earthed = new Set(
    state.opened
      .filter((outlet) => isFitEarth(graph.outlets[outlet] as Outlet))
      .map((outlet) => sectionOfOutlet(graph, outlet)),
  );
  if (earthed.has(section)) return [];
  const tree = searchRoutes(graph, [section], (link, _section, next) =>
    state.barred[link] || earthed.has(next) || !isThrough(graph, link) ? -1 : 0,
  );
  const walked = [...tree.cost.keys()].filter((one) => tree.cost[one] !== UNREACHED);
  const barrierAt = walked.find((one) =>
    linksOf(graph, one).some((link) => state.barred[link] === 1 && isThrough(graph, link)),
  );
  if (barrierAt === undefined) return [];
  const mends = graph.outlets
    .filter(
      (outlet) =>
        isFitEarth(outlet) && tree.cost[graph.sectionAt.get(outlet.section) ?? -1] !== UNREACHED,
    )
    .map(({ id }) => ({ action: 'open' as const, id, words: `apply the earth ${id}` }));
  const id = graph.sections[section]?.id ?? '';
  const words = `no earth stands between ${id} and a point of isolation (${reason})`;
  const route = nameRoute(graph, traceBack(graph, tree, barrierAt));
  return [makeFinding('earth-missing', id, words, { route, mends: takeBest(mends) })];
}
