const MOST_NAMED = 4;

/** Names in a row; beyond a few the rest is counted. */
export const names = (ids: readonly string[]): string =>
  ids.length <= MOST_NAMED + 1
    ? ids.join(', ')
    : `${ids.slice(0, MOST_NAMED).join(', ')} and ${ids.length - MOST_NAMED} more`;
