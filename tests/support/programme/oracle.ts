import { linksOf, otherEnd, type PlantGraph } from '../../../src/core/plant';
import {
  computeFed,
  searchRoutes,
  sectionOfOutlet,
  traceBack,
  UNREACHED,
  type Route,
} from '../../../src/core/isolation';
import type { PlannerModel } from '../../../src/core/isolation/planner/model';
import { flood } from './flood';
import type { Levels } from './levels';
import type { Clause } from './programme';
import { ClauseBuilder, closeOf, levelOf, lostOf, openOf, restrainOf } from './variables';

/** What the master problem proposes: the names of the variables that stand at 1. */
export type Proposal = ReadonlySet<string>;

/** At most this many routes of one kind are turned into clauses in one round. */
const MOST_ROUTES_A_ROUND = 24;

interface Reading {
  readonly closed: Uint8Array;
  readonly opened: ReadonlySet<number>;
}

function readProposal(model: PlannerModel, proposal: Proposal): Reading {
  const { graph, candidate } = model;
  return {
    closed: Uint8Array.from(candidate, (may, link) => (may && proposal.has(closeOf(link)) ? 1 : 0)),
    opened: new Set([...graph.outlets.keys()].filter((outlet) => proposal.has(openOf(outlet)))),
  };
}

const sectionsAlong = (graph: PlantGraph, route: Route, start: number): number[] =>
  route.reduce<number[]>(
    (path, link) => [...path, otherEnd(graph, link, path.at(-1) as number)],
    [start],
  );

/** Adds the links of a route that may be closed, each with a factor. */
function plusRoute(
  builder: ClauseBuilder,
  model: PlannerModel,
  route: Route,
  factor: (link: number) => number = () => 1,
): ClauseBuilder {
  for (const link of route) {
    if (model.candidate[link] && factor(link) > 0) builder.plus(closeOf(link), factor(link));
  }
  return builder;
}

/**
 * Finds routes from demanding sources to the zone that break a grade, one after the other: the links of each route
 * found count as closed for the next search, so that one round gives many independent clauses.
 */
function collectRoutes(
  model: PlannerModel,
  sources: readonly number[],
  most: number,
  weigh: (link: number, used: ReadonlySet<number>) => number,
): { source: number; route: Route }[] {
  const used = new Set<number>();
  const found: { source: number; route: Route }[] = [];
  while (found.length < MOST_ROUTES_A_ROUND) {
    const tree = searchRoutes(model.graph, model.zone, (link) => weigh(link, used));
    const source = sources.find((section) => (tree.cost[section] as number) < most);
    if (source === undefined) break;
    const route = traceBack(model.graph, tree, source);
    found.push({ source, route });
    const fresh = route.filter((link) => model.candidate[link] && !used.has(link));
    if (fresh.length === 0) break;
    fresh.forEach((link) => used.add(link));
  }
  return found;
}

function breakSingle(model: PlannerModel, reading: Reading): Clause[] {
  const sources = model.demands.map((demand) => demand.source);
  return collectRoutes(model, sources, 1, (link, used) =>
    reading.closed[link] || used.has(link) ? -1 : 0,
  ).map(({ route }) => plusRoute(new ClauseBuilder(), model, route).atLeast(1));
}

const strengthOf = (model: PlannerModel) => (link: number) => model.graph.strength[link] as number;

function breakDouble(model: PlannerModel, reading: Reading): Clause[] {
  const sources = model.demands
    .filter((demand) => demand.grade === 'double')
    .map((demand) => demand.source);
  if (sources.length === 0) return [];
  return collectRoutes(model, sources, 2, (link, used) =>
    used.has(link) ? 2 : reading.closed[link] ? strengthOf(model)(link) : 0,
  ).map(({ route }) => plusRoute(new ClauseBuilder(), model, route, strengthOf(model)).atLeast(2));
}

function breakPositive(model: PlannerModel, reading: Reading): Clause[] {
  const sources = model.demands
    .filter((demand) => demand.grade === 'positive')
    .map((demand) => demand.source);
  if (sources.length === 0) return [];
  const isPositive = (link: number) => (strengthOf(model)(link) === 2 ? 1 : 0);
  return collectRoutes(model, sources, 1, (link, used) =>
    isPositive(link) && (reading.closed[link] || used.has(link)) ? -1 : 0,
  ).map(({ route }) => plusRoute(new ClauseBuilder(), model, route, isPositive).atLeast(1));
}

/** The sections in one body with `section`, under a proposal. */
const bodyAround = (model: PlannerModel, reading: Reading, section: number): Set<number> =>
  flood(model.graph, [section], (link) => !reading.closed[link]);

