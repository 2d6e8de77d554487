import type { PlantGraph } from '../../plant';
import { canLetDown, findBackPressure, sectionOfOutlet, type PlantState } from '../bodies';
import { makeFinding, type Finding, type Mend } from '../findings';
import { DRIVEN, ENDS_HERE, ITSELF, searchModes, stateOf } from '../modes';
import type { Requirement } from '../requirement';
import { nameRoute, searchRoutes, traceBack, UNREACHED } from '../routes';
import { listArrived } from '../trace';
import { mendByBleeding, mendByClosing, takeBest } from './mends';

const idOf = (graph: PlantGraph, section: number) => graph.sections[section]?.id ?? '';

/** Which sections, itself, still arrive at the work in some modes with the barriers closed. */
function findArriving(
  graph: PlantGraph,
  state: PlantState,
  zone: readonly number[],
  modes: readonly number[],
): (section: number) => boolean {
  const tree = searchModes(graph, listArrived(zone, modes), {
    weigh: (link) => (state.barred[link] ? -1 : 0),
  });
  return (section) => tree.cost[stateOf(section, ITSELF)] !== UNREACHED;
}

/** The parts of the work that a grade wants let down and that are not: a work section of each, and the sources that ask. */
function listUnbled(state: PlantState, { demands }: Requirement) {
  const wanted = new Map<number, { section: number; sources: string[] }>();
  for (const demand of demands) {
    if (!demand.bled) continue;
    for (const section of demand.itself) {
      const part = state.part[section] as number;
      const entry = wanted.get(part) ?? { section, sources: [] };
      if (!entry.sources.includes(demand.id)) entry.sources.push(demand.id);
      wanted.set(part, entry);
    }
  }
  return new Map([...wanted].filter(([part]) => !state.bled[part]));
}

/** Work sections whose part a grade wants let down and that is not. */
export const findUnbled = (
  graph: PlantGraph,
  state: PlantState,
  requirement: Requirement,
): Finding[] =>
  [...listUnbled(state, requirement)].map(([part, { section, sources }]) => {
    const id = idOf(graph, section);
    const asked = `asked for by ${sources.join(', ')}`;
    const words = state.live[state.body[section] as number]
      ? `${id} cannot be let down while a source stands in its body (${asked})`
      : `${id} is not let down: no opened outlet surely leads it to a safe place (${asked})`;
    const mends = takeBest(mendByBleeding(graph, state, new Set([part])));
    return makeFinding('work-not-bled', id, words, { mends });
  });

/** Whether a section is under pressure by the drawing: what it gives no pressure for counts. */
const isUnderPressure = (graph: PlantGraph, section: number): boolean =>
  graph.carrier[section] === 'fluid' && graph.sections[section]?.pressure_bar !== 0;

const sayPressure = (graph: PlantGraph, section: number): string => {
  const { id, pressure_bar: bar } = graph.sections[section] ?? { id: '' };
  return bar === undefined ? `${id}, whose pressure is not given` : `${id} at ${bar} bar`;
};

