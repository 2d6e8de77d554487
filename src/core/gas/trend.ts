/** A value at an instant (ms since the epoch). */
export interface Point {
  readonly at: number;
  readonly value: number;
}

/** Over how much of the newest time a trend is taken (min; practice). */
export const TREND_MIN = 10;

/** How a value goes: change a minute, and in how many minutes it is at the limit if it goes on so (undefined when it does not get there). */
export interface Trend {
  readonly perMinute: number;
  readonly toLimit_min: number | undefined;
  /** It wavers by less than a hundredth of the limit over all that time: it goes nowhere (practice). */
  readonly isSteady: boolean;
}

/**
 * The trend over the newest minutes by least squares. Undefined with fewer than three readings, or when all are of one instant: then
 * nothing is known. `limit` is what it goes toward.
 */
export function computeTrend(points: readonly Point[], limit: number): Trend | undefined {
  const newest = points.reduce((most, { at }) => Math.max(most, at), -Infinity);
  const last = points.filter(({ at }) => newest - at <= TREND_MIN * 60_000);
  if (last.length < 3) return undefined;
  const minutes = last.map(({ at, value }) => ({ x: (at - newest) / 60_000, y: value }));
  const mean = (of: 'x' | 'y') => minutes.reduce((sum, one) => sum + one[of], 0) / minutes.length;
  const [mx, my] = [mean('x'), mean('y')];
  const spread = minutes.reduce((sum, { x }) => sum + (x - mx) ** 2, 0);
  if (spread === 0) return undefined;
  const perMinute = minutes.reduce((sum, { x, y }) => sum + (x - mx) * (y - my), 0) / spread;
  const now = my - perMinute * mx;
  const left = (limit - now) / perMinute;
  return {
    perMinute,
    toLimit_min: perMinute !== 0 && left >= 0 ? left : undefined,
    isSteady: Math.abs(perMinute) * TREND_MIN < Math.abs(limit) / 100,
  };
}
