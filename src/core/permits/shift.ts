import { TZDate } from '@date-fns/tz';
import { addDays } from 'date-fns';
import type { SiteValues } from '../rules/values';

/** A shift, from its beginning to the beginning of the next (ISO 8601, UTC). */
export interface Shift {
  readonly start: string;
  readonly end: string;
}

const iso = (instant: number): string => new Date(instant).toISOString();

/** Instants at which a shift begins, from the day before `now` to the day after, in order (ms). */
function listStarts(now: string, { zone, 'shift-starts': starts }: SiteValues): number[] {
  const today = new TZDate(Date.parse(now), zone);
  return [-1, 0, 1, 2].flatMap((days) => {
    const day = addDays(today, days);
    return starts.map((start) => {
      const [hour = 0, minute = 0] = start.split(':').map(Number);
      return new TZDate(
        day.getFullYear(),
        day.getMonth(),
        day.getDate(),
        hour,
        minute,
        zone,
      ).getTime();
    });
  });
}

/** The shift found last under each set of values: it is asked for far more often than it changes. */
const found = new WeakMap<SiteValues, Shift>();

const isIn = ({ start, end }: Shift, now: string): boolean =>
  Date.parse(start) <= Date.parse(now) && Date.parse(now) < Date.parse(end);

/**
 * The shift at an instant, by the clock on the site's wall: a shift in which the clock is put forward or back is an hour shorter or
 * longer. The instant at which a shift begins belongs to it.
 */
export function findShift(now: string, values: SiteValues): Shift {
  const known = found.get(values);
  if (known && isIn(known, now)) return known;
  const starts = [...new Set(listStarts(now, values))].sort((a, b) => a - b);
  const after = starts.findIndex((start) => start > Date.parse(now));
  const shift = { start: iso(starts[after - 1] ?? 0), end: iso(starts[after] ?? 0) };
  found.set(values, shift);
  return shift;
}
