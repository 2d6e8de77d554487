import { parameter } from '../core/bench/store-inputs';
import { linksOf, otherEnd } from '../core/plant';
import { secondsSince, type AsIs } from './as-is';
import { isConductorLive } from './conductors';

const RPM = 60 / (2 * Math.PI);

/** The sections of shaft and drive that turn together with a section. */
export function listTrain({ graph, tight }: AsIs, from: number): Set<number> {
  const turns = (section: number) => graph.medium[section]?.energy === 'mechanical';
  const train = new Set([from]);
  for (const section of train) {
    for (const link of linksOf(graph, section)) {
      const next = otherEnd(graph, link, section);
      if (!tight.barred[link] && turns(next)) train.add(next);
    }
  }
  return train;
}

/** Reads how fast a section turns (rpm, to one): its rotors run down against their friction from when they were stopped. */
export function readSpeed(plant: AsIs, section: number): number {
  const { graph, positions } = plant;
  const train = listTrain(plant, section);
  const speeds = graph.stores
    .filter(({ store, section: at }) => store.kind === 'rotor' && train.has(at))
    .map(({ store }) => {
      const start = parameter(store, 'speed_rad_s') ?? 0;
      const slows =
        (parameter(store, 'friction_n_m') ?? 0) / (parameter(store, 'inertia_kg_m2') ?? 1);
      if (positions.stopped === undefined) return start;
      return Math.max(0, start - slows * secondsSince(plant, positions.stopped));
    });
  return Math.round(Math.max(0, ...speeds) * RPM);
}

/** Whether pressing start at a station moves anything: a motor of its equipment that two conductors still feed runs or hums. */
export function tryStart(plant: AsIs, station: string): boolean {
  const { graph } = plant;
  const own = new Set(
    graph.plant.equipment
      .filter(({ start_stations }) => start_stations?.includes(station))
      .flatMap(({ sections }) => sections.map((id) => graph.sectionAt.get(id) ?? -1)),
  );
  return graph.links.some((link, number) => {
    if (link.kind !== 'motor' || plant.tight.barred[number]) return false;
    const ends = link.between.map((id) => graph.sectionAt.get(id) ?? -1);
    if (!ends.some((end) => own.has(end))) return false;
    const cable = ends.find((end) => graph.medium[end]?.energy === 'electrical');
    if (cable === undefined) return false;
    const fed = ['L1', 'L2', 'L3'].filter((one) => isConductorLive(plant, cable, one));
    return fed.length >= 2;
  });
}
