import { parameter } from '../core/bench/store-inputs';
import { computeCooled, computeTimeConstant } from '../core/energy/cooling';
import type { Store } from '../core/plant';
import { secondsSince, type AsIs } from './as-is';

/** The surroundings (°C), and how fast a part of which nothing is known cools (s). Made up for practice. */
export const AROUND_C = 18;
const USUAL_CONSTANT_S = 1200;
const KELVIN = 273.15;

function findConstant(store: Store): number {
  const of = (name: string) => parameter(store, name) ?? 0;
  const constant = computeTimeConstant(
    of('mass_kg'),
    of('specific_heat_j_kg_k'),
    of('area_m2'),
    of('transfer_w_m2_k'),
  );
  return Number.isFinite(constant) && constant > 0 ? constant : USUAL_CONSTANT_S;
}

/** Reads how warm a section is (°C, to the tenth): what is still fed stays as it
 * is, anything else cools from when the last point was closed. */
export function readTemperature(plant: AsIs, section: number): number {
  const { graph, tight, positions } = plant;
  const start = graph.sections[section]?.temperature_c ?? AROUND_C;
  const body = tight.body[section] ?? 0;
  if (tight.live[body] || positions.closed.size === 0) return start;
  const hot = graph.stores.find(
    ({ store, section: at }) => store.kind === 'hot-body' && tight.body[at] === body,
  );
  const constant = hot ? findConstant(hot.store) : USUAL_CONSTANT_S;
  const from = (hot && parameter(hot.store, 'temperature_c')) ?? start;
  const seconds = secondsSince(plant, Math.max(...positions.closed.values()));
  const kelvin = computeCooled(from + KELVIN, AROUND_C + KELVIN, constant, seconds);
  return Math.round((kelvin - KELVIN) * 10) / 10;
}
