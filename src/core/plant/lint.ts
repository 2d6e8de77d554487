import { idOfPosition, listBars, standsIn } from './bars';
import { hasMovingPart, type Carrier } from './carriers';
import { labelParts, type PlantGraph } from './graph';
import { HAND_VALVE_KINDS } from './kinds';
import type { Medium } from './schema';
import { hazardsOf } from './vocabulary';

/** What a drawing can leave to doubt without being wrong. */
const CAUTION_OF_DRAWING = {
  'interlock-broken': 'An interlock that is broken as the plant stands',
  'hazards-meet': 'Fluids of different hazards meet over one fitting',
  'nobody-can-prove': 'Nothing drains it and nothing reads it: nobody can prove it let down',
  'nothing-drains': 'Nothing drains, vents or bleeds it',
  'nothing-reads': 'Nothing reads it',
  'no-start-station': 'A motor of no equipment with a start station: nothing to try after locking',
  'data-missing': 'A rule needs it and it is not given: the worst case is taken',
  'look-alike': 'Ids that are easily taken for each other',
} as const;

export type DrawingCode = keyof typeof CAUTION_OF_DRAWING;

/** One caution of a drawing: what about, and in words. */
export interface DrawingCaution {
  readonly code: DrawingCode;
  /** Id of the link, section, medium or row that it is about. */
  readonly subject: string;
  readonly words: string;
}

/** Kinds at which two fluids may meet, and one gets into the other when the fitting passes. */
const FITTINGS: ReadonlySet<string> = new Set([
  ...HAND_VALVE_KINDS,
  ...['check-valve', 'control-valve', 'spectacle-blind', 'spade', 'spool', 'removed-hose'],
  ...['flange', 'hose', 'joint'],
]);

const sayHazards = (medium: Medium): string =>
  medium.hazards === undefined ? 'not known' : medium.hazards.join(', ') || 'none';

function findMeeting(graph: PlantGraph): DrawingCaution[] {
  return graph.links.flatMap(({ id, kind }, link): DrawingCaution[] => {
    const [a, b] = [0, 1].map((end) => graph.medium[graph.ends[2 * link + end] as number]);
    const isFluid = [0, 1].every(
      (end) => graph.carrier[graph.ends[2 * link + end] as number] === 'fluid',
    );
    if (!a || !b || !isFluid || !FITTINGS.has(kind) || a.id === b.id) return [];
    const [one, other] = [a, b].map((medium) => [...hazardsOf(medium)].sort().join());
    if (one === other) return [];
    const words = `${id} (${kind}) stands between ${a.name} (hazards: ${sayHazards(a)}) and ${b.name} (hazards: ${sayHazards(b)})`;
    return [{ code: 'hazards-meet', subject: id, words }];
  });
}

/** "A, B, C and 4 more". */
function nameFew(ids: readonly string[]): string {
  const few = ids.slice(0, 3).join(', ');
  return ids.length > 3 ? `${few} and ${ids.length - 3} more` : few;
}

/** Pieces of fluid that surely hang together as the plant stands, with what drains and what reads each. */
function findUnprovable(graph: PlantGraph): DrawingCaution[] {
  const part = labelParts(
    graph,
    (link) => graph.surelyOpen[link] === 1 && graph.crossing[link]?.kind === 'through',
  );
  const drained = new Set(
    graph.outlets.flatMap(({ kind }, outlet) =>
      kind === 'earth' ? [] : [part[graph.outletSection[outlet] as number]],
    ),
  );
  const read = new Set(
    graph.plant.gauges.map(({ section }) => part[graph.sectionAt.get(section) ?? -1]),
  );
  const pieces = new Map<number, string[]>();
  graph.sections.forEach(({ id, pressure_bar }, section) => {
    if (graph.carrier[section] !== 'fluid' || pressure_bar === 0 || graph.isSource[section]) return;
    const at = part[section] as number;
    const piece = pieces.get(at);
    // One piece may be most of the plant.
    if (piece) piece.push(id);
    else pieces.set(at, [id]);
  });
  return [...pieces].flatMap(([at, ids]): DrawingCaution[] => {
    const [subject = ''] = ids;
    const name = nameFew(ids);
    if (!drained.has(at) && !read.has(at)) {
      return [
        { code: 'nobody-can-prove', subject, words: `${name}: neither an outlet nor a gauge` },
      ];
    }
    if (!drained.has(at)) return [{ code: 'nothing-drains', subject, words: `${name}: no outlet` }];
    if (!read.has(at)) return [{ code: 'nothing-reads', subject, words: `${name}: no gauge` }];
    return [];
  });
}

