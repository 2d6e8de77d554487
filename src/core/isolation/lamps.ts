import { capitalise } from '../text';
import { otherEnd, type Link, type PlantGraph, type Store } from '../plant';
import type { Arrival, Trace, TracedSource } from './trace';

/** What one lamp stands for: a medium that can come in, a machine or heater that can act on the work, or a store. */
export const LAMP_KINDS = ['medium', 'drive', 'heat', 'store'] as const;
export type LampKind = (typeof LAMP_KINDS)[number];

/** One arrival as people speak of it: one lamp, with the sources that feed it. */
export interface ArrivalLamp {
  readonly id: string;
  readonly kind: LampKind;
  /** One sentence: what arrives, from where, and under which condition. */
  readonly words: string;
  /** The medium, or the machine by its tag: "digestate", "the motor M-P201". */
  readonly short: string;
  /** Ids of the sources behind it, the nearest first; of a store lamp the store itself. */
  readonly sources: readonly string[];
  /** True when it is kept out by standing gaps alone. */
  readonly gap: boolean;
}

const MACHINES: Partial<Record<Link['kind'], string>> = {
  motor: 'The motor',
  generator: 'The generator',
  engine: 'The engine',
  cylinder: 'The cylinder',
  pump: 'The pump',
  agitator: 'The blades of',
  heater: 'Heat from',
  exchanger: 'Heat from',
  joint: 'What comes over',
  shutter: 'Rays past',
};

const STORED: Readonly<Record<Store['kind'], string>> = {
  gas: 'Gas kept',
  capacitor: 'The charge',
  accumulator: 'The accumulator',
  spring: 'The spring',
  'raised-mass': 'The raised mass',
  rotor: 'The rotor that runs on',
  'hot-body': 'The heat kept',
  'trapped-liquid': 'Liquid trapped',
};

/** The link that makes what arrives: the machine nearest to the work that is a generator or not itself turned by another, else the last converter. */
function findMaker(graph: PlantGraph, source: number, { route }: Arrival): number {
  let here = source;
  let maker = -1;
  let last = -1;
  for (const link of route) {
    const crossing = graph.crossing[link];
    if (crossing?.kind === 'drive' || crossing?.kind === 'ends') {
      last = link;
      const isMade = graph.carrier[here] !== 'motion' || graph.links[link]?.kind === 'generator';
      if (isMade) maker = link;
    }
    here = otherEnd(graph, link, here);
  }
  return maker === -1 ? last : maker;
}

interface Gathered {
  readonly kind: LampKind;
  readonly key: string;
  readonly sources: TracedSource[];
  readonly arrivals: Arrival[];
}

/** By what a lamp gathers an arrival: the medium that comes in, or the machine or heater that acts. */
function lampOf(
  graph: PlantGraph,
  source: number,
  arrival: Arrival,
): Pick<Gathered, 'kind' | 'key'> {
  if (arrival.mode === 'itself' || arrival.mode === 'leaked') {
    // Over transformers a current comes in as what the work carries.
    const at = graph.carrier[source] === 'current' ? arrival.section : source;
    return { kind: 'medium', key: graph.medium[at]?.id ?? '' };
  }
  const maker = findMaker(graph, source, arrival);
  const link = graph.links[maker];
  const isMoved =
    graph.carrier[source] === 'motion' || link?.kind === 'agitator' || link?.kind === 'actuator';
  const isHeat = arrival.mode === 'ends-here' && !isMoved && graph.crossing[maker]?.kind === 'ends';
  const id = link?.id ?? '';
  return { kind: isHeat ? 'heat' : 'drive', key: graph.actuates.get(id) ?? id };
}

/** "A", "A and B", "A, B and C". */
export const listNames = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** The exchangers that have to leak before something arrives; none when some of it comes by itself. */
function listLeaks(graph: PlantGraph, arrivals: readonly Arrival[]): string[] {
  if (arrivals.some(({ mode }) => mode !== 'leaked')) return [];
  const walls = arrivals.flatMap(({ route }) =>
    route.filter((link) => graph.crossing[link]?.kind === 'wall'),
  );
  return [...new Set(walls.map((link) => graph.links[link]?.id ?? ''))].sort();
}

/** The sources of a lamp by name: the nearest, and behind them the others. */
function nameSources(sources: readonly TracedSource[]): string {
  const near = sources.filter(({ behind }) => behind === undefined);
  const far = sources.filter(({ behind }) => behind !== undefined);
  const names = (some: readonly TracedSource[]) => listNames(some.map(({ name }) => name));
  if (near.length === 0 || far.length === 0) return names(sources);
  return `${names(near)}, and behind ${near.length > 1 ? 'these' : 'it'} ${names(far)}`;
}

const nameMedium = (graph: PlantGraph, key: string): string =>
  graph.plant.media.find(({ id }) => id === key)?.name ?? key;

