import { BARRIER, edgesOf, otherCell, TIE, type Cells } from './cells';
import { listChoices, listOwnChoices, Tokens, type CellChoice } from './choices';
import { AS_CLOSED, NOT } from './possible';
import { isBledSpace, isHandled, type Standing } from './standings';
import type { SupplyNet } from './supply';
import type { Tightened } from './tighten';
import { MARKS, type RegionProblem } from './tighten-net';

/** What is known to be attainable, or how far to look when nothing is. */
export interface Ceiling {
  readonly price: number;
  readonly lost: number;
  /** False when this is only how far to look. */
  readonly isAttained: boolean;
}

export interface SweepProblem extends RegionProblem {
  /** What is known of the least price of what is still to come. */
  readonly tightened: Tightened;
  /** Absent when lost supply plays no part. */
  readonly supply: SupplyNet | undefined;
  /** Loss that no plan can save; the supply net leaves it out. */
  readonly certainLoss: number;
  /** No plan that is sought loses less than this. */
  readonly leastLoss: number;
  /** What any bleed costs at most. */
  readonly dearestBleed: number;
  readonly lostFirst: boolean;
  readonly ceiling: Ceiling;
  readonly mostStates: number;
  readonly isOver: () => boolean;
}

/** Something that may be done to a way between two cells that stand alike: lock it open, so that it surely passes, or close it. */
export interface Extra {
  readonly kind: 'stand' | 'close';
  readonly price: number;
}

export interface Join {
  readonly edge: number;
  /** Slot of the cell that was swept before; -1 when it lies outside the region, where all stand last. */
  readonly slot: number;
  /** Where that cell stands when it lies outside. */
  readonly outside: number;
  /** What the edge adds by standings, [earlier * count + later]; Infinity where they may not meet. */
  readonly terms: Float64Array;
  /** By the same number: how the two meet. */
  readonly meets: Uint8Array;
  /** Whether both are of one network, so that they are one body while it is open, and one part when it is sure. */
  readonly isThrough: boolean;
  readonly isSure: boolean;
  readonly extras: readonly Extra[];
  /**
   * For a converter, by standings as in `terms`: 1 when the fluid of the earlier cell drives something at the work, 2 when that of the
   * later one does.
   */
  readonly drives: Uint8Array | undefined;
  readonly blocks: readonly [number, number] | undefined;
}

export interface Step {
  readonly cell: number;
  readonly joins: readonly Join[];
  /** Slots that stay after this step, the new cell being the last. */
  readonly keep: readonly number[];
  readonly bornBlocks: readonly { readonly isFed: boolean; readonly loss: number }[];
  /** Pairs of blocks of which a machine feeds the second from the first, known from this step on. */
  readonly feeds: readonly (readonly [number, number])[];
  readonly keepBlocks: readonly number[];
  readonly ways: readonly { readonly as: number; readonly choices: readonly CellChoice[] }[];
  /** What the cells after this step cost at least, but for what `ahead` adds. */
  readonly rest: number;
  /** What is ahead of each slot that stays, by standing and mark, and the least of its marks. */
  readonly ahead: readonly Float64Array[];
  readonly leastAhead: readonly Float64Array[];
}

interface JoinTables {
  readonly terms: Float64Array;
  readonly meets: Uint8Array;
  readonly drives: Uint8Array | undefined;
}

