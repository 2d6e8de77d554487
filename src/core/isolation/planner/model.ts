import {
  canStandOpen,
  otherEnd,
  linksOf,
  type Link,
  type Outlet,
  type PlantGraph,
} from '../../plant';
import { canLetDown, isThrough, sectionOfOutlet } from '../bodies';
import {
  closingMinutes,
  computeFed,
  listSupplyLinks,
  openingMinutes,
  RESTRAIN_MINUTES,
  standingMinutes,
} from '../cost';
import type { EarthDemand, Requirement, SourceDemand } from '../requirement';

/** What a planning run may use and what it leaves aside. */
export interface PlannerOptions {
  /** Links that may be closed; all that have strength when absent. */
  readonly mayClose?: (link: number) => boolean;
  /** Links whose closing costs nothing because another stage has paid for it. */
  readonly paidLinks?: ReadonlySet<number>;
  readonly paidOutlets?: ReadonlySet<number>;
  readonly paidStores?: ReadonlySet<number>;
  readonly paidStands?: ReadonlySet<number>;
  /** Whether lost supply plays no part, not even between equals. */
  readonly ignoresOutage?: boolean;
  /** Stores (numbers) that are left to an accepted measure. */
  readonly waivedStores?: ReadonlySet<number>;
  /** Work sections (numbers) whose earth is left to an accepted measure. */
  readonly waivedEarths?: ReadonlySet<number>;
}

/** The fixed facts of one planning problem. */
export interface PlannerModel {
  readonly graph: PlantGraph;
  readonly zone: readonly number[];
  readonly isZone: Uint8Array;
  readonly demands: readonly SourceDemand[];
  readonly earths: readonly EarthDemand[];
  readonly stores: readonly number[];
  /** 1 for each link that may be closed as a barrier. */
  readonly candidate: Uint8Array;
  /** 1 for each link that stands closed and may be locked open, as a way for a let-down. */
  readonly mayStand: Uint8Array;
  /** Numbers of outlets that let down to a safe place, by section. */
  readonly safeOutlets: ReadonlyMap<number, readonly number[]>;
  /** Work sections whose part has to be bled, and those where what is shut in comes at people. */
  readonly bledWork: readonly number[];
  readonly openedWork: readonly number[];
  /** 1 for each section of fluid that is under pressure by itself, as far as the drawing says. */
  readonly isPressed: Uint8Array;
  /** 1 for each link over which supply passes in normal line-up, and for each section that is then fed. */
  readonly supply: Uint8Array;
  readonly fed: Uint8Array;
  /** Sections whose loss of supply costs something. */
  readonly served: readonly number[];
  /** Minutes to close each link. */
  readonly closing: Float64Array;
  /** Minutes to close, open and restrain all there is. */
  readonly allMinutes: number;
  /** What is lost by what an arrangement shuts alone; `fed` is then what is left. */
  readonly lostAlready: number;
  /** Outlets (numbers) that an interlock keeps shut. */
  readonly notOpened: ReadonlySet<number>;
  /** Whether some source that reaches the work has no demand of its own here. */
  readonly hasUnasked: boolean;
  readonly options: PlannerOptions;
}

type PlantFacts = Pick<
  PlannerModel,
  'safeOutlets' | 'mayStand' | 'isPressed' | 'supply' | 'fed' | 'served' | 'closing' | 'allMinutes'
>;

const factsByGraph = new WeakMap<PlantGraph, PlantFacts>();

function groupSafeOutlets(graph: PlantGraph): Map<number, number[]> {
  const bySection = new Map<number, number[]>();
  graph.outlets.forEach((outlet: Outlet, number) => {
    if (!canLetDown(graph, outlet)) return;
    const section = sectionOfOutlet(graph, number);
    const known = bySection.get(section);
    if (known) known.push(number);
    else bySection.set(section, [number]);
  });
  return bySection;
}

/** What is the same for every job on a plant; worked out once. */
function factsOf(graph: PlantGraph): PlantFacts {
  const known = factsByGraph.get(graph);
  if (known) return known;
  const supply = listSupplyLinks(graph);
  const closing = Float64Array.from(graph.links, closingMinutes);
  const facts = {
    safeOutlets: groupSafeOutlets(graph),
    mayStand: Uint8Array.from(graph.links, (link, number) =>
      graph.isNormallyClosed[number] && canStandOpen(link) && isThrough(graph, number) ? 1 : 0,
    ),
    isPressed: Uint8Array.from(graph.sections, ({ source, pressure_bar: bar }, section) =>
      graph.carrier[section] === 'fluid' && !source && bar !== 0 ? 1 : 0,
    ),
    supply,
    fed: computeFed(graph, (link) => supply[link] === 1),
    served: [...graph.sections.keys()].filter(
      (section) => (graph.sections[section]?.serves ?? 0) > 0,
    ),
    closing,
    allMinutes:
      graph.links.reduce(
        (sum, link, number) => sum + (closing[number] as number) + standingMinutes(link),
        0,
      ) +
      graph.outlets.reduce((sum, outlet) => sum + openingMinutes(outlet), 0) +
      graph.stores.length * RESTRAIN_MINUTES,
  };
  factsByGraph.set(graph, facts);
  return facts;
}

