/** What the ring of monitors is laid out from: lengths (m), wind (m/s), times (s). */
export interface MonitorNeeds {
  /** The least distance from the work. */
  readonly radius_m: number;
  /** The most between two of them. */
  readonly spacing_m: number;
  /** How fast a cloud comes: the wind. */
  readonly wind_m_s: number;
  /** How long a monitor takes to show it, and people to stop and leave. */
  readonly response_s: number;
  readonly leave_s: number;
}

/** A ring of monitors: how far out (m), how many, and the warning that it gives (s; undefined in still air). */
export interface MonitorRing {
  readonly radius_m: number;
  readonly count: number;
  readonly warning_s: number | undefined;
  /** Places by direction (degrees from north); the first stands upwind, where a cloud would come from. */
  readonly bearings_deg: readonly number[];
}

/** Fewer than these leave gaps whatever the figures say (practice). */
export const LEAST_MONITORS = 3;

/** More than these no site sets up: who asks for more is told this many. */
const MOST_MONITORS = 1000;

/** A little less than a whole number is that number: figures such as 6.000000001 ask for no seventh. */
const TOLERANCE = 1e-9;

/** How many monitors at most `spacing_m` apart (straight across) stand on a circle: ceil(π / asin(s / 2R)), at least three. */
export function countMonitors(radius_m: number, spacing_m: number): number {
  // No spacing is no ring: as close as they can be set up, and never without an end.
  if (!(spacing_m > 0)) return MOST_MONITORS;
  if (spacing_m >= 2 * radius_m) return LEAST_MONITORS;
  const exact = Math.PI / Math.asin(spacing_m / (2 * radius_m));
  return Math.min(MOST_MONITORS, Math.max(LEAST_MONITORS, Math.ceil(exact - TOLERANCE)));
}

/**
 * Lays out the ring: far enough out that a cloud carried by the wind is shown, and everyone has stopped and left, before it arrives;
 * and close enough together. Source: geometry; spacing and times are practice.
 */
export function planMonitors(
  { radius_m, spacing_m, wind_m_s, response_s, leave_s }: MonitorNeeds,
  from_deg: number,
): MonitorRing {
  const out = Math.max(radius_m, wind_m_s * (response_s + leave_s));
  const count = countMonitors(out, spacing_m);
  return {
    radius_m: out,
    count,
    warning_s: wind_m_s > 0 ? out / wind_m_s - response_s : undefined,
    bearings_deg: Array.from({ length: count }, (_, n) => (from_deg + (360 / count) * n) % 360),
  };
}
