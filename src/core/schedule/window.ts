/** A stretch of time, in milliseconds since 1970. It holds its beginning and not its end. */
export interface Span {
  readonly from: number;
  readonly until: number;
}

export const isTogether = (a: Span, b: Span): boolean => a.from < b.until && b.from < a.until;

/** The first stretch of a length that begins at `from` or later and meets none of those taken. */
export function findFree(from: number, length: number, taken: readonly Span[]): Span {
  const inOrder = [...taken].sort((a, b) => a.from - b.from);
  const start = inOrder.reduce(
    (at, one) => (isTogether({ from: at, until: at + length }, one) ? one.until : at),
    from,
  );
  return { from: start, until: start + length };
}
