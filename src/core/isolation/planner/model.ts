import type { Outlet, PlantGraph } from '../../plant';
import { leadsToSafety, sectionOfOutlet } from '../bodies';
import type { EarthDemand, Requirement, SourceDemand } from '../requirement';
import {
  closingMinutes,
  computeFed,
  listSupplyLinks,
  openingMinutes,
  RESTRAIN_MINUTES,
} from '../cost';

/** What a planning run may use and what it leaves aside. */
export interface PlannerOptions {
  /** Links that may be closed; all that have strength when absent. */
  readonly mayClose?: (link: number) => boolean;
  /** Links whose closing costs nothing because another stage has paid for it. */
  readonly paidLinks?: ReadonlySet<number>;
  readonly paidOutlets?: ReadonlySet<number>;
  readonly paidStores?: ReadonlySet<number>;
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
  /** Numbers of outlets that let down to a safe place, by section. */
  readonly safeOutlets: ReadonlyMap<number, readonly number[]>;
  /** Work sections whose body has to be bled. */
  readonly bledWork: readonly number[];
  /** 1 for each link over which supply passes in normal line-up, and for each section that is then fed. */
  readonly supply: Uint8Array;
  readonly fed: Uint8Array;
  /** Sections whose loss of supply costs something. */
  readonly served: readonly number[];
  /** Minutes to close each link. */
  readonly closing: Float64Array;
  /** Minutes to close, open and restrain all there is. */
  readonly allMinutes: number;
  readonly options: PlannerOptions;
}

type PlantFacts = Pick<
  PlannerModel,
  'safeOutlets' | 'supply' | 'fed' | 'served' | 'closing' | 'allMinutes'
>;

const factsByGraph = new WeakMap<PlantGraph, PlantFacts>();

function groupSafeOutlets(graph: PlantGraph): Map<number, number[]> {
  const bySection = new Map<number, number[]>();
  graph.outlets.forEach((outlet: Outlet, number) => {
    if (!leadsToSafety(graph, outlet)) return;
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
    supply,
    fed: computeFed(graph, (link) => supply[link] === 1),
    served: [...graph.sections.keys()].filter(
      (section) => (graph.sections[section]?.serves ?? 0) > 0,
    ),
    closing,
    allMinutes:
      closing.reduce((sum, one) => sum + one, 0) +
      graph.outlets.reduce((sum, outlet) => sum + openingMinutes(outlet), 0) +
      graph.stores.length * RESTRAIN_MINUTES,
  };
  factsByGraph.set(graph, facts);
  return facts;
}

/** Lays out a planning problem: the demands to be met, and what may be closed, opened and restrained for them. */
export function buildModel(
  graph: PlantGraph,
  requirement: Pick<Requirement, 'demands' | 'earths' | 'trace'>,
  options: PlannerOptions = {},
): PlannerModel {
  const zone = requirement.trace.zone;
  const isZone = new Uint8Array(graph.sections.length);
  for (const section of zone) isZone[section] = 1;
  const bledWork = new Set(
    requirement.demands.flatMap((demand) => (demand.bled ? demand.reaches : [])),
  );
  return {
    graph,
    zone,
    isZone,
    demands: requirement.demands,
    earths: requirement.earths.filter((demand) => !options.waivedEarths?.has(demand.section)),
    stores: [...graph.stores.keys()].filter(
      (store) => graph.stores[store]?.store.release !== 'wait' && !options.waivedStores?.has(store),
    ),
    candidate: Uint8Array.from(graph.links, (_link, number) =>
      graph.strength[number] && (options.mayClose?.(number) ?? true) ? 1 : 0,
    ),
    bledWork: [...bledWork].sort((a, b) => a - b),
    ...factsOf(graph),
    options,
  };
}
