import { computeShortestTest } from '../energy/seat-class';
import { isFluid } from '../plant';
import type { SiteFacts } from './site';
import type { Dossier, HeldPressure } from './state';

/** A leak of 1 mbar L/s in Pa m³/s, and a bar in Pa. */
const MBAR_LITRE = 0.1;
const BAR = 1e5;

/**
 * How long (min, rounded up) a pressure of gas is held so that a leak of `shows` (mbar L/s) moves the gauge by its least step; undefined where the
 * drawing gives no volume. Source: V r / Q, pressure-change method, EN 1779 (from memory).
 */
export const computeShortest = (
  volume_m3: number | undefined,
  resolution_bar: number,
  shows: number,
): number | undefined =>
  volume_m3 === undefined
    ? undefined
    : Math.ceil(
        computeShortestTest(shows * MBAR_LITRE, volume_m3, resolution_bar * BAR, 1) / 60 - 1e-9,
      );

/** The step of a fine gauge (bar), by which a time is named. */
const FINE_STEP_BAR = 0.01;

/** A line that was broken into and is tested before its locks come off. */
export interface LeakTestDemand {
  readonly section: string;
  /** The pressure in normal running (bar gauge), which the test reaches at least; undefined when the drawing gives none. */
  readonly least_bar?: number;
  readonly volume_m3?: number;
  /** How long gas is held (min) for each hundredth of a bar of the gauge's step; undefined when the drawing gives no volume. */
  readonly gas_min?: number;
}

/** What is tested for leaks: every section of fluid that the job opened or went into, in the order of its scope. */
export function listLeakTests({ scope }: Dossier, { graph, values }: SiteFacts): LeakTestDemand[] {
  const sections = new Set(
    scope.work
      .filter(({ activity }) => activity === 'open' || activity === 'enter')
      .map(({ section }) => section),
  );
  return [...sections].flatMap((section) => {
    const number = graph.sectionAt.get(section) ?? -1;
    const found = graph.sections[number];
    if (!found || !isFluid(graph.medium[number]?.energy ?? 'electrical')) return [];
    const { pressure_bar, volume_m3 } = found;
    const gas_min = computeShortest(volume_m3, FINE_STEP_BAR, values['leak-test-shows']);
    return [{ section, least_bar: pressure_bar, volume_m3, gas_min }];
  });
}

/** Whether a held pressure shows the line tight: nothing comes out, and it fell by no more than the gauge can show. */
export const isTight = ({ from_bar, to_bar, resolution_bar, weeps }: HeldPressure): boolean =>
  // A ten-thousandth of the step: 2.00 less 1.98 is not 0.02 in binary.
  !weeps && from_bar - to_bar <= resolution_bar * 1.0001;

/**
 * The largest leak (bar l/s) that a gauge which showed no change may have missed: volume times resolution over time. Undefined
 * where the drawing gives no volume. Source: pressure-change method, EN 1779 (from memory).
 */
export const computeMissed = (
  volume_m3: number | undefined,
  { resolution_bar, minutes }: HeldPressure,
): number | undefined =>
  volume_m3 === undefined ? undefined : (volume_m3 * 1000 * resolution_bar) / (minutes * 60);