function sayMedium(graph: PlantGraph, { key, sources, arrivals }: Gathered): string {
  const medium = nameMedium(graph, key);
  const leaks = listLeaks(graph, arrivals);
  const leak =
    leaks.length > 0 ? `, if ${listNames(leaks)} ${leaks.length > 1 ? 'leak' : 'leaks'}` : '';
  return `${capitalise(medium)} from ${nameSources(sources)}${leak}`;
}

/** "The motor", "Heat from": how a machine is spoken of before its tag. */
function machineOf(graph: PlantGraph, key: string): string {
  const link = graph.links[graph.linkAt.get(key) ?? -1];
  const machine = link && MACHINES[link.kind];
  return machine ?? (link?.powered_by === undefined ? 'The drive' : 'The actuator of');
}

const nameMachine = (graph: PlantGraph, key: string): string => {
  const machine = machineOf(graph, key);
  return `${machine.charAt(0).toLowerCase()}${machine.slice(1)} ${key}`;
};

function sayMachine(graph: PlantGraph, { key, sources }: Gathered): string {
  const link = graph.links[graph.linkAt.get(key) ?? -1];
  const name = link?.name === undefined ? key : `${key} (${link.name})`;
  const what = `${machineOf(graph, key)} ${name}`;
  return `${what}, ${link?.kind === 'shutter' ? 'from' : 'fed from'} ${nameSources(sources)}`;
}

const RANK: Readonly<Record<LampKind, number>> = { medium: 0, drive: 1, heat: 2, store: 3 };

/**
 * The arrivals of a source that a lamp is needed for: not what some other source stands before, unless all of them are, and not a machine
 * that turns in a ring to where the source is itself.
 */
function listTelling({ arrivals, behind }: TracedSource): Arrival[] {
  const isItself = (at: number) =>
    arrivals.some(({ section, mode }) => section === at && mode === 'itself');
  return arrivals.filter(
    ({ section, mode, isBehind }) =>
      (behind !== undefined || !isBehind) &&
      (mode === 'itself' || mode === 'leaked' || !isItself(section)),
  );
}

/** The lamps of each source that comes first on its way; those behind it are told beneath them. */
function gather(graph: PlantGraph, sources: readonly TracedSource[]): Map<string, Gathered> {
  const gathered = new Map<string, Gathered>();
  const isFirst = new Set(sources.filter(({ behind }) => behind === undefined).map(({ id }) => id));
  const lampsOf = new Map<string, string[]>();
  for (const source of sources) {
    if (source.behind !== undefined && isFirst.has(source.behind)) continue;
    for (const arrival of listTelling(source)) {
      const { kind, key } = lampOf(graph, source.section, arrival);
      const id = `${kind}:${key}`;
      const entry = gathered.get(id) ?? { kind, key, sources: [], arrivals: [] };
      if (!entry.sources.includes(source)) entry.sources.push(source);
      entry.arrivals.push(arrival);
      gathered.set(id, entry);
      lampsOf.set(source.id, [...(lampsOf.get(source.id) ?? []), id]);
    }
  }
  for (const source of sources) {
    if (source.behind === undefined) continue;
    for (const id of new Set(lampsOf.get(source.behind))) gathered.get(id)?.sources.push(source);
  }
  return gathered;
}

/**
 * Gathers what arrives at the work into lamps: one for each medium that can come in, one for each machine or heater that can drive or
 * heat the work, one for each store. Sources behind others stand under the nearest. In that order, then by id.
 */
export function listArrivalLamps(graph: PlantGraph, trace: Trace): ArrivalLamp[] {
  const gathered = gather(graph, [...trace.sources, ...trace.emptied]);
  const lamps = [...gathered].map(([id, entry]): ArrivalLamp => {
    const near = [...entry.sources].sort(
      (a, b) => Number(a.behind !== undefined) - Number(b.behind !== undefined),
    );
    const gap = entry.arrivals.every((one) => one.gap);
    const sorted = { ...entry, sources: near };
    const words = entry.kind === 'medium' ? sayMedium(graph, sorted) : sayMachine(graph, sorted);
    return {
      id,
      kind: entry.kind,
      words: gap ? `${words} (kept out by a standing gap)` : words,
      short: entry.kind === 'medium' ? nameMedium(graph, entry.key) : nameMachine(graph, entry.key),
      sources: near.map((one) => one.id),
      gap,
    };
  });
  // A store that some barrier keeps away is the plan's to name, not an arrival that has to be let down whatever is closed.
  const standing = trace.stores.filter(({ separable }) => !separable);
  const stores = standing.map(({ id, kind, section }): ArrivalLamp => {
    const at = graph.sections[graph.sectionAt.get(section) ?? -1]?.name ?? section;
    return {
      id: `store:${id}`,
      kind: 'store',
      words: `${STORED[kind]} ${id} in ${at}`,
      short: id,
      sources: [id],
      gap: false,
    };
  });
  return [...lamps, ...stores].sort(
    (a, b) => RANK[a.kind] - RANK[b.kind] || (a.id < b.id ? -1 : 1),
  );
}