/** Interlocks whose positions all stand at once in normal running: drawn wrongly, or a line that is not. */
const findBrokenInterlocks = (graph: PlantGraph): DrawingCaution[] =>
  listBars(graph)
    .filter(
      ({ kind, positions }) =>
        kind === 'interlock' && positions.every((one) => standsIn(graph, one)),
    )
    .map(({ id, positions }) => {
      const ids = positions.map((one) => idOfPosition(graph, one)).join(', ');
      const words = `${id}: all that it keeps from standing at once does (${ids})`;
      return { code: 'interlock-broken', subject: id, words };
    });

function findUnstarted(graph: PlantGraph): DrawingCaution[] {
  const started = new Set(
    graph.plant.equipment
      .filter(({ start_stations }) => (start_stations ?? []).length > 0)
      .flatMap(({ sections }) => sections),
  );
  return (graph.linksByKind.get('motor') ?? []).flatMap((link): DrawingCaution[] => {
    const { id = '', between } = graph.links[link] ?? {};
    if (between?.some((section) => started.has(section))) return [];
    const words = `${id}: add it to an equipment with its start stations`;
    return [{ code: 'no-start-station', subject: id, words }];
  });
}

function findMissing(graph: PlantGraph): DrawingCaution[] {
  const missing = (subject: string, what: string): DrawingCaution => ({
    code: 'data-missing',
    subject,
    words: `${subject}: ${what} not given`,
  });
  const ofSections = graph.sections.flatMap((section, at): DrawingCaution[] => {
    const medium = graph.medium[at];
    const isFluid = graph.carrier[at] === 'fluid';
    const isWarmable = medium?.phase === 'liquid' || medium?.phase === 'vapour';
    return [
      ...(isFluid && section.pressure_bar === undefined ? [missing(section.id, 'pressure')] : []),
      ...(isFluid && isWarmable && section.temperature_c === undefined
        ? [missing(section.id, 'temperature')]
        : []),
      ...(graph.carrier[at] === 'current' && section.voltage_v === undefined
        ? [missing(section.id, 'voltage')]
        : []),
    ];
  });
  const unmoved = graph.links.flatMap(({ id, operated, powered_by: by }, link) => {
    const isInLine = hasMovingPart(graph.carrier[graph.ends[2 * link] as number] as Carrier);
    const isUnsaid = operated === 'remote' && by === undefined && isInLine;
    return isUnsaid ? [missing(id, 'what moves it (powered_by)')] : [];
  });
  const used = new Set(graph.medium);
  const ofMedia = graph.plant.media.flatMap((medium) =>
    used.has(medium) && medium.hazards === undefined ? [missing(medium.id, 'hazards')] : [],
  );
  return [...ofMedia, ...ofSections, ...unmoved];
}

/** An id as it may be misread: no case, no marks, O for 0, I and L for 1. */
const asMisread = (id: string): string =>
  id
    .toUpperCase()
    .replace(/[^A-Z0-9]/g, '')
    .replace(/O/g, '0')
    .replace(/[IL]/g, '1');

function findLookAlikes({ plant, stores }: PlantGraph): DrawingCaution[] {
  const rows = [...plant.sections, ...plant.links, ...plant.outlets, ...plant.gauges];
  const ids = [...rows.map(({ id }) => id), ...stores.map(({ store }) => store.id)];
  const alike = new Map<string, string[]>();
  for (const id of ids) {
    const misread = asMisread(id);
    const others = alike.get(misread);
    if (others) others.push(id);
    else alike.set(misread, [id]);
  }
  return [...alike.values()].flatMap(([subject = '', ...others]): DrawingCaution[] =>
    others.length === 0
      ? []
      : [{ code: 'look-alike', subject, words: [subject, ...others].join(' and ') }],
  );
}

/**
 * What a drawing leaves to doubt, by kind, in the order of the plant: nothing of it is refused, and each costs time or safety at some job.
 * Pieces that stand at no pressure, and sources, need no drain.
 */
export function lintPlant(graph: PlantGraph): readonly DrawingCaution[] {
  const before = found.get(graph);
  if (before) return before;
  const cautions = [
    ...findBrokenInterlocks(graph),
    ...findMeeting(graph),
    ...findUnprovable(graph),
    ...findUnstarted(graph),
    ...findMissing(graph),
    ...findLookAlikes(graph),
  ];
  found.set(graph, cautions);
  return cautions;
}

/** What was found of each drawing: none ever changes in place. */
const found = new WeakMap<PlantGraph, readonly DrawingCaution[]>();

/** Cautions of one kind: how many there are, and the first of them. */
export interface CautionGroup {
  readonly code: DrawingCode;
  readonly title: string;
  readonly count: number;
  readonly first: readonly DrawingCaution[];
}

/** The cautions of a drawing by kind, in the order in which they were found, of each kind at most so many. */
export const groupCautions = (cautions: readonly DrawingCaution[], most: number): CautionGroup[] =>
  [...new Set(cautions.map(({ code }) => code))].map((code) => {
    const all = cautions.filter((one) => one.code === code);
    return { code, title: CAUTION_OF_DRAWING[code], count: all.length, first: all.slice(0, most) };
  });
