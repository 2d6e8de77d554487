import { findShift } from '../permits';
import type { SiteValues } from '../rules/values';
import type { HandoverRecord } from './record';

/** How long before its end a shift may be handed over (h; practice). */
const EARLY_H = 2;

/** Since when the shift that began last has not been handed over (ISO 8601, UTC); undefined when it has been. */
export function findHandoverDue(
  { handovers }: HandoverRecord,
  now: string,
  values: SiteValues,
): string | undefined {
  const { start } = findShift(now, values);
  const last = handovers.at(-1);
  const isDone = last && Date.parse(last.at) >= Date.parse(start) - EARLY_H * 3_600_000;
  return isDone ? undefined : start;
}
