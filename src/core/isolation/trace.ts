import { linksOf, listEmptied, otherEnd, type PlantGraph, type Scope, type Store } from '../plant';
import { presentOrThrow } from '../result';
import {
  DRIVEN,
  ENDS_HERE,
  followRoute,
  ITSELF,
  LEAKED,
  MODES,
  modesBefore,
  searchModes,
  stateOf,
  type Mode,
  type ModeTree,
} from './modes';
import { nameRoute, UNREACHED, type Route } from './routes';

/**
 * Which trace this is: the first let anything cross anything. A plan drawn up by an earlier one stands as it was accepted, and says so.
 */
export const TRACE_VERSION = 2;

/** One way in which energy arrives at the work: where, how, and by which route (links, source first). */
export interface Arrival {
  /** Work section, by number. */
  readonly section: number;
  readonly mode: Mode;
  /** True when every such route passes a gap or blank that stands in normal running. */
  readonly gap: boolean;
  /** True when every such route passes some other source. */
  readonly isBehind: boolean;
  readonly route: Route;
}

/** A source that reaches the work: its section, how it arrives, and the route to the work, source first. */
export interface TracedSource {
  readonly section: number;
  readonly id: string;
  readonly name: string;
  readonly route: readonly string[];
  readonly arrivals: readonly Arrival[];
  /** The source nearest to the work on its way, when every way passes some other source. */
  readonly behind?: string;
  /** True when it is kept out by standing gaps alone. */
  readonly gap: boolean;
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
  /**
   * Sources that arrive only by a drive that something could part from the work, and so are not named: a plan may not leave
   * such a drive inside the isolation.
   */
  readonly far: readonly { readonly section: number; readonly id: string }[];
  /** Section numbers of the work zone, each once. */
  readonly zone: readonly number[];
}

/** Every source that reaches the work, and those run empty for it: what stood in these may still be met. */
export const listOrigins = ({ sources, emptied }: Trace): readonly TracedSource[] => [
  ...sources,
  ...emptied,
];

/** Whether a source may be met at the work: it comes over, itself or by a leak; what only drives or heats the work never does. */
export const comesOver = ({ arrivals }: Pick<TracedSource, 'arrivals'>): boolean =>
  arrivals.some(({ mode }) => mode === 'itself' || mode === 'leaked');

/** Sections whose medium may be met at the work: those worked on, and those of every source that comes over, run empty or not. */
export const listMet = (trace: Trace): number[] => [
  ...new Set([
    ...trace.zone,
    ...listOrigins(trace)
      .filter(comesOver)
      .map(({ section }) => section),
  ]),
];

/** The sections of a scope, by number, each once. */
export function listZone(graph: PlantGraph, scope: Scope): number[] {
  const zone = new Set(
    scope.work.map((work) => presentOrThrow(graph.sectionAt.get(work.section), work.section)),
  );
  return [...zone].sort((a, b) => a - b);
}

/** The states in which something has arrived at the work, each mode and section. */
export const listArrived = (zone: readonly number[], modes: readonly number[]): number[] =>
  zone.flatMap((section) => modes.map((mode) => stateOf(section, mode)));

/** Whether a link is a gap or blank that stands in normal running and only has to be locked. */
const isStandingGap = (graph: PlantGraph, link: number): boolean =>
  graph.isNormallyClosed[link] === 1 && graph.strength[link] === 2;

const hasStandingGap = (graph: PlantGraph): boolean =>
  graph.links.some((_, link) => isStandingGap(graph, link));

/** Where routes begin: sources that keep supplying, and with them those that are run empty before. */
interface Origins {
  readonly isSource: (section: number) => boolean;
  readonly all: readonly number[];
}

/** The searches of one work section in one mode: as things stand, past standing gaps, and no further than the first source. */
interface Searches {
  readonly section: number;
  readonly mode: number;
  readonly plain: ModeTree;
  readonly first: ModeTree;
  readonly overGaps: ModeTree | undefined;
  readonly firstOverGaps: ModeTree | undefined;
}

function searchFrom(
  graph: PlantGraph,
  section: number,
  mode: number,
  hasGaps: boolean,
  { isSource, all }: Origins,
  body: ModeTree | undefined,
): Searches {
  /** A drive is near when what never isolates joins it to the work; further ones are left to the check. */
  const isNear = (link: number, before: number) =>
    mode !== DRIVEN ||
    body === undefined ||
    graph.crossing[link]?.kind !== 'through' ||
    graph.neverIsolates[link] === 1 ||
    body.cost[stateOf(before, ITSELF)] === UNREACHED;
  let meetsGap = false;
  const weighing = (past: boolean) => (link: number, before: number, at: number) => {
    if (hasGaps && !past && isStandingGap(graph, link)) {
      meetsGap = true;
      return -1;
    }
    if (at === DRIVEN && !isNear(link, before)) return -1;
    return graph.isNormallyClosed[link] as number;
  };
  const from = [stateOf(section, mode)];
  const search = (past: boolean, stopsAt?: (section: number) => boolean) =>
    searchModes(graph, from, { weigh: weighing(past), ...(stopsAt ? { stopsAt } : {}) });
  /** The same, stopped at the first source; a single one stands behind no other. */
  const searchFirst = (past: boolean, tree: ModeTree) =>
    all.filter((source) => reaches(tree, source)).length > 1 ? search(past, isSource) : tree;
  const plain = search(false);
  const overGaps = meetsGap ? search(true) : undefined;
  return {
    section,
    mode,
    plain,
    first: searchFirst(false, plain),
    overGaps,
    firstOverGaps: overGaps && searchFirst(true, overGaps),
  };
}

