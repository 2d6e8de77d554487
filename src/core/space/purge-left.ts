const MINUTE = 60_000;

/** Minutes that a purge has still to run; 0 once it is over. */
export const computePurgeLeft = (until: string, now: string): number =>
  Math.max(0, Math.ceil((Date.parse(until) - Date.parse(now)) / MINUTE));
