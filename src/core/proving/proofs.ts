import {
  isFluid,
  linksOf,
  otherEnd,
  type Energy,
  type Gauge,
  type IsolationPlan,
  type PlantGraph,
} from '../plant';
import {
  computePlantState,
  sectionOfOutlet,
  type PlantState,
  type Requirement,
} from '../isolation';

export type ProofKind = 'voltage' | 'pressure' | 'motion' | 'temperature';

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
  readonly unit: 'V' | 'bar' | 'rpm' | '°C';
  readonly why: string;
}

const UNIT = { voltage: 'V', pressure: 'bar', motion: 'rpm', temperature: '°C' } as const;

type EnergyClass = 'electrical' | 'fluid' | 'motion' | 'thermal' | 'other';

function classOf(energy: Energy): EnergyClass {
  if (isFluid(energy)) return 'fluid';
  if (energy === 'mechanical' || energy === 'gravity') return 'motion';
  return energy === 'electrical' || energy === 'thermal' ? energy : 'other';
}

interface Part {
  readonly energy: EnergyClass;
  readonly sections: readonly number[];
  readonly holdsWork: boolean;
}

/** The pieces of one kind of energy that make up the bodies which hold `seeds`. */
function listParts(
  graph: PlantGraph,
  state: PlantState,
  seeds: readonly number[],
  zone: ReadonlySet<number>,
): Part[] {
  const bodies = new Set(seeds.map((section) => state.body[section]));
  const energyAt = (section: number) => classOf(graph.medium[section]?.energy ?? 'electrical');
  const seen = new Set<number>();
  const parts: Part[] = [];
  graph.sections.forEach((_, first) => {
    if (seen.has(first) || !bodies.has(state.body[first])) return;
    const energy = energyAt(first);
    const part = new Set([first]);
    for (const section of part) {
      for (const link of linksOf(graph, section)) {
        const next = otherEnd(graph, link, section);
        if (!state.barred[link] && energyAt(next) === energy) part.add(next);
      }
    }
    part.forEach((section) => seen.add(section));
    const sections = [...part];
    parts.push({ energy, sections, holdsWork: sections.some((section) => zone.has(section)) });
  });
  return parts;
}

const GAUGE_FOR: Readonly<Record<ProofKind, Gauge['reads']>> = {
  voltage: 'voltage',
  pressure: 'pressure',
  motion: 'motion',
  temperature: 'temperature',
};

function makeProof(
  graph: PlantGraph,
  part: Part,
  kind: ProofKind,
  zone: ReadonlySet<number>,
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
    why,
  };
}

/** Above this (°C) a part has to be proved cool as well. Source: practice; skin burns within seconds at 60 °C. */
export const HOT_PART_C = 60;

function provePart(graph: PlantGraph, part: Part, zone: ReadonlySet<number>): ProofDemand[] {
  if (part.energy === 'electrical') {
    return [
      makeProof(graph, part, 'voltage', zone, 'conductors inside the isolation are proved dead'),
    ];
  }
  if (!part.holdsWork) return [];
  if (part.energy === 'motion') {
    return [makeProof(graph, part, 'motion', zone, 'moving parts within reach stand still')];
  }
  const hot = part.sections.some(
    (section) => (graph.sections[section]?.temperature_c ?? 0) > HOT_PART_C,
  );
  const cool = hot || part.energy === 'thermal';
  return [
    ...(part.energy === 'fluid'
      ? [makeProof(graph, part, 'pressure', zone, 'the line is let down before it is opened')]
      : []),
    ...(cool ? [makeProof(graph, part, 'temperature', zone, 'hot parts have cooled')] : []),
  ];
}

/**
 * Lists the readings that prove a plan: voltage on every stretch of conductor inside the isolation, pressure (and temperature
 * where it was hot) on each stretch of fluid that holds work, motion on each drive that holds work, and pressure in each
 * bled space between two barriers. In the order of ids.
 */
export function listProofs(
  graph: PlantGraph,
  requirement: Requirement,
  plan: IsolationPlan,
): ProofDemand[] {
  const state = computePlantState(graph, plan);
  const zone = new Set(requirement.trace.zone);
  const inside = listParts(graph, state, requirement.trace.zone, zone).flatMap((part) =>
    provePart(graph, part, zone),
  );
  const zoneBodies = new Set(requirement.trace.zone.map((section) => state.body[section]));
  const between = state.opened
    .map((outlet) => sectionOfOutlet(graph, outlet))
    .filter((section) => !zoneBodies.has(state.body[section]))
    .filter((section) => isFluid(graph.medium[section]?.energy ?? 'electrical'))
    .flatMap((section) =>
      listParts(graph, state, [section], zone)
        .filter((part) => part.energy === 'fluid')
        .map((part) =>
          makeProof(
            graph,
            part,
            'pressure',
            zone,
            'the bleed between the two barriers is open and clear',
          ),
        ),
    );
  const all = new Map([...inside, ...between].map((proof) => [proof.id, proof]));
  return [...all.values()].sort((a, b) => (a.id < b.id ? -1 : 1));
}