/** What holds of an edge by the standings of the cell swept earlier and the later one. */
function tablesOf(
  problem: SweepProblem,
  edge: number,
  isForward: boolean,
  cell: number,
  isOutside: boolean,
): JoinTables {
  const { standings, cells, meeting, region, prices } = problem;
  const count = standings.length;
  const next = otherCell(cells, edge, cell);
  const closing = cells.kind[edge] === BARRIER ? prices.link(cells.links[edge] as number) : 0;
  const terms = new Float64Array(count * count).fill(Infinity);
  const meets = new Uint8Array(count * count);
  const isTie = cells.kind[edge] === TIE;
  const drives = isTie ? new Uint8Array(count * count) : undefined;
  const fromFluid = cells.isFluid[cells.ends[2 * edge] as number] === 1;
  const before = isOutside ? [problem.lastOf(next)] : (region.open.get(next) ?? []);
  const own = region.open.get(cell) ?? [];
  for (const i of before) {
    for (const j of own) {
      const [a, b] = isForward ? [i, j] : [j, i];
      const how = meeting(edge, a, b);
      if (how === NOT) continue;
      const at = i * count + j;
      meets[at] = how;
      terms[at] = how === AS_CLOSED ? closing : 0;
      if (!drives) continue;
      if (fromFluid && (standings[b] as Standing).driven.barriers === 0)
        drives[at] = isForward ? 1 : 2;
    }
  }
  return { terms, meets, drives };
}

/** What may be done to an edge between cells that stand alike. */
function listExtras(problem: SweepProblem, edge: number): Extra[] {
  const { cells, model, prices, dearestBleed } = problem;
  const link = cells.links[edge] as number;
  if (cells.kind[edge] === TIE) return [];
  const extras: Extra[] = [];
  if (model.mayStand[link] && !cells.isSure[edge]) {
    extras.push({ kind: 'stand', price: prices.stand(link) });
  }
  // Shutting something in where nothing can let it down may come cheaper than letting it down.
  const closing = prices.link(link);
  if (cells.kind[edge] === BARRIER && cells.isSure[edge] && closing < dearestBleed) {
    extras.push({ kind: 'close', price: closing });
  }
  return extras;
}

/** At which step each block of supply is first spoken of: where a barrier joins it, or with the first that may feed it. */
function listBirths(
  { joined, feeds }: SupplyNet,
  order: readonly number[],
  cells: Cells,
  placeOf: ReadonlyMap<number, number>,
) {
  const bornAt = new Map<number, number>();
  const bear = (block: number, place: number) => {
    if (place < (bornAt.get(block) ?? Infinity)) bornAt.set(block, place);
  };
  for (const [edge, pair] of joined) {
    const places = [2 * edge, 2 * edge + 1].map(
      (end) => placeOf.get(cells.ends[end] as number) ?? -1,
    );
    for (const block of pair) bear(block, Math.max(...places));
  }
  for (let size = -1; size !== bornAt.size;) {
    size = bornAt.size;
    for (const [a, b] of feeds) {
      const place = bornAt.get(a);
      if (place !== undefined && !bornAt.has(b)) bornAt.set(b, place);
    }
  }
  const at = new Map<number, number[]>();
  for (const [block, place] of bornAt) at.set(place, [...(at.get(place) ?? []), block]);
  return {
    at,
    feeds: feeds.flatMap((pair) => {
      const places = pair.map((block) => bornAt.get(block) ?? Infinity);
      const place = Math.max(...places);
      return place < order.length ? [{ place, pair }] : [];
    }),
  };
}

/** The least over the marks, by standing. */
function leastMark(ahead: Float64Array): Float64Array {
  const least = new Float64Array(ahead.length / MARKS);
  for (let n = 0; n < least.length; n++) {
    let low = Infinity;
    for (let at = n * MARKS; at < (n + 1) * MARKS; at++) low = Math.min(low, ahead[at] as number);
    least[n] = low;
  }
  return least;
}

