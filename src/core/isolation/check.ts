import {
  linksOf,
  otherEnd,
  wordsOfKind,
  type IsolationPlan,
  type Link,
  type PlantGraph,
} from '../plant';
import { computePlantState, leadsToSafety, sectionOfOutlet, type PlantState } from './bodies';
import { listCautions } from './cautions';
import { makeFinding, type Finding, type Mend } from './findings';
import { asEmptied, type EarthDemand, type Requirement, type SourceDemand } from './requirement';
import { nameRoute, searchRoutes, traceBack, UNREACHED, type Route } from './routes';

export interface CheckResult {
  /** True when nothing stops the plan; cautions may remain. */
  readonly passes: boolean;
  readonly findings: readonly Finding[];
}

const idOf = (graph: PlantGraph, section: number) => graph.sections[section]?.id ?? '';

/** Links on a route that could be closed to break it, nearest to the source first. */
function mendByClosing(
  graph: PlantGraph,
  state: PlantState,
  route: Route,
  least: 1 | 2 = 1,
): Mend[] {
  return [...new Set(route)]
    .filter((link) => (graph.strength[link] as number) >= least && !state.barred[link])
    .map((link) => {
      const { id, kind } = graph.links[link] as Link;
      const words = `${wordsOfKind(kind).isolate} and lock ${id} (${kind})`;
      return { action: 'close', id, words };
    });
}

/** Outlets of a body that would bleed it. */
function mendByBleeding(graph: PlantGraph, state: PlantState, body: number): Mend[] {
  return graph.outlets.flatMap((outlet, number) =>
    state.body[sectionOfOutlet(graph, number)] === body &&
    leadsToSafety(graph, outlet) &&
    !state.opened.includes(number)
      ? [
          {
            action: 'open' as const,
            id: outlet.id,
            words: `open ${outlet.id} (${outlet.kind}, leads to ${outlet.leads_to})`,
          },
        ]
      : [],
  );
}

function findReaching(
  graph: PlantGraph,
  state: PlantState,
  requirement: Requirement,
): Map<number, Finding> {
  const tree = searchRoutes(graph, requirement.trace.zone, (link) => (state.barred[link] ? -1 : 0));
  const found = new Map<number, Finding>();
  for (const { source, id } of requirement.demands) {
    if (tree.cost[source] === UNREACHED) continue;
    const route = traceBack(graph, tree, source);
    const mends = mendByClosing(graph, state, route);
    const words =
      route.length === 0
        ? `${id} is a source and is itself part of the work: nothing can stand between`
        : mends.length === 0
          ? `${id} reaches the work over links that never isolate: no plan can hold it back`
          : `${id} still reaches the work: no closed and locked barrier stands on this route`;
    found.set(
      source,
      makeFinding('source-reaches-work', id, words, { route: nameRoute(graph, route), mends }),
    );
  }
  return found;
}

function findDoubleBroken(
  graph: PlantGraph,
  state: PlantState,
  requirement: Requirement,
  demands: readonly SourceDemand[],
): Finding[] {
  if (demands.length === 0) return [];
  const tree = searchRoutes(graph, requirement.trace.zone, (link) =>
    state.barred[link] ? (graph.strength[link] as number) : 0,
  );
  return demands
    .filter(({ source }) => (tree.cost[source] as number) < 2)
    .map(({ source, id }) => {
      const route = traceBack(graph, tree, source);
      return makeFinding(
        'double-not-met',
        id,
        `${id} needs two barriers in series; this route has one`,
        { route: nameRoute(graph, route), mends: mendByClosing(graph, state, route) },
      );
    });
}

/** Outlets that would make a bled space between two barriers of a route. */
function mendBetween(graph: PlantGraph, state: PlantState, route: Route, source: number): Mend[] {
  const bodies = new Set<number>();
  let here = source;
  for (const link of route) {
    here = otherEnd(graph, link, here);
    const body = state.body[here] as number;
    if (!state.live[body]) bodies.add(body);
  }
  bodies.delete(state.body[here] as number);
  return [...bodies].flatMap((body) => mendByBleeding(graph, state, body));
}

