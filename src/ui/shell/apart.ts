import type { Beat } from './use-beat';

/** What a screen knows: the newest event that it heard of, and how far the site's clock is from its own (ms). */
export interface Known {
  readonly head: number;
  readonly skew: number;
}

/** How far apart a job is loaded anew for what happens to others, and a list for what happens to any (ms). */
const OTHERS_MS = 10_000;
const LIST_MS = 1000;
/** By so much the site's clock has jumped (ms). */
const JUMP_MS = 2000;

const OWN = /^\/jobs\/([^/]+)/;

/**
 * How long after it was last loaded a screen is loaded anew for a beat (ms): 0 is at once, undefined not at all. What happens to the job
 * that it shows, a jump of the clock and beats that were missed count at once; where little happens, so does everything else. With
 * many people at work a screen is not loaded for each of their steps: the server decides on the newest state whatever it shows.
 */
export function findApart(
  path: string,
  known: Known | undefined,
  { head, since, changed, skew }: Pick<Beat, 'head' | 'since' | 'changed'> & Pick<Known, 'skew'>,
): number | undefined {
  if (!known) return undefined;
  if (Math.abs(known.skew - skew) > JUMP_MS) return 0;
  if (known.head === head) return undefined;
  if (known.head !== since) return 0;
  const own = OWN.exec(path)?.[1];
  if (own === undefined) return LIST_MS;
  return changed.includes(own) ? 0 : OTHERS_MS;
}
