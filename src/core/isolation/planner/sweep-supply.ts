import type { Join, Step } from './sweep-steps';

/**
 * Blocks of supply at the edge of what is swept: which hold together, whether each is fed, and what is lost where it is not. Machines feed
 * one way only: `feeds` are pairs of pieces, the driving one first, of which neither is fed yet. Pieces beyond those at the edge
 * are fed by several, and wait for these.
 */
export interface Supplied {
  readonly group: readonly number[];
  readonly fed: readonly boolean[];
  readonly loss: readonly number[];
  readonly feeds: readonly (readonly [number, number])[];
}

export const NOTHING_SUPPLIED: Supplied = { group: [], fed: [], loss: [], feeds: [] };

/** Pieces under change. */
interface Pieces {
  readonly group: number[];
  readonly fed: boolean[];
  readonly loss: number[];
  feeds: (readonly [number, number])[];
}

function joinPieces({ group, fed, loss, feeds }: Pieces, into: number, from: number): void {
  if (into === from) return;
  fed[into] = (fed[into] as boolean) || (fed[from] as boolean);
  loss[into] = (loss[into] as number) + (loss[from] as number);
  for (let n = 0; n < group.length; n++) if (group[n] === from) group[n] = into;
  feeds.forEach(([a, b], n) => {
    feeds[n] = [a === from ? into : a, b === from ? into : b];
  });
  loss[from] = 0;
  fed[from] = true;
}

/** Feeds on what is fed, as far as it goes. */
function feedOn(pieces: Pieces): void {
  const { fed } = pieces;
  for (let hasFed = true; hasFed;) {
    hasFed = false;
    for (const [a, b] of pieces.feeds) {
      if (!fed[a] || fed[b]) continue;
      fed[b] = true;
      hasFed = true;
    }
  }
  const seen = new Set<number>();
  pieces.feeds = pieces.feeds.filter(([a, b]) => {
    const key = a * fed.length + b;
    if (fed[a] || fed[b] || a === b || seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

/** Pieces that something at the edge may still feed. */
function listWaiting({ feeds }: Pieces, atEdge: ReadonlySet<number>): Set<number> {
  const waiting = new Set(atEdge);
  for (const one of waiting) for (const [a, b] of feeds) if (a === one) waiting.add(b);
  return waiting;
}

/** Takes a piece that one other alone may feed for part of that one. */
function foldSingles(pieces: Pieces, atEdge: ReadonlySet<number>): void {
  const waiting = [...new Set(pieces.feeds.map(([, b]) => b))].filter((one) => !atEdge.has(one));
  for (let n = 0; n < waiting.length; n++) {
    const one = waiting[n] as number;
    const feeders = pieces.feeds.filter(([, b]) => b === one).map(([a]) => a);
    const [only] = feeders;
    if (only === undefined || feeders.length > 1) continue;
    const fed = pieces.feeds.filter(([a]) => a === one).map(([, b]) => b);
    pieces.feeds = pieces.feeds.filter(([, b]) => b !== one);
    joinPieces(pieces, only, one);
    feedOn(pieces);
    waiting.push(...fed.filter((other) => !atEdge.has(other)));
  }
}

/** Joins blocks of supply over what stays open; answers the edge that is left and the loss that is then certain. */
export function supplyAfter(before: Supplied, step: Step, isOpen: (join: Join) => boolean) {
  if (before.fed.length + step.bornBlocks.length === 0) return { supplied: before, lost: 0 };
  const pieces: Pieces = {
    group: [...before.group, ...step.bornBlocks.map((_, n) => before.fed.length + n)],
    fed: [...before.fed, ...step.bornBlocks.map(({ isFed }) => isFed)],
    loss: [...before.loss, ...step.bornBlocks.map((block) => block.loss)],
    feeds: [...before.feeds],
  };
  const { group } = pieces;
  for (const [a, b] of step.feeds) pieces.feeds.push([group[a] as number, group[b] as number]);
  for (const join of step.joins) {
    if (!join.blocks || !isOpen(join)) continue;
    joinPieces(pieces, group[join.blocks[0]] as number, group[join.blocks[1]] as number);
  }
  if (pieces.feeds.length > 0) feedOn(pieces);
  const atEdge = new Set(step.keepBlocks.map((slot) => group[slot] as number));
  let lost = 0;
  const waiting = pieces.feeds.length > 0 ? listWaiting(pieces, atEdge) : atEdge;
  pieces.fed.forEach((isFed, one) => {
    if (!isFed && !waiting.has(one)) lost += pieces.loss[one] as number;
  });
  if (pieces.feeds.length > 0) {
    pieces.feeds = pieces.feeds.filter(([a, b]) => waiting.has(a) && waiting.has(b));
    foldSingles(pieces, atEdge);
  }
  const number = new Map<number, number>();
  for (const one of [...atEdge, ...pieces.feeds.flat()]) {
    if (!number.has(one)) number.set(one, number.size);
  }
  const ids = [...number.keys()];
  const kept: Supplied = {
    group: step.keepBlocks.map((slot) => number.get(group[slot] as number) as number),
    fed: ids.map((one) => pieces.fed[one] as boolean),
    loss: ids.map((one) => (pieces.fed[one] ? 0 : (pieces.loss[one] as number))),
    feeds: pieces.feeds
      .map(([a, b]) => [number.get(a) as number, number.get(b) as number] as const)
      .sort(([a, b], [c, d]) => a - c || b - d),
  };
  return { supplied: kept, lost };
}
