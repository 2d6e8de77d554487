import { isFluid } from '../plant';
import type { SiteFacts } from './site';
import type { Dossier, HeldPressure } from './state';

/** A line that was broken into and is tested before its locks come off. */
export interface LeakTestDemand {
  readonly section: string;
  /** The pressure in normal running (bar gauge), which the test reaches at least; undefined when the drawing gives none. */
  readonly least_bar?: number;
  readonly volume_m3?: number;
}

/** What is tested for leaks: every section of fluid that the job opened or went into, in the order of its scope. */
export function listLeakTests({ scope }: Dossier, { graph }: SiteFacts): LeakTestDemand[] {
  const sections = new Set(
    scope.work
      .filter(({ activity }) => activity === 'open' || activity === 'enter')
      .map(({ section }) => section),
  );
  return [...sections].flatMap((section) => {
    const number = graph.sectionAt.get(section) ?? -1;
    const found = graph.sections[number];
    if (!found || !isFluid(graph.medium[number]?.energy ?? 'electrical')) return [];
    return [{ section, least_bar: found.pressure_bar, volume_m3: found.volume_m3 }];
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
