import { otherEnd, type Grade, type PlantGraph } from '../plant';
import { sectionOfOutlet, type PlantState } from './bodies';
import { without } from './failures';
import type { Finding } from './findings';
import { strongerGrade } from './grades';
import { listArrivalLamps, listNames } from './lamps';
import { DRIVEN, ENDS_HERE, followRoute, ITSELF, LEAKED, searchModes, stateOf } from './modes';
import type { Requirement } from './requirement';
import { UNREACHED, type Route } from './routes';
import { listArrived } from './trace';

const nameLink = (graph: PlantGraph, link: number): string => graph.links[link]?.id ?? '';

/** The sections that a route from a source passes, the source first; one more than it has links. */
function sectionsOf(graph: PlantGraph, source: number, route: Route): number[] {
  const sections = [source];
  for (const link of route) sections.push(otherEnd(graph, link, sections.at(-1) as number));
  return sections;
}

/** Opened outlets, by id, whose part lies on a stretch of a route and is let down by them. */
function bleedsOn(graph: PlantGraph, state: PlantState, sections: readonly number[]): string[] {
  const parts = new Set(sections.map((section) => state.part[section]));
  return state.opened
    .filter((outlet) => {
      const part = state.part[sectionOfOutlet(graph, outlet)];
      return parts.has(part) && state.bled[part as number] === 1;
    })
    .map((outlet) => graph.outlets[outlet]?.id ?? '');
}

/** Where a barrier stands among those on its route: alone, first or second of two with the bleed between, or one of several. */
function sayPlace(
  graph: PlantGraph,
  state: PlantState,
  source: number,
  route: Route,
  link: number,
): string {
  const barriers = route.filter((one) => state.barred[one]);
  const [first, second] = barriers;
  if (barriers.length > 2) {
    return `one of ${barriers.length} in a row (${barriers.map((one) => nameLink(graph, one)).join(', ')})`;
  }
  if (first === undefined || second === undefined) return 'the only barrier';
  const sections = sectionsOf(graph, source, route);
  const between = sections.slice(route.indexOf(first) + 1, route.indexOf(second) + 1);
  const bleeds = bleedsOn(graph, state, between);
  const place =
    link === first
      ? `first of two, before ${nameLink(graph, second)}`
      : `second of two, after ${nameLink(graph, first)}`;
  return bleeds.length > 0 ? `${place} and with ${listNames(bleeds)} open between` : place;
}

/** Sources by what they bring, in short: "digestate (D1-LIQ, D2-LIQ) and the motor M-P201"; by their ids where no lamp tells of them. */
function makeNamer(graph: PlantGraph, requirement: Requirement) {
  const lamps = listArrivalLamps(graph, requirement.trace);
  return (ids: readonly string[]): string => {
    const gathered = new Map<string, string[]>();
    for (const id of ids) {
      const { short = id, kind } = lamps.find(({ sources }) => sources.includes(id)) ?? {};
      const own = kind === 'medium' ? [id] : [];
      gathered.set(short, [...(gathered.get(short) ?? []), ...own]);
    }
    return listNames(
      [...gathered].map(([short, own]) =>
        own.length > 0 ? `${short} (${own.join(', ')})` : short,
      ),
    );
  };
}

/** What one closed link holds back, by arrival, and where it stands among the barriers on the way. */
export function sayClosed(
  graph: PlantGraph,
  requirement: Requirement,
  state: PlantState,
  id: string,
): string[] {
  const link = graph.linkAt.get(id);
  if (link === undefined || !state.barred[link]) return [];
  const less = without(graph, state.plan, id);
  const weighIn = (one: PlantState) => (at: number) =>
    one.barred[at] ? (graph.strength[at] as number) : 0;
  // What is graded for coming over is held back by what stands in its way; what its line may drive besides is another arrival.
  const held = new Map<string, { ids: string[]; grade: Grade }>();
  const nameSources = makeNamer(graph, requirement);
  for (const isGraded of [true, false]) {
    const modes = isGraded ? [ITSELF, LEAKED] : [ITSELF, LEAKED, DRIVEN, ENDS_HERE];
    const arrived = listArrived(requirement.trace.zone, modes);
    const then = searchModes(graph, arrived, { weigh: weighIn(state) });
    const now = searchModes(graph, arrived, { weigh: weighIn(less) });
    for (const { source, id: from, grade } of requirement.demands.filter(
      (demand) => demand.isGraded === isGraded,
    )) {
      const at = stateOf(source, ITSELF);
      const cost = now.cost[at] as number;
      if (cost === UNREACHED || cost >= (then.cost[at] as number)) continue;
      const place = sayPlace(graph, state, source, followRoute(now, at), link);
      const before = held.get(place) ?? { ids: [], grade };
      held.set(place, {
        ids: [...before.ids, from],
        grade: strongerGrade(grade, before.grade),
      });
    }
  }
  return [...held].map(
    ([place, { ids, grade }]) => `holds back ${nameSources(ids)}: ${place} (${grade})`,
  );
}

/** The barriers on either side of an outlet that stands open between two of them, by id. */
function findSides(
  graph: PlantGraph,
  state: PlantState,
  outlet: number,
  { route }: Finding,
): string[] {
  const part = state.part[sectionOfOutlet(graph, outlet)];
  const isBeside = (link: number) =>
    [2 * link, 2 * link + 1].some((end) => state.part[graph.ends[end] as number] === part);
  return route.filter((id) => {
    const link = graph.linkAt.get(id);
    return link !== undefined && state.barred[link] === 1 && isBeside(link);
  });
}

/** What an opened outlet is for, told from what the check says without it. */
export function sayOpened(
  graph: PlantGraph,
  requirement: Requirement,
  state: PlantState,
  id: string,
  found: readonly Finding[],
): string[] {
  const outlet = graph.outletAt.get(id);
  if (outlet === undefined) return [];
  const nameSources = makeNamer(graph, requirement);
  const between = new Map<string, string[]>();
  for (const finding of found.filter(({ code }) => code === 'double-bled-not-met')) {
    const sides = findSides(graph, state, outlet, finding);
    const place = sides.length > 1 ? `between ${listNames(sides)}` : 'between two barriers';
    between.set(place, [...(between.get(place) ?? []), finding.subject]);
  }
  const subjectsOf = (code: Finding['code']) =>
    listNames(found.filter((one) => one.code === code).map(({ subject }) => subject));
  const say = (code: Finding['code'], words: (subjects: string) => string) =>
    subjectsOf(code) === '' ? [] : [words(subjectsOf(code))];
  return [
    ...[...between].map(([place, ids]) => `stands open ${place}, for ${nameSources(ids)}`),
    ...say('work-not-bled', (work) => `lets ${work} down before it is opened`),
    ...say('shut-in-not-bled', (shut) => `lets down what is shut in at ${shut}`),
    ...say('store-not-released', (stores) => `releases ${stores}`),
    ...say('earth-missing', (earthed) => `earths ${earthed}`),
  ];
}