/** What is asked of a source that only a far drive brings: one barrier, nothing else. */
const demandOfFar = ({ section, id }: Requirement['trace']['far'][number]): SourceDemand => ({
  source: section,
  id,
  grade: 'single',
  tableGrade: 'single',
  reasons: ['it drives what could be left inside the isolation'],
  reaches: [],
  itself: [],
  isGraded: false,
  bled: false,
});

/** A requirement with what only far drives bring among its demands. */
export const withFar = (requirement: Requirement): Requirement => ({
  ...requirement,
  demands: [...requirement.demands, ...requirement.trace.far.map(demandOfFar)],
  trace: { ...requirement.trace, far: [] },
});

/** Lays out a planning problem: the demands to be met, and what may be closed, opened and restrained for them. */
export function buildModel(
  graph: PlantGraph,
  requirement: Pick<Requirement, 'demands' | 'earths' | 'trace' | 'opened'>,
  options: PlannerOptions = {},
): PlannerModel {
  const zone = requirement.trace.zone;
  const isZone = new Uint8Array(graph.sections.length);
  for (const section of zone) isZone[section] = 1;
  const bledWork = new Set(
    requirement.demands.flatMap((demand) => (demand.bled ? demand.itself : [])),
  );
  const demands = [...requirement.demands, ...requirement.trace.far.map(demandOfFar)];
  const asked = new Set(demands.map(({ source }) => source));
  return {
    graph,
    zone,
    isZone,
    demands,
    earths: requirement.earths.filter((demand) => !options.waivedEarths?.has(demand.section)),
    stores: [...graph.stores.keys()].filter(
      (store) => graph.stores[store]?.store.release !== 'wait' && !options.waivedStores?.has(store),
    ),
    candidate: Uint8Array.from(graph.links, (_link, number) =>
      graph.strength[number] && isThrough(graph, number) && (options.mayClose?.(number) ?? true)
        ? 1
        : 0,
    ),
    bledWork: [...bledWork].sort((a, b) => a - b),
    openedWork: requirement.opened,
    ...factsOf(graph),
    ...(options.ignoresOutage ? { served: [] } : {}),
    lostAlready: 0,
    notOpened: new Set(),
    hasUnasked: requirement.trace.sources.some(({ section }) => !asked.has(section)),
    options,
  };
}

/** A converter that may carry what is driven: its link, and the sections at its driving and its driven end. */
export interface Drive {
  readonly link: number;
  readonly from: number;
  readonly to: number;
  readonly backs: boolean;
}

/** What the drawing alone says of a problem, whatever is closed. */
export interface Ways {
  readonly drives: readonly Drive[];
  /** Sections from which something leaks into the work past one wall, whatever is closed in the network of the work. */
  readonly leakDoors: readonly number[];
  /** Sections from which heat, blades or rays end in the work: what is itself there, and with `isDriven` what is driven there too. */
  readonly enders: readonly { readonly section: number; readonly isDriven: boolean }[];
}

const endsOfCrossing = (graph: PlantGraph, link: number, from: 0 | 1): [number, number] => [
  graph.ends[2 * link + from] as number,
  graph.ends[2 * link + 1 - from] as number,
];

/** Everything that is joined to the work by links that can never isolate. */
function listNeverParted(graph: PlantGraph, zone: readonly number[]): ReadonlySet<number> {
  const seen = new Set(zone);
  for (const section of seen) {
    for (const link of linksOf(graph, section)) {
      if (graph.neverIsolates[link] && isThrough(graph, link))
        seen.add(otherEnd(graph, link, section));
    }
  }
  return seen;
}

/** Lists by what ways other than its own network something may come at the work. */
export function listWays(graph: PlantGraph, zone: readonly number[]): Ways {
  const drives: Drive[] = [];
  const enders: { section: number; isDriven: boolean }[] = [];
  const isZone = new Set(zone);
  graph.links.forEach((_: Link, link) => {
    const crossing = graph.crossing[link];
    if (crossing?.kind === 'drive') {
      const [from, to] = endsOfCrossing(graph, link, crossing.from);
      drives.push({ link, from, to, backs: crossing.backs });
    } else if (crossing?.kind === 'ends') {
      const [from, to] = endsOfCrossing(graph, link, crossing.from);
      if (isZone.has(to)) enders.push({ section: from, isDriven: true });
      if (crossing.backs && isZone.has(from)) enders.push({ section: to, isDriven: false });
    }
  });
  const leakDoors = new Set<number>();
  for (const section of listNeverParted(graph, zone)) {
    for (const link of linksOf(graph, section)) {
      if (graph.crossing[link]?.kind === 'wall') leakDoors.add(otherEnd(graph, link, section));
    }
  }
  return { drives, leakDoors: [...leakDoors], enders };
}
