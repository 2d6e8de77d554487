const HOUR_MS = 3_600_000;

/** The instant so many hours after another (both ISO 8601, UTC). */
export const hoursAfter = (at: string, hours: number): string =>
  new Date(Date.parse(at) + hours * HOUR_MS).toISOString();

/** The instant so many days of 24 h after another (both ISO 8601, UTC). */
export const daysAfter = (at: string, days: number): string => hoursAfter(at, 24 * days);

/** Whether a moment is to come, and at most so many hours off. */
export function isWithin(until: string, now: string, most_h: number): boolean {
  const hours = (Date.parse(until) - Date.parse(now)) / HOUR_MS;
  return hours > 0 && hours <= most_h;
}