/** Whether heat, blades or rays may end at a section at all: one of its own links brings them. */
const mayEndHere = (graph: PlantGraph, section: number): boolean =>
  linksOf(graph, section).some(
    (link) => modesBefore(graph, link, otherEnd(graph, link, section), ENDS_HERE).length > 0,
  );

const reaches = (tree: ModeTree | undefined, section: number): boolean =>
  tree !== undefined && tree.cost[stateOf(section, ITSELF)] !== UNREACHED;

/** Searches of every work section in every mode in which something may arrive there. */
function searchAll(graph: PlantGraph, zone: readonly number[], origins: Origins): Searches[] {
  const hasGaps = hasStandingGap(graph);
  return zone.flatMap((section) => {
    const itself = searchFrom(graph, section, ITSELF, hasGaps, origins, undefined);
    const body = itself.overGaps ?? itself.plain;
    const isFluid = graph.carrier[section] === 'fluid';
    const comesItself = origins.all.some((one) => origins.isSource(one) && reaches(body, one));
    const others = [LEAKED, DRIVEN, ENDS_HERE]
      .filter((mode) => mode !== ENDS_HERE || mayEndHere(graph, section))
      .map((mode) =>
        searchFrom(
          graph,
          section,
          mode,
          hasGaps,
          origins,
          isFluid && comesItself ? body : undefined,
        ),
      );
    return [itself, ...others];
  });
}

/** How a source arrives, work section by work section and mode by mode. */
const listArrivals = (searches: readonly Searches[], source: number): Arrival[] =>
  searches.flatMap(({ section, mode, plain, overGaps, first, firstOverGaps }) => {
    const gap = !reaches(plain, source);
    const tree = gap ? overGaps : plain;
    if (!tree || !reaches(tree, source)) return [];
    const route = followRoute(tree, stateOf(source, ITSELF));
    const isBehind = !reaches(gap ? firstOverGaps : first, source);
    return [{ section, mode: MODES[mode] as Mode, gap, isBehind, route }];
  });

/** The sections that a route passes after the one where it starts. */
function* sectionsAlong(graph: PlantGraph, from: number, route: Route): Generator<number> {
  let here = from;
  for (const link of route) {
    here = otherEnd(graph, link, here);
    yield here;
  }
}

function traceSource(
  graph: PlantGraph,
  searches: readonly Searches[],
  source: number,
): Omit<TracedSource, 'name'> | undefined {
  const arrivals = listArrivals(searches, source);
  const [main] = arrivals;
  if (!main) return undefined;
  const gap = arrivals.every((one) => one.gap);
  const open = arrivals.find((one) => !one.gap) ?? main;
  const isFront = arrivals.some((one) => one.gap === gap && !one.isBehind);
  const passed = isFront
    ? []
    : [...sectionsAlong(graph, source, open.route)].filter((one) => graph.isSource[one]);
  const nearest = passed.at(-1);
  return {
    section: source,
    id: graph.sections[source]?.id ?? '',
    route: nameRoute(graph, open.route),
    arrivals,
    ...(nearest === undefined ? {} : { behind: graph.sections[nearest]?.id ?? '' }),
    gap,
  };
}

function traceStores(graph: PlantGraph, zone: readonly number[]): TracedStore[] {
  if (graph.stores.length === 0) return [];
  const arrived = listArrived(zone, [ITSELF, DRIVEN, ENDS_HERE]);
  const tree = searchModes(graph, arrived, {
    weigh: (link) => graph.isNormallyClosed[link] as number,
  });
  const inseparable = searchModes(graph, arrived, {
    weigh: (link) => (graph.strength[link] ? -1 : 0),
  });
  return graph.stores
    .filter(({ section }) => reaches(tree, section))
    .map(({ store, section }) => ({
      id: store.id,
      section: graph.sections[section]?.id ?? '',
      kind: store.kind,
      release: store.release,
      separable: !reaches(inseparable, section),
      route: nameRoute(graph, followRoute(tree, stateOf(section, ITSELF))),
    }));
}

/** Sources that some drive brings to the work, near or far, and that are not named for another reason. */
function listFar(
  graph: PlantGraph,
  zone: readonly number[],
  named: readonly TracedSource[],
  isSource: (section: number) => boolean,
): Trace['far'] {
  const tree = searchModes(graph, listArrived(zone, [DRIVEN]), { weigh: () => 0 });
  const isNamed = new Set(named.map(({ section }) => section));
  return graph.sections.flatMap(({ id }, section) =>
    isSource(section) && reaches(tree, section) && !isNamed.has(section) ? [{ section, id }] : [],
  );
}

/**
 * Finds every source and store that can physically arrive at the work with nothing closed, and how, by the table of what
 * crosses what; valves count in any position. An empty list of sources means that the drawing shows nothing that feeds
 * the work: doubt the drawing.
 */
export function traceWork(graph: PlantGraph, scope: Scope): Trace {
  const zone = listZone(graph, scope);
  const isEmptied = new Set(listEmptied(graph, scope));
  const isSource = (section: number) => graph.isSource[section] === 1 && !isEmptied.has(section);
  const all = [...graph.sections.keys()].filter((section) => graph.isSource[section]);
  const searches = searchAll(graph, zone, { isSource, all: [...new Set([...all, ...isEmptied])] });
  const emptied = [...isEmptied]
    .sort((a, b) => a - b)
    .flatMap((section) => {
      const traced = traceSource(graph, searches, section);
      return traced ? [{ ...traced, name: graph.sections[section]?.name ?? '' }] : [];
    });
  const sources = graph.sections.flatMap((section, number) => {
    if (!isSource(number)) return [];
    const traced = traceSource(graph, searches, number);
    return traced ? [{ ...traced, name: section.source?.name ?? '' }] : [];
  });
  const stores = traceStores(graph, zone);
  return { sources, emptied, stores, far: listFar(graph, zone, sources, isSource), zone };
}