/** What is shut in under pressure and can come at the crew: let down where there is an outlet, else named with what to do. */
export function findShutIn(
  graph: PlantGraph,
  state: PlantState,
  requirement: Requirement,
): Finding[] {
  const { trace, opened } = requirement;
  // What a grade wants let down is named by that; what a source still feeds, by the source.
  const named = listUnbled(state, requirement);
  const comesOver = findArriving(graph, state, opened, [ITSELF]);
  // Blades that shut-in air could turn count like a shaft.
  const drives = findArriving(graph, state, trace.zone, [DRIVEN, ENDS_HERE]);
  const parts = new Map<number, number[]>();
  graph.sections.forEach(({ source }, section) => {
    if (source || !isUnderPressure(graph, section)) return;
    if (!comesOver(section) && !drives(section)) return;
    const part = state.part[section] as number;
    if (state.bled[part] || named.has(part)) return;
    if (state.live[state.body[section] as number]) return;
    parts.set(part, [...(parts.get(part) ?? []), section]);
  });
  const hasOutlet = new Set(
    graph.outlets.flatMap((outlet, number) =>
      canLetDown(graph, outlet) ? [state.part[sectionOfOutlet(graph, number)] as number] : [],
    ),
  );
  return [...parts].map(([part, sections]) => {
    const [first = -1] = sections;
    const more = sections.length > 1 ? ` and ${sections.length - 1} more beside it` : '';
    const what = `${sayPressure(graph, first)}${more}`;
    if (hasOutlet.has(part)) {
      const words = `${what} stays shut in under pressure and can come at the work: nothing surely lets it down`;
      const mends = takeBest(mendByBleeding(graph, state, new Set([part])));
      return makeFinding('shut-in-not-bled', idOf(graph, first), words, { mends });
    }
    const words = `${what} stays shut in and no drain, vent or bleed surely reaches it: loosen a joint there with care, away from it, with a tray and cover at hand, before anything else is opened`;
    return makeFinding('shut-in-no-outlet', idOf(graph, first), words);
  });
}

/** Stores that still reach the work and are not released. */
export function findUnreleased(
  graph: PlantGraph,
  state: PlantState,
  { trace }: Requirement,
): Finding[] {
  if (graph.stores.length === 0) return [];
  const arrives = findArriving(graph, state, trace.zone, [ITSELF, DRIVEN, ENDS_HERE]);
  return graph.stores.flatMap(({ store, section }, number) => {
    if (!arrives(section) || store.release === 'wait') return [];
    if (store.release === 'restrain') {
      if (state.restrained.has(number)) return [];
      const words = `${store.id} (${store.kind}) is not restrained`;
      const mends = [{ action: 'restrain', id: store.id, words: `restrain ${store.id}` } as const];
      return [makeFinding('store-not-released', store.id, words, { mends })];
    }
    const outlet = graph.outletAt.get(store.release) ?? -1;
    if (graph.outlets[outlet]?.plugged === true) {
      const words = `${store.id} (${store.kind}) is not released: ${store.release} is known to be blocked`;
      return [makeFinding('store-not-released', store.id, words)];
    }
    const inBody = state.body[sectionOfOutlet(graph, outlet)] === state.body[section];
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

/** Outlets that a plan would open on live plant. */
export function findLiveOutlets(graph: PlantGraph, state: PlantState): Finding[] {
  const onLive = state.opened.filter(
    (outlet) => state.live[state.body[sectionOfOutlet(graph, outlet)] as number],
  );
  if (onLive.length === 0) return [];
  const sources = [...graph.isSource.keys()].filter((section) => graph.isSource[section]);
  const tree = searchRoutes(graph, sources, (link) =>
    state.barred[link] || graph.crossing[link]?.kind !== 'through' ? -1 : 0,
  );
  return onLive.map((outlet) => {
    const { id, section } = graph.outlets[outlet] as { id: string; section: string };
    const route = [...traceBack(graph, tree, sectionOfOutlet(graph, outlet))].reverse();
    const leaveShut: Mend = { action: 'drop', id, words: `leave ${id} shut` };
    const words = `${id} on ${section} would be opened on live plant`;
    return makeFinding('outlet-on-live-body', id, words, {
      route: nameRoute(graph, route),
      mends: takeBest([leaveShut, ...mendByClosing(graph, state, route)]),
    });
  });
}

/** Outlets that a plan would open into a closed system that is under pressure itself. */
export const findBackPressed = (graph: PlantGraph, state: PlantState): Finding[] =>
  state.opened.flatMap((number) => {
    const outlet = graph.outlets[number];
    const system = outlet && findBackPressure(graph, outlet);
    if (!outlet || system === undefined) return [];
    const { id, section } = outlet;
    const words = `${id} would join ${section} to ${system}, which is under pressure itself, and nothing in its line surely stops that from coming back`;
    const mends: Mend[] = [{ action: 'drop', id, words: `leave ${id} shut` }];
    return [makeFinding('outlet-into-pressure', id, words, { mends })];
  });
