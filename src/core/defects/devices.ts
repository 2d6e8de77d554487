import {
  findSectionOf,
  STRENGTH_BY_KIND,
  type Gauge,
  type Link,
  type Outlet,
  type Plant,
  type PlantGraph,
} from '../plant';
import { DEFECT_KINDS, type DefectKind } from './kinds';

/** A device of the drawing that something can be wrong with. */
export type Device =
  | { readonly table: 'links'; readonly id: string; readonly row: Link }
  | { readonly table: 'outlets'; readonly id: string; readonly row: Outlet }
  | { readonly table: 'gauges'; readonly id: string; readonly row: Gauge }
  | { readonly table: 'equipment'; readonly id: string };

type ById<Row> = ReadonlyMap<string, Row>;
interface Indexed {
  readonly gauges: ById<Gauge>;
  readonly equipment: ById<object>;
}
const indexed = new WeakMap<Plant, Indexed>();

/** Gauges and equipment of a plant by their ids, worked out once. */
function indexOf(plant: Plant): Indexed {
  const known = indexed.get(plant);
  if (known) return known;
  const made = {
    gauges: new Map(plant.gauges.map((row) => [row.id, row])),
    equipment: new Map(plant.equipment.map((row) => [row.id, row])),
  };
  indexed.set(plant, made);
  return made;
}

/** What every device of a drawing is called in a list, by its id. */
export const listDeviceNames = ({
  links,
  outlets,
  gauges,
  equipment,
}: Plant): [string, string][] => [
  ...links.map(({ id, name, kind }): [string, string] => [id, `${id}, ${name ?? kind}`]),
  ...outlets.map(({ id, kind, section }): [string, string] => [id, `${id}, ${kind} on ${section}`]),
  ...gauges.map(({ id, reads, section }): [string, string] => [
    id,
    `${id}, ${reads} gauge on ${section}`,
  ]),
  ...equipment.map(({ id, name }): [string, string] => [id, `${id}, ${name}`]),
];

/** The device of a drawing with an id; undefined when it has none. What is only bookkeeping, such as an actuator that is not drawn, is none. */
export function findDevice(graph: PlantGraph, id: string): Device | undefined {
  const link = graph.links[graph.linkAt.get(id) ?? -1];
  if (link && !graph.actuates.has(id)) return { table: 'links', id, row: link };
  const outlet = graph.outlets[graph.outletAt.get(id) ?? -1];
  if (outlet) return { table: 'outlets', id, row: outlet };
  const { gauges, equipment } = indexOf(graph.plant);
  const gauge = gauges.get(id);
  if (gauge) return { table: 'gauges', id, row: gauge };
  return equipment.has(id) ? { table: 'equipment', id } : undefined;
}

const GUARDING: readonly Link['kind'][] = ['relief-valve', 'interlock-contact', 'stop-button'];

/** Whether people or plant rely on a device to keep them safe: a relief valve, a trip contact, a stop button, a gas detector. */
export const isSafetyCritical = (device: Device): boolean =>
  device.table === 'links'
    ? GUARDING.includes(device.row.kind)
    : device.table === 'gauges' && device.row.reads === 'gas';

/** Whether a defect puts a safety-critical device of a drawing out of action: a label alone does not. */
export function isCriticalDefect(
  graph: PlantGraph,
  { device, defect }: { readonly device: string; readonly defect: DefectKind },
): boolean {
  const found = findDevice(graph, device);
  return found !== undefined && isSafetyCritical(found) && defect !== 'label';
}

const BLADES: readonly Link['kind'][] = [
  'isolator',
  'circuit-breaker',
  'fuse-switch',
  'withdrawn-breaker',
  'contactor',
];

/** Devices that move in normal use and that a plan may count on. */
const isMoved = ({ kind }: Link): boolean =>
  STRENGTH_BY_KIND[kind] > 0 || kind === 'relief-valve' || kind === 'control-valve';

/** What can be wrong with a device, in the order of the table. */
export function listFitting(device: Device): DefectKind[] {
  const fits = (kind: DefectKind): boolean => {
    switch (kind) {
      case 'passes':
        return device.table === 'links' && isMoved(device.row) && !BLADES.includes(device.row.kind);
      case 'blade-stayed':
        return device.table === 'links' && BLADES.includes(device.row.kind);
      case 'seized':
        return device.table === 'links' && isMoved(device.row);
      case 'no-lock-place':
        return device.table === 'links' && STRENGTH_BY_KIND[device.row.kind] > 0;
      case 'plugged':
        return device.table === 'outlets';
      case 'gauge-dead':
        return device.table === 'gauges' && !isSafetyCritical(device);
      case 'out-of-order':
        return isSafetyCritical(device);
      case 'label':
        return true;
    }
  };
  return DEFECT_KINDS.filter(fits);
}

/** The areas in which a device stands or guards, by id. */
export function listAreasOf(graph: PlantGraph, device: Device): string[] {
  const near =
    device.table === 'links'
      ? [...device.row.between, ...(device.row.protects ?? [])]
      : [device.table === 'equipment' ? findSectionOf(graph, device.id) : device.row.section];
  const areas = near.flatMap(
    (id) => graph.sections[graph.sectionAt.get(id ?? '') ?? -1]?.area ?? [],
  );
  return [...new Set(areas)];
}