function routeBetween(
  model: PlannerModel,
  reading: Reading,
  from: Iterable<number>,
  to: number,
): Route {
  const tree = searchRoutes(model.graph, from, (link) => (reading.closed[link] ? -1 : 0));
  return traceBack(model.graph, tree, to);
}

/** Closed links that bound a set of sections. */
function* boundaryOf(model: PlannerModel, reading: Reading, inside: ReadonlySet<number>) {
  for (const section of inside) {
    for (const link of linksOf(model.graph, section)) {
      const next = otherEnd(model.graph, link, section);
      if (reading.closed[link] && !inside.has(next)) yield { link, next };
    }
  }
}

/** A set of sections without an opened safe outlet: open one of theirs, or leave one of its closed bounds open. */
function outletClause(
  model: PlannerModel,
  reading: Reading,
  inside: ReadonlySet<number>,
  guard: ClauseBuilder,
): Clause {
  const outlets = [...inside].flatMap((section) => model.safeOutlets.get(section) ?? []);
  outlets.forEach((outlet) => guard.plus(openOf(outlet)));
  const bounds = new Set<number>();
  for (const { link, next } of boundaryOf(model, reading, inside)) {
    if (!model.graph.isSource[next]) bounds.add(link);
  }
  bounds.forEach((link) => guard.not(closeOf(link)));
  return guard.atLeast(1);
}

/** Widens a body over its closed bounds by all neighbours that hold no source and no opened safe outlet. */
function widen(model: PlannerModel, reading: Reading, body: ReadonlySet<number>): Set<number> {
  const wide = new Set(body);
  const refused = new Set<number>();
  for (const section of wide) {
    for (const link of linksOf(model.graph, section)) {
      const next = otherEnd(model.graph, link, section);
      if (wide.has(next) || refused.has(next)) continue;
      const neighbour = bodyAround(model, reading, next);
      const bad = [...neighbour].some(
        (one) => model.graph.isSource[one] || hasOpenedOutlet(model, reading, one),
      );
      neighbour.forEach((one) => (bad ? refused : wide).add(one));
    }
  }
  return wide;
}

const hasOpenedOutlet = (model: PlannerModel, reading: Reading, section: number): boolean =>
  (model.safeOutlets.get(section) ?? []).some((outlet) => reading.opened.has(outlet));

/** Clauses that make the body of a section bled, each relaxed by what `guard` already holds. */
function demandBled(
  model: PlannerModel,
  reading: Reading,
  section: number,
  guard: () => ClauseBuilder,
): Clause[] {
  const body = bodyAround(model, reading, section);
  const source = [...body].find((one) => model.graph.isSource[one]);
  if (source !== undefined) {
    const route = routeBetween(model, reading, [section], source);
    return [plusRoute(guard(), model, route).atLeast(1)];
  }
  if ([...body].some((one) => hasOpenedOutlet(model, reading, one))) return [];
  const wide = widen(model, reading, body);
  const local = outletClause(model, reading, body, guard());
  return wide.size > body.size ? [local, outletClause(model, reading, wide, guard())] : [local];
}

function breakBled(model: PlannerModel, reading: Reading): Clause[] {
  return model.bledWork.flatMap((section) =>
    demandBled(model, reading, section, () => new ClauseBuilder()),
  );
}

/** Every node that stands between two barriers has to lie in a bled body. */
function breakLevels(
  model: PlannerModel,
  reading: Reading,
  proposal: Proposal,
  levels: Levels,
): Clause[] {
  const done = new Set<number>();
  return [...levels.node].flatMap((node, section) => {
    if (done.has(node)) return [];
    done.add(node);
    const stands = (level: 1 | 2) => proposal.has(levelOf(node, level));
    if (!stands(1) || stands(2)) return [];
    const guard = () => new ClauseBuilder().not(levelOf(node, 1)).plus(levelOf(node, 2));
    return demandBled(model, reading, section, guard);
  });
}

