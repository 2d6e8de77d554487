import { GAS_CONSTANT } from '../energy/let-down';
import { STANDARD_ATMOSPHERE } from '../units';

/** Standard ambient: a gas takes so much room (m³/mol) at 20 °C and one atmosphere. Source: ideal gas law. */
const MOLAR_VOLUME_20C = (GAS_CONSTANT * 293.15) / STANDARD_ATMOSPHERE;

/** Volume (m³, 20 °C, one atmosphere) that a mass (kg) of gas or boiled-off liquid takes; `molarMass` in kg/mol. */
export const computeReleasedVolume = (mass: number, molarMass: number): number =>
  (mass / molarMass) * MOLAR_VOLUME_20C;

/** A space into which an inert gas flows: volume (m³), inert gas and fresh air (m³/s each). */
export interface InertLeak {
  readonly volume: number;
  readonly leak: number;
  readonly fresh: number;
}

/** Oxygen (% vol) that such a space tends to: what the fresh air brings, thinned by the leak. With neither flow it stays as it is. */
export const computeSettledOxygen = ({ leak, fresh }: InertLeak, fresh_pct: number): number =>
  (fresh * fresh_pct) / (fresh + leak);

/**
 * Oxygen (% vol) after `seconds`: C∞ + (C0 - C∞) e^(-(Q + G) t / V), well mixed, what comes in pushing the same volume out. Source:
 * dilution of a well-stirred space (ACGIH Industrial Ventilation, from memory). Preconditions: volume above 0, flows at least 0.
 */
export function computeOxygenAfter(
  space: InertLeak,
  start_pct: number,
  fresh_pct: number,
  seconds: number,
): number {
  const through = space.fresh + space.leak;
  if (through === 0) return start_pct;
  const end = computeSettledOxygen(space, fresh_pct);
  return end + (start_pct - end) * Math.exp((-through * seconds) / space.volume);
}

/** Time (s) until oxygen has fallen to `limit_pct`: 0 when it is there already, undefined when it never falls so far. */
export function computeTimeToOxygen(
  space: InertLeak,
  start_pct: number,
  fresh_pct: number,
  limit_pct: number,
): number | undefined {
  if (start_pct <= limit_pct) return 0;
  const through = space.fresh + space.leak;
  if (through === 0) return undefined;
  const end = computeSettledOxygen(space, fresh_pct);
  if (end >= limit_pct) return undefined;
  return (space.volume / through) * Math.log((start_pct - end) / (limit_pct - end));
}

/** Oxygen (% vol) right after inert gas (m³ as it stands in the room) was let go at once: least, and when it mixed as it came. */
export interface Released {
  readonly least_pct: number;
  readonly mixed_pct: number;
}

/**
 * Inert gas let go at once into a space of `volume` (m³): it pushes air alone out before it mixes, C0 (1 - v / V), or a mixture as it comes,
 * C0 e^(-v / V). The first is the lower and counts. Never below 0. Source: material balance; both models are in use (practice).
 */
export const computeReleased = (volume: number, released: number, start_pct: number): Released => ({
  least_pct: start_pct * Math.max(0, 1 - released / volume),
  mixed_pct: start_pct * Math.exp(-released / volume),
});

/** What little oxygen does to people who breathe it (% vol). Source: practice; effects after CGA SB-2 (from memory). */
export const OXYGEN_EFFECTS = [
  { pct: 19.5, says: 'the least that may be breathed by 29 CFR 1910.146' },
  { pct: 16, says: 'breath and pulse quicken, judgement fails' },
  { pct: 12, says: 'people stagger, and do not notice it' },
  { pct: 10, says: 'they fall and cannot help themselves' },
  { pct: 6, says: 'one or two breaths, then dead within minutes' },
] as const;
