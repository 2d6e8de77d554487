import { listEmptied, type PlantGraph, type Scope, type Store } from '../plant';
import { presentOrThrow } from '../result';
import { nameRoute, searchRoutes, traceBack, UNREACHED, type RouteTree } from './routes';

/** A source that reaches the work: its section, and the route to the work, source first. */
export interface TracedSource {
  readonly section: number;
  readonly id: string;
  readonly name: string;
  readonly route: readonly string[];
}

/** A store that reaches the work. It is separable when some barrier could be closed on every route between. */
export interface TracedStore {
  readonly id: string;
  readonly section: string;
  readonly kind: Store['kind'];
  readonly release: string;
  readonly separable: boolean;
  readonly route: readonly string[];
}

export interface Trace {
  readonly sources: readonly TracedSource[];
  /** Sources that are run empty before, and would reach the work if they were not: each has to be proved empty. */
  readonly emptied: readonly TracedSource[];
  readonly stores: readonly TracedStore[];
  /** Section numbers of the work zone, each once. */
  readonly zone: readonly number[];
}

/** Every source that reaches the work, and those run empty for it: what stood in these may still be met. */
export const listOrigins = ({ sources, emptied }: Trace): readonly TracedSource[] => [
  ...sources,
  ...emptied,
];

/** The sections of a scope, by number, each once. */
export function listZone(graph: PlantGraph, scope: Scope): number[] {
  const zone = new Set(
    scope.work.map((work) => presentOrThrow(graph.sectionAt.get(work.section), work.section)),
  );
  return [...zone].sort((a, b) => a - b);
}

/** Routes from everywhere to the work, over as few normally closed links as possible, then over few links. */
function searchFromWork(graph: PlantGraph, zone: readonly number[]): RouteTree {
  return searchRoutes(graph, zone, (link) => graph.isNormallyClosed[link] as number);
}

/**
 * Finds every source and store that a route joins to the work over links of any kind in any position, closed
 * ones included. An empty list of sources means that the drawing shows nothing that feeds the work: doubt the drawing.
 */
export function traceWork(graph: PlantGraph, scope: Scope): Trace {
  const zone = listZone(graph, scope);
  const tree = searchFromWork(graph, zone);
  const inseparable = searchRoutes(graph, zone, (link) => (graph.strength[link] ? -1 : 0));
  const routeOf = (section: number) => nameRoute(graph, traceBack(graph, tree, section));
  const isEmptied = new Set(listEmptied(graph, scope));
  const emptied = [...isEmptied]
    .filter((number) => tree.cost[number] !== UNREACHED)
    .sort((a, b) => a - b)
    .map((number) => {
      const { id, name } = graph.sections[number] ?? { id: '', name: '' };
      return { section: number, id, name, route: routeOf(number) };
    });
  const sources = graph.sections.flatMap((section, number) =>
    section.source && !isEmptied.has(number) && tree.cost[number] !== UNREACHED
      ? [{ section: number, id: section.id, name: section.source.name, route: routeOf(number) }]
      : [],
  );
  const stores = graph.stores
    .filter(({ section }) => tree.cost[section] !== UNREACHED)
    .map(({ store, section }) => ({
      id: store.id,
      section: graph.sections[section]?.id ?? '',
      kind: store.kind,
      release: store.release,
      separable: inseparable.cost[section] === UNREACHED,
      route: routeOf(section),
    }));
  return { sources, emptied, stores, zone };
}
