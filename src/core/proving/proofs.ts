import {
  linksOf,
  otherEnd,
  type Carrier,
  type Gauge,
  type IsolationPlan,
  type PlantGraph,
} from '../plant';
import { describeBeside, type LiveBeside } from './beside';
import type { Seen } from './seen';
import {
  asEmptied,
  computePlantState,
  listInside,
  sectionOfOutlet,
  type PlantState,
  type Requirement,
} from '../isolation';

export type ProofKind = 'voltage' | 'pressure' | 'level' | 'motion' | 'temperature';

/** One reading that has to be taken before the work may be called dead. */
export interface ProofDemand {
  /** `kind:section`, stable for one plan. */
  readonly id: string;
  readonly kind: ProofKind;
  readonly section: string;
  /** All sections that this reading speaks for. */
  readonly covers: readonly string[];
  /** Gauges that can give it; when empty it is read at the opened bleed or with a portable instrument. */
  readonly gauges: readonly string[];
  readonly unit: 'V' | 'bar' | 'm' | 'rpm' | '°C';
  /** What has to be seen besides. */
  readonly sees: readonly Seen[];
  /** What stays live beside conductors that are worked on. */
  readonly beside?: LiveBeside;
  readonly why: string;
}

const UNIT = {
  voltage: 'V',
  pressure: 'bar',
  level: 'm',
  motion: 'rpm',
  temperature: '°C',
} as const;

interface Part {
  readonly carrier: Carrier;
  readonly sections: readonly number[];
  readonly holdsWork: boolean;
}

/** The parts in which some sections lie, each whole: no reading on one side of what is not surely open speaks for the other. */
function listParts(
  graph: PlantGraph,
  state: PlantState,
  seeds: Iterable<number>,
  zone: ReadonlySet<number>,
): Part[] {
  const wanted = new Set([...seeds].map((section) => state.part[section]));
  const parts = new Map<number, number[]>();
  state.part.forEach((part, section) => {
    if (wanted.has(part)) parts.set(part, [...(parts.get(part) ?? []), section]);
  });
  return [...parts.values()].map((sections) => ({
    carrier: graph.carrier[sections[0] ?? -1] ?? 'fluid',
    sections,
    holdsWork: sections.some((section) => zone.has(section)),
  }));
}

/** What a gauge has to read, for a part to be proved by it. */
export const GAUGE_FOR: Readonly<Record<ProofKind, Gauge['reads']>> = {
  voltage: 'voltage',
  pressure: 'pressure',
  level: 'level',
  motion: 'motion',
  temperature: 'temperature',
};

function makeProof(
  graph: PlantGraph,
  part: Part,
  kind: ProofKind,
  {
    zone,
    sees = [],
    beside,
  }: {
    readonly zone: ReadonlySet<number>;
    readonly sees?: readonly Seen[];
    readonly beside?: LiveBeside | undefined;
  },
  why: string,
): ProofDemand {
  const ids = part.sections.map((section) => graph.sections[section]?.id ?? '').sort();
  const gauges = graph.plant.gauges.filter(
    (gauge) => gauge.reads === GAUGE_FOR[kind] && ids.includes(gauge.section),
  );
  const work = part.sections
    .filter((section) => zone.has(section))
    .map((n) => graph.sections[n]?.id);
  const section = [...work].sort()[0] ?? gauges[0]?.section ?? ids[0] ?? '';
  const here = gauges.filter((gauge) => gauge.section === section);
  return {
    id: `${kind}:${section}`,
    kind,
    section,
    covers: ids,
    gauges: [...here, ...gauges.filter((gauge) => !here.includes(gauge))].map(({ id }) => id),
    unit: UNIT[kind],
    sees,
    ...(beside ? { beside } : {}),
    why,
  };
}

/** Above this (°C) a part has to be proved cool as well. Source: practice; skin burns within seconds at 60 °C. */
export const HOT_PART_C = 60;

/** Outside this (°C) what stands about is neither hot nor cold to work on. Source: practice. */
const USUAL_C = { least: 0, most: 43 } as const;

interface Round {
  readonly graph: PlantGraph;
  readonly state: PlantState;
  readonly zone: ReadonlySet<number>;
}

const holdsOpenOutlet = ({ graph, state }: Round, { sections }: Part): boolean =>
  state.opened.some((outlet) => sections.includes(sectionOfOutlet(graph, outlet)));

/** What is seen where a line is let down: the bleed, the flow, the level, the warmth. */
function listFluidSigns(round: Round, part: Part, hasLevel: boolean): Seen[] {
  const { graph } = round;
  const isLiquid = part.sections.some((section) => graph.medium[section]?.phase === 'liquid');
  const temperatures = part.sections.flatMap(
    (section) => graph.sections[section]?.temperature_c ?? [],
  );
  const isUnusual = temperatures.some((one) => one < USUAL_C.least || one > USUAL_C.most);
  return [
    ...(holdsOpenOutlet(round, part) ? (['bleed-clear'] as const) : []),
    'no-flow',
    ...(isLiquid && !hasLevel ? (['no-level'] as const) : []),
    ...(isUnusual ? (['ambient'] as const) : []),
  ];
}

function proveFluid(round: Round, part: Part): ProofDemand[] {
  const { graph, zone } = round;
  const hasLevel = graph.plant.gauges.some(
    ({ reads, section }) =>
      reads === 'level' && part.sections.includes(graph.sectionAt.get(section) ?? -1),
  );
  const sees = listFluidSigns(round, part, hasLevel);
  return [
    makeProof(graph, part, 'pressure', { zone, sees }, 'the line is let down before it is opened'),
    ...(hasLevel ? [makeProof(graph, part, 'level', { zone }, 'it is empty')] : []),
  ];
}

