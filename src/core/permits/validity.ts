import type { SiteValues } from '../rules/values';
import { findShift } from './shift';

const HOUR = 3_600_000;

/** No number of a permit is good for longer than this after it was issued (h). Source: NFPA 51B (from memory); practice. */
export const LONGEST_TOTAL_HOURS = 24;

const earlier = (...all: readonly number[]): string => new Date(Math.min(...all)).toISOString();

/** Until when a permit issued now may be valid (ISO 8601, UTC), by the site's school. */
export function findLatestEnd(now: string, values: SiteValues): string {
  const start = Date.parse(now);
  if (values.validity === 'day') return earlier(start + LONGEST_TOTAL_HOURS * HOUR);
  const shift = Date.parse(findShift(now, values).end);
  return earlier(shift, start + values['longest-validity-h'] * HOUR);
}

/** Until when an extension may run (ISO 8601, UTC): as a permit issued now, and never past 24 h after the first issue. */
export function findLatestExtension(issuedAt: string, now: string, values: SiteValues): string {
  const most = Date.parse(issuedAt) + LONGEST_TOTAL_HOURS * HOUR;
  return earlier(most, Date.parse(findLatestEnd(now, values)));
}

/**
 * When a permit has to be revalidated by (ISO 8601, UTC): it was last validated in an earlier shift, and the time of grace runs from
 * the start of this one. Undefined when it was validated in this shift.
 */
export function findRevalidationDue(
  validatedAt: string,
  now: string,
  values: SiteValues,
): string | undefined {
  const { start } = findShift(now, values);
  if (Date.parse(validatedAt) >= Date.parse(start)) return undefined;
  return new Date(Date.parse(start) + values['revalidation-grace-min'] * 60_000).toISOString();
}