function breakStores(model: PlannerModel, reading: Reading, proposal: Proposal): Clause[] {
  const { graph } = model;
  const tree = searchRoutes(graph, model.zone, (link) => (reading.closed[link] ? -1 : 0));
  return model.stores.flatMap((number) => {
    const { store, section } = graph.stores[number] as (typeof graph.stores)[number];
    if (tree.cost[section] === UNREACHED) return [];
    const route = traceBack(graph, tree, section);
    const apart = () => plusRoute(new ClauseBuilder(), model, route);
    if (store.release === 'restrain') {
      return proposal.has(restrainOf(number)) ? [] : [apart().plus(restrainOf(number)).atLeast(1)];
    }
    const outlet = graph.outletAt.get(store.release) as number;
    const clauses: Clause[] = [];
    if (!reading.opened.has(outlet)) clauses.push(apart().plus(openOf(outlet)).atLeast(1));
    const body = bodyAround(model, reading, section);
    if (!body.has(sectionOfOutlet(graph, outlet))) {
      const bounds = new Set([...boundaryOf(model, reading, body)].map(({ link }) => link));
      const clause = apart();
      bounds.forEach((link) => clause.not(closeOf(link)));
      clauses.push(clause.atLeast(1));
    }
    return clauses;
  });
}

function breakLiveOutlets(model: PlannerModel, reading: Reading): Clause[] {
  const sources = [...model.graph.isSource.keys()].filter((n) => model.graph.isSource[n]);
  const tree = searchRoutes(model.graph, sources, (link) => (reading.closed[link] ? -1 : 0));
  return [...reading.opened].flatMap((outlet) => {
    const section = sectionOfOutlet(model.graph, outlet);
    if (tree.cost[section] === UNREACHED) return [];
    const route = traceBack(model.graph, tree, section);
    return [plusRoute(new ClauseBuilder().not(openOf(outlet)), model, route).atLeast(1)];
  });
}

function breakEarths(model: PlannerModel, reading: Reading): Clause[] {
  const { graph } = model;
  const earthsOn = (section: number) =>
    [...graph.outlets.keys()].filter(
      (outlet) =>
        graph.outlets[outlet]?.kind === 'earth' && sectionOfOutlet(graph, outlet) === section,
    );
  const isEarthed = (section: number) =>
    earthsOn(section).some((outlet) => reading.opened.has(outlet));
  return model.earths.flatMap(({ section: work }) => {
    if (isEarthed(work)) return [];
    const tree = searchRoutes(graph, [work], (link, _section, next) =>
      reading.closed[link] || isEarthed(next) ? -1 : 0,
    );
    return [...tree.cost.keys()]
      .filter((section) => tree.cost[section] !== UNREACHED)
      .flatMap((section) => {
        const barriers = [...linksOf(graph, section)].filter((link) => reading.closed[link]);
        const route = traceBack(graph, tree, section);
        return barriers.map((barrier) => {
          const clause = plusRoute(new ClauseBuilder().not(closeOf(barrier)), model, route);
          for (const passed of sectionsAlong(graph, route, section)) {
            for (const outlet of earthsOn(passed)) clause.plus(openOf(outlet));
          }
          return clause.atLeast(1);
        });
      });
  });
}

/** Clauses on lost supply: a section that nothing feeds any more counts as lost. */
function breakSupply(model: PlannerModel, reading: Reading, proposal: Proposal): Clause[] {
  const { graph, supply } = model;
  const before = computeFed(graph, (link) => supply[link] === 1);
  const after = computeFed(graph, (link) => supply[link] === 1 && !reading.closed[link]);
  return model.served
    .filter((section) => before[section] && !after[section] && !proposal.has(lostOf(section)))
    .map((section) => {
      const clause = new ClauseBuilder().plus(lostOf(section));
      const part = flood(graph, [section], (link) => supply[link] === 1 && !reading.closed[link]);
      const bounds = new Set(
        [...boundaryOf(model, reading, part)]
          .map(({ link }) => link)
          .filter((link) => supply[link]),
      );
      bounds.forEach((link) => clause.not(closeOf(link)));
      return clause.atLeast(1);
    });
}

/**
 * Lists clauses that hold for every plan that passes and that this proposal breaks. An empty list means that the proposal is a
 * plan that passes and, when `withSupply`, that its lost supply is counted in full.
 */
export function listBrokenClauses(
  model: PlannerModel,
  proposal: Proposal,
  levels: Levels | undefined,
  withSupply: boolean,
): Clause[] {
  const reading = readProposal(model, proposal);
  const routes = [
    ...breakSingle(model, reading),
    ...breakDouble(model, reading),
    ...breakPositive(model, reading),
  ];
  return [
    ...routes,
    ...(levels ? breakLevels(model, reading, proposal, levels) : []),
    ...(routes.length > 0 ? [] : breakBled(model, reading)),
    ...(routes.length > 0 ? [] : breakStores(model, reading, proposal)),
    ...breakLiveOutlets(model, reading),
    ...breakEarths(model, reading),
    ...(withSupply ? breakSupply(model, reading, proposal) : []),
  ];
}
