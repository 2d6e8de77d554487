import type { PlantGraph } from './graph';
import type { LinkKind } from './kinds';

const NEVER_UNDER_LOAD: ReadonlySet<LinkKind> = new Set([
  'disconnected-cable',
  'plug',
  'withdrawn-breaker',
]);

/** Above this (V) an isolator is taken not to break a load. Source: practice. */
const HIGH_VOLTAGE_V = 1000;

/**
 * Whether a device, by its number, must never be opened or closed under load: what the drawing calls off-load, else a cable, a plug, a
 * withdrawn breaker, and an isolator above 1000 V. An isolator of which the drawing gives no voltage is taken for one.
 */
export function isOffLoad(graph: PlantGraph, link: number): boolean {
  const { kind, breaks } = graph.links[link] ?? {};
  if (kind === undefined) return false;
  if (breaks !== undefined) return breaks === 'off-load';
  if (kind !== 'isolator') return NEVER_UNDER_LOAD.has(kind);
  const voltages = [2 * link, 2 * link + 1].map(
    (end) => graph.sections[graph.ends[end] ?? -1]?.voltage_v,
  );
  return voltages.some((volts) => volts === undefined || volts > HIGH_VOLTAGE_V);
}