function findUnstruck(
  graph: PlantGraph,
  state: PlantState,
  requirement: Requirement,
  demands: readonly SourceDemand[],
  code: 'double-bled-not-met' | 'positive-not-met',
): Finding[] {
  if (demands.length === 0) return [];
  const zoneBodies = new Set(requirement.trace.zone.map((section) => state.body[section]));
  const bledCounts = code === 'double-bled-not-met';
  const isStruck = (section: number) => {
    const body = state.body[section] as number;
    return bledCounts && state.bled[body] === 1 && !zoneBodies.has(body);
  };
  const tree = searchRoutes(graph, requirement.trace.zone, (link, _section, next) =>
    (state.barred[link] && graph.strength[link] === 2) || isStruck(next) ? -1 : 0,
  );
  return demands
    .filter(({ source }) => tree.cost[source] !== UNREACHED)
    .map(({ source, id }) => {
      const route = traceBack(graph, tree, source);
      const mends = bledCounts
        ? [...mendByClosing(graph, state, route), ...mendBetween(graph, state, route, source)]
        : mendByClosing(graph, state, route, 2);
      const words = bledCounts
        ? `${id} needs two barriers with an open bleed between them, or a positive one; this route has neither`
        : `${id} needs a physical gap or blank; this route has none`;
      return makeFinding(code, id, words, { route: nameRoute(graph, route), mends });
    });
}

function findUnbled(graph: PlantGraph, state: PlantState, requirement: Requirement): Finding[] {
  const wanted = new Map<number, { section: number; sources: string[] }>();
  for (const demand of requirement.demands) {
    if (!demand.bled) continue;
    for (const section of demand.reaches) {
      const body = state.body[section] as number;
      const entry = wanted.get(body) ?? { section, sources: [] };
      if (!entry.sources.includes(demand.id)) entry.sources.push(demand.id);
      wanted.set(body, entry);
    }
  }
  return [...wanted]
    .filter(([body]) => !state.bled[body])
    .map(([body, { section, sources }]) =>
      makeFinding(
        'work-not-bled',
        idOf(graph, section),
        state.live[body]
          ? `${idOf(graph, section)} cannot be let down while a source stands in its body (asked for by ${sources.join(', ')})`
          : `${idOf(graph, section)} is not let down: no opened outlet leads its body to a safe place (asked for by ${sources.join(', ')})`,
        { mends: mendByBleeding(graph, state, body) },
      ),
    );
}

function findUnreleased(graph: PlantGraph, state: PlantState, requirement: Requirement): Finding[] {
  const zoneBodies = new Set(requirement.trace.zone.map((section) => state.body[section]));
  return graph.stores.flatMap(({ store, section }, number) => {
    const body = state.body[section] as number;
    if (!zoneBodies.has(body) || store.release === 'wait') return [];
    if (store.release === 'restrain') {
      if (state.restrained.has(number)) return [];
      const words = `${store.id} (${store.kind}) is not restrained`;
      const mends = [{ action: 'restrain', id: store.id, words: `restrain ${store.id}` } as const];
      return [makeFinding('store-not-released', store.id, words, { mends })];
    }
    const outlet = graph.outletAt.get(store.release) ?? -1;
    const inBody = state.body[sectionOfOutlet(graph, outlet)] === body;
    if (inBody && state.opened.includes(outlet)) return [];
    const words = inBody
      ? `${store.id} (${store.kind}) is not released: ${store.release} is not opened`
      : `${store.id} (${store.kind}) is cut off from its release ${store.release}`;
    const mends: Mend[] = inBody
      ? [{ action: 'open', id: store.release, words: `open ${store.release}` }]
      : [];
    return [makeFinding('store-not-released', store.id, words, { mends })];
  });
}