/**
 * Conductors that stay live behind a barrier at which conductors that are worked on end; undefined where none do. Source: protection against
 * adjacent live parts, EN 50110-1, 6.2.6 (from memory).
 */
function findLiveBeside(
  { graph, state }: Round,
  { sections, holdsWork }: Part,
): LiveBeside | undefined {
  if (!holdsWork) return undefined;
  const body = new Set(sections.map((section) => state.body[section]));
  const own = [...state.body.keys()].filter((section) => body.has(state.body[section]));
  const behind = own.flatMap((section) =>
    [...linksOf(graph, section)]
      .filter((link) => state.barred[link] === 1)
      .map((link) => otherEnd(graph, link, section)),
  );
  const live = [...new Set(behind)].filter(
    (next) => graph.carrier[next] === 'current' && state.live[state.body[next] ?? -1] === 1,
  );
  return live.length === 0
    ? undefined
    : describeBeside(live.flatMap((section) => graph.sections[section] ?? []));
}

/** Whether a part of fluid lies beside fluid that is worked on, and anything of it can be read or let out at all. */
function isReadBeside(round: Round, { carrier, sections }: Part): boolean {
  const { graph, state, zone } = round;
  const isBeside = [...zone].some(
    (section) => state.body[section] === state.body[sections[0] ?? -1],
  );
  const points = [...graph.outlets, ...graph.plant.gauges];
  return (
    carrier === 'fluid' &&
    isBeside &&
    points.some(({ section }) => sections.includes(graph.sectionAt.get(section) ?? -1))
  );
}

function proveMotion({ graph, state, zone }: Round, part: Part): ProofDemand {
  const isRestrained = [...state.restrained].some((store) =>
    part.sections.includes(graph.stores[store]?.section ?? -1),
  );
  const sees: Seen[] = ['standing-still', ...(isRestrained ? (['restraint-in'] as const) : [])];
  return makeProof(graph, part, 'motion', { zone, sees }, 'moving parts within reach stand still');
}

function provePart(round: Round, part: Part): ProofDemand[] {
  const { graph, zone } = round;
  if (part.carrier === 'current') {
    const beside = findLiveBeside(round, part);
    return [
      makeProof(
        graph,
        part,
        'voltage',
        { zone, sees: beside ? ['live-parts-screened'] : [], beside },
        'conductors inside the isolation are proved dead',
      ),
    ];
  }
  // What is shut in beside the work, behind what opens by itself, comes to it when it is opened: it is read on its own.
  if (!part.holdsWork) return isReadBeside(round, part) ? proveFluid(round, part) : [];
  if (part.carrier === 'motion') return [proveMotion(round, part)];
  const hot = part.sections.some(
    (section) => (graph.sections[section]?.temperature_c ?? 0) > HOT_PART_C,
  );
  const isHeat = graph.medium[part.sections[0] ?? -1]?.energy === 'thermal';
  const cool = hot || isHeat;
  return [
    ...(part.carrier === 'fluid' ? proveFluid(round, part) : []),
    ...(cool ? [makeProof(graph, part, 'temperature', { zone }, 'hot parts have cooled')] : []),
  ];
}

/**
 * Lists the readings that prove a plan: voltage on every piece of conductor inside the isolation; pressure (level where there is
 * a gauge for it, temperature where it was hot) on each part of fluid that holds work or was run empty for it; motion on each
 * drive that holds work; and pressure in each bled space between two barriers. In the order of ids.
 */
export function listProofs(
  drawn: PlantGraph,
  requirement: Requirement,
  plan: IsolationPlan,
): ProofDemand[] {
  const graph = asEmptied(drawn, requirement);
  const state = computePlantState(graph, plan);
  const emptied = requirement.trace.emptied.map(({ section }) => section);
  const zone = new Set([...requirement.trace.zone, ...emptied]);
  const round: Round = { graph, state, zone };
  const within = listInside(graph, state, requirement.trace);
  const inside = listParts(graph, state, within, zone).flatMap((part) => provePart(round, part));
  const zoneBodies = new Set(requirement.trace.zone.map((section) => state.body[section]));
  const elsewhere = emptied
    .filter((section) => !zoneBodies.has(state.body[section]))
    .flatMap((section) => listParts(graph, state, [section], zone))
    .filter(({ carrier, holdsWork }) => carrier === 'fluid' && holdsWork)
    .flatMap((part) => proveFluid(round, part));
  const between = state.opened
    .map((outlet) => sectionOfOutlet(graph, outlet))
    .filter((section) => !zoneBodies.has(state.body[section]))
    .filter((section) => graph.carrier[section] === 'fluid')
    .flatMap((section) =>
      listParts(graph, state, [section], zone).map((part) =>
        makeProof(
          graph,
          part,
          'pressure',
          { zone, sees: ['bleed-clear', 'no-flow'] },
          'the bleed between the two barriers is open and clear',
        ),
      ),
    );
  const all = new Map([...inside, ...between, ...elsewhere].map((proof) => [proof.id, proof]));
  return [...all.values()].sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** The highest voltage (V) that a proof speaks for; 0 where the drawing gives none. */
export const findLineVoltage = ({ covers }: ProofDemand, graph: PlantGraph): number =>
  covers.reduce((most, id) => {
    const section = graph.sections[graph.sectionAt.get(id) ?? -1];
    return Math.max(most, section?.voltage_v ?? 0);
  }, 0);

/** Above this (V) proving dead and earthing are done by two. Source: practice; site rule. */
export const TWO_PERSONS_V = 1000;

/** Whether a proof is done by two. */
export const isByTwo = (proof: ProofDemand, graph: PlantGraph): boolean =>
  proof.kind === 'voltage' && findLineVoltage(proof, graph) > TWO_PERSONS_V;
