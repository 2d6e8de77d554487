import { computeGasFlow, GAS_CONSTANT, type Gas, type Opening } from './let-down';

/** A seat leak test: the pressure in a shut space behind the seat, read at its start and its end. */
export interface SeatTest {
  /** Volume shut in behind the seat (m³, above 0). */
  readonly volume: number;
  /** Pa, gauge or absolute alike. */
  readonly start: number;
  readonly end: number;
  readonly seconds: number;
  /** Least change that the gauge shows (Pa, above 0). */
  readonly resolution: number;
  /** Absolute temperature (K) at the start and its change. */
  readonly kelvin: number;
  readonly drift: number;
  /** Absolute pressure (Pa) at the start, for what the drift alone does. */
  readonly absolute: number;
}

/** What a test shows; `rate` in Pa m³/s. */
export type SeatVerdict =
  | { readonly kind: 'leaks'; readonly rate: number }
  /** Nothing seen: the leak is at most this. */
  | { readonly kind: 'below'; readonly rate: number }
  | { readonly kind: 'void'; readonly why: 'falling' | 'drift' };

/**
 * Reads a seat leak test. What the drift in temperature does is taken from the rise with its sign: a space that cools hides a leak. A drift
 * that alone would explain half of what is seen, or of the gauge's step, voids the test whatever its sign; so does a pressure that falls
 * beyond what the drift explains, for it escapes elsewhere. No change means no more than volume times resolution over time, and what the
 * drift may have hidden. Source: practice; ideal gas.
 */
export function readSeatTest(test: SeatTest): SeatVerdict {
  const byDrift = (test.absolute * test.drift) / test.kelvin;
  const rise = test.end - test.start - byDrift;
  if (rise < -test.resolution) return { kind: 'void', why: 'falling' };
  if (Math.abs(byDrift) >= Math.max(rise, test.resolution) / 2) {
    return { kind: 'void', why: 'drift' };
  }
  if (rise < test.resolution) {
    const unseen = test.resolution + Math.abs(byDrift);
    return { kind: 'below', rate: (test.volume * unseen) / test.seconds };
  }
  return { kind: 'leaks', rate: (test.volume * rise) / test.seconds };
}

const SLICES = 400;

/**
 * Pressure (Pa absolute) by time (s) in a shut space of gas behind a passing seat, taken as an opening of `flowArea` (discharge
 * coefficient times area, m²), until `seconds`. The gas keeps its temperature. It never rises above upstream.
 */
export function computeBuildUp(
  volume: number,
  flowArea: number,
  gas: Gas,
  kelvin: number,
  pressures: { readonly upstream: number; readonly start: number },
  seconds: number,
): readonly (readonly [number, number])[] {
  const opening: Opening = { area: flowArea, coefficient: 1 };
  const perKilogram = (GAS_CONSTANT * kelvin) / (gas.molarMass * volume);
  const step = seconds / SLICES;
  const slope = (pascal: number) =>
    computeGasFlow(opening, gas, pressures.upstream, kelvin, Math.min(pascal, pressures.upstream)) *
    perKilogram;
  const curve: [number, number][] = [[0, pressures.start]];
  let pascal = pressures.start;
  for (let slice = 1; slice <= SLICES; slice++) {
    const a = slope(pascal);
    const b = slope(pascal + (step * a) / 2);
    const c = slope(pascal + (step * b) / 2);
    const d = slope(pascal + step * c);
    pascal = Math.min(pressures.upstream, pascal + (step / 6) * (a + 2 * b + 2 * c + d));
    if (slice % 8 === 0) curve.push([slice * step, pascal]);
  }
  return curve;
}

/**
 * The opening (discharge coefficient times area, m²) that a leak of `rate` (Pa m³/s at `kelvin`) means, for a gas that stands
 * at `upstream` against `downstream` (Pa absolute). Undefined when nothing drives it.
 */
export function computeFlowArea(
  rate: number,
  gas: Gas,
  kelvin: number,
  upstream: number,
  downstream: number,
): number | undefined {
  const flow = computeGasFlow({ area: 1, coefficient: 1 }, gas, upstream, kelvin, downstream);
  const massRate = (rate * gas.molarMass) / (GAS_CONSTANT * kelvin);
  return flow > 0 ? massRate / flow : undefined;
}