function findUnearthed(graph: PlantGraph, state: PlantState, demand: EarthDemand): Finding[] {
  const earthed = new Set(
    state.opened
      .filter((outlet) => graph.outlets[outlet]?.kind === 'earth')
      .map((outlet) => sectionOfOutlet(graph, outlet)),
  );
  if (earthed.has(demand.section)) return [];
  const tree = searchRoutes(graph, [demand.section], (link, _section, next) =>
    state.barred[link] || earthed.has(next) ? -1 : 0,
  );
  const walked = [...tree.cost.keys()].filter((section) => tree.cost[section] !== UNREACHED);
  const barrierAt = walked.find((section) =>
    linksOf(graph, section).some((link) => state.barred[link] === 1),
  );
  if (barrierAt === undefined) return [];
  const mends = graph.outlets
    .filter(
      (outlet) =>
        outlet.kind === 'earth' &&
        tree.cost[graph.sectionAt.get(outlet.section) ?? -1] !== UNREACHED,
    )
    .map((outlet) => ({
      action: 'open' as const,
      id: outlet.id,
      words: `apply the earth ${outlet.id}`,
    }));
  return [
    makeFinding(
      'earth-missing',
      idOf(graph, demand.section),
      `no earth stands between ${idOf(graph, demand.section)} and a point of isolation (${demand.reason})`,
      { route: nameRoute(graph, traceBack(graph, tree, barrierAt)), mends },
    ),
  ];
}

function findLiveOutlets(graph: PlantGraph, state: PlantState): Finding[] {
  const onLive = state.opened.filter(
    (outlet) => state.live[state.body[sectionOfOutlet(graph, outlet)] as number],
  );
  if (onLive.length === 0) return [];
  const sources = [...graph.isSource.keys()].filter((section) => graph.isSource[section]);
  const tree = searchRoutes(graph, sources, (link) => (state.barred[link] ? -1 : 0));
  return onLive.map((outlet) => {
    const { id, section } = graph.outlets[outlet] as { id: string; section: string };
    const route = [...traceBack(graph, tree, sectionOfOutlet(graph, outlet))].reverse();
    return makeFinding(
      'outlet-on-live-body',
      id,
      `${id} on ${section} would be opened on live plant`,
      {
        route: nameRoute(graph, route),
        mends: [
          { action: 'drop', id, words: `leave ${id} shut` },
          ...mendByClosing(graph, state, route),
        ],
      },
    );
  });
}

/**
 * Checks a plan against what the sources demand, without regard to how the plan was made. Collects every finding:
 * unknown ids, sources that reach the work, grades not met, bodies not bled, stores not released, earths missing,
 * outlets opened on live plant, then the cautions. A source that reaches the work is named once, by that alone.
 */
export function checkPlan(
  drawn: PlantGraph,
  requirement: Requirement,
  plan: IsolationPlan,
): CheckResult {
  const graph = asEmptied(drawn, requirement);
  const state = computePlantState(graph, plan);
  const reaching = findReaching(graph, state, requirement);
  const held = requirement.demands.filter((demand) => !reaching.has(demand.source));
  const graded = (grade: SourceDemand['grade']) => held.filter((demand) => demand.grade === grade);
  const findings = [
    ...state.unknown.map(({ id, table }) =>
      makeFinding('unknown-id', id, `${id} is not in the plant's ${table}`, {
        mends: [{ action: 'drop', id, words: `take ${id} out of the plan` }],
      }),
    ),
    ...reaching.values(),
    ...findDoubleBroken(graph, state, requirement, graded('double')),
    ...findUnstruck(graph, state, requirement, graded('double-bled'), 'double-bled-not-met'),
    ...findUnstruck(graph, state, requirement, graded('positive'), 'positive-not-met'),
    ...findUnbled(graph, state, requirement),
    ...findUnreleased(graph, state, requirement),
    ...requirement.earths.flatMap((demand) => findUnearthed(graph, state, demand)),
    ...findLiveOutlets(graph, state),
    ...listCautions(graph, state, requirement),
  ];
  return { passes: !findings.some((finding) => finding.severity === 'stops'), findings };
}