/** Lays out the steps of a sweep: for each cell in turn what it meets and what is done with after it. */
export function layOut(problem: SweepProblem): Step[] {
  const { cells, region, supply, standings, model, prices } = problem;
  const placeOf = new Map(region.order.map((cell, place) => [cell, place]));
  const lastPlace = (cell: number) =>
    edgesOf(cells, cell).reduce(
      (latest, edge) => Math.max(latest, placeOf.get(otherCell(cells, edge, cell)) ?? -1),
      placeOf.get(cell) ?? -1,
    );
  const blockEnds = new Map<number, number>();
  for (const [edge, blocks] of supply?.joined ?? []) {
    const place = Math.max(
      placeOf.get(cells.ends[2 * edge] as number) ?? -1,
      placeOf.get(cells.ends[2 * edge + 1] as number) ?? -1,
    );
    for (const block of blocks) blockEnds.set(block, Math.max(blockEnds.get(block) ?? -1, place));
  }
  const births = supply ? listBirths(supply, region.order, cells, placeOf) : undefined;
  for (const { place, pair } of births?.feeds ?? []) {
    for (const block of pair) blockEnds.set(block, Math.max(blockEnds.get(block) ?? -1, place));
  }
  const tokens = new Tokens();
  // A first pass, so that outlets that release a store of a later cell are known.
  for (const cell of region.order) listOwnChoices(model, cells, cell, prices, tokens);
  let slots: number[] = [];
  let blocks: number[] = [];
  return region.order.map((cell, place) => {
    const joins: Join[] = [];
    const born: number[] = [];
    for (const edge of edgesOf(cells, cell)) {
      const next = otherCell(cells, edge, cell);
      const isOutside = !placeOf.has(next);
      if ((placeOf.get(next) ?? -1) >= place) continue;
      const pair = supply?.joined.get(edge);
      for (const block of pair ?? []) {
        if (blocks.includes(block)) continue;
        blocks = [...blocks, block];
        born.push(block);
      }
      joins.push({
        edge,
        slot: isOutside ? -1 : slots.indexOf(next),
        outside: isOutside ? problem.lastOf(next) : -1,
        ...tablesOf(problem, edge, cells.ends[2 * edge] === next, cell, isOutside),
        isThrough: cells.kind[edge] !== TIE,
        isSure: cells.isSure[edge] === 1,
        extras: isOutside ? [] : listExtras(problem, edge),
        blocks: pair && [blocks.indexOf(pair[0]), blocks.indexOf(pair[1])],
      });
    }
    for (const block of births?.at.get(place) ?? []) {
      if (blocks.includes(block)) continue;
      blocks = [...blocks, block];
      born.push(block);
    }
    const feeds = (births?.feeds ?? [])
      .filter((one) => one.place === place)
      .map(({ pair: [a, b] }) => [blocks.indexOf(a), blocks.indexOf(b)] as const);
    const all = [...slots, cell];
    const keep = [...all.keys()].filter((slot) => lastPlace(all[slot] as number) > place);
    const keepBlocks = [...blocks.keys()].filter(
      (slot) => (blockEnds.get(blocks[slot] as number) ?? -1) > place,
    );
    slots = keep.map((slot) => all[slot] as number);
    const ahead = slots.map((slot) => problem.tightened.ahead(slot, place));
    blocks = keepBlocks.map((slot) => blocks[slot] as number);
    const known = new Map<number, readonly CellChoice[]>();
    const choicesFor = (as: number): readonly CellChoice[] => {
      const standing = standings[as] as Standing;
      const isSpace = isBledSpace(standing);
      const sort = (isHandled(standing) ? 1 : 0) | (isSpace ? 2 : 0) | (standing.isDead ? 4 : 0);
      const before = known.get(sort);
      if (before) return before;
      const made = listChoices(model, cells, cell, prices, tokens, standing);
      known.set(sort, made);
      return made;
    };
    return {
      cell,
      joins,
      keep,
      bornBlocks: born.map((block) => supply?.blocks.get(block) ?? { isFed: false, loss: 0 }),
      feeds,
      keepBlocks,
      rest: problem.tightened.restFrom[place + 1] as number,
      ahead,
      leastAhead: ahead.map(leastMark),
      // What leaves most alone comes first.
      ways: [...(region.open.get(cell) ?? [])]
        .sort((a, b) => b - a)
        .map((as) => ({ as, choices: choicesFor(as) })),
    };
  });
}
