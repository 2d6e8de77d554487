import { findLetDown, findWaitSeconds, listStored } from '../bench';
import type { PlantState } from '../isolation';
import type { Gauge, IsolationPlan, PlantGraph, Store } from '../plant';
import { presentOrThrow } from '../result';

/** How long to wait at a step, and what is read then. */
export interface Wait {
  readonly seconds: number;
  readonly gauges: readonly string[];
}

/** A time (s) that someone worked out for an outlet or store; a shorter one than the plant's own counts only where it is signed as such. */
export interface NotedWait {
  readonly seconds: number;
  readonly shortens: boolean;
}

/** Waits by outlet or store id. */
export type Waits = ReadonlyMap<string, Wait>;

const READ_AFTER: Readonly<Record<Store['kind'] | 'outlet', Gauge['reads']>> = {
  outlet: 'pressure',
  gas: 'pressure',
  accumulator: 'pressure',
  'trapped-liquid': 'pressure',
  capacitor: 'voltage',
  spring: 'motion',
  'raised-mass': 'motion',
  rotor: 'motion',
  'hot-body': 'temperature',
};

/**
 * Times to wait at the steps of a plan: letting down and draining through its outlets, coast-down, discharge and cooling of its
 * stores, wherever the plant file gives enough to work them out. Of a `noted` time and the plant's own the
 * longer stands, unless the shorter was signed for.
 */
export function listWaits(
  graph: PlantGraph,
  plan: IsolationPlan,
  state: PlantState,
  noted: ReadonlyMap<string, NotedWait>,
): Waits {
  const gaugesAt = (section: number, kind: Store['kind'] | 'outlet') =>
    graph.plant.gauges
      .filter(
        (gauge) =>
          gauge.reads === READ_AFTER[kind] &&
          state.body[graph.sectionAt.get(gauge.section) ?? -1] === state.body[section],
      )
      .map(({ id }) => id);
  const waits = new Map<string, Wait>();
  const add = (id: string, section: number, kind: Store['kind'] | 'outlet', own?: number) => {
    const said = noted.get(id);
    const seconds =
      said === undefined || (own !== undefined && own > said.seconds && !said.shortens)
        ? own
        : said.seconds;
    if (seconds !== undefined) waits.set(id, { seconds, gauges: gaugesAt(section, kind) });
  };
  for (const number of state.opened) {
    const outlet = presentOrThrow(graph.outlets[number], 'outlet');
    const found = findLetDown(graph, plan, outlet, state);
    add(
      outlet.id,
      presentOrThrow(graph.sectionAt.get(outlet.section), outlet.section),
      'outlet',
      found && findWaitSeconds(found.result),
    );
  }
  const stored = new Map(listStored(graph).map((one) => [one.subject, one]));
  for (const { store, section } of graph.stores) {
    const found = stored.get(store.id);
    if (store.release === 'wait') {
      add(store.id, section, store.kind, found && findWaitSeconds(found.result));
    }
  }
  return waits;
}
