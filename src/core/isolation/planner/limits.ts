/** How long and how wide a search may go before it settles for the best so far. */
export interface SearchLimits {
  /** Parts of plans kept side by side. */
  readonly mostStates: number;
  /** Cells in the region at most. */
  readonly mostCells: number;
  /** Asked again and again; true makes the search settle soon. */
  readonly isOver: () => boolean;
}

/** With a clock running the search may go wider: the clock ends it. */
const MOST_WITH_A_CLOCK = 200_000;

/** No limit of time; wide enough to prove most jobs. */
export const DEFAULT_LIMITS: SearchLimits = {
  mostStates: 20_000,
  mostCells: 4_000,
  isOver: () => false,
};

/** However wide and however long. */
export const NO_LIMITS: SearchLimits = {
  mostStates: Infinity,
  mostCells: Infinity,
  isOver: () => false,
};

/**
 * Limits by time: each search settles after `seconds` (above 0). `now` gives the time in milliseconds; `begin` starts the
 * clock anew, for the next search.
 */
export function limitTime(
  seconds: number,
  now: () => number,
): SearchLimits & { readonly begin: () => void } {
  let end = now() + seconds * 1000;
  return {
    ...DEFAULT_LIMITS,
    mostStates: MOST_WITH_A_CLOCK,
    isOver: () => now() > end,
    begin: () => {
      end = now() + seconds * 1000;
    },
  };
}
