import { EQUAL } from './choices';
import {
  BLED,
  BLED_OVER,
  MARKS,
  Net,
  type Bond,
  type End,
  type Node,
  type Shift,
  type TightenProblem,
} from './tighten-net';

/**
 * Tightens the floor of a region. A plan gives each cell a standing and says how its part is let down: not at all, by an outlet of
 * its own, or over a neighbour of the same part that is let down. What that costs is a sum over cells and over edges between two
 * cells. Prices are shifted to and fro between edges and cells, the sum for every plan staying what it is, until the sum of
 * the least of each has risen as far as it goes; no plan costs less. So it also tells, for each way in which the cells at the edge of
 * a sweep may stand, what is still to come at least.
 *
 * Source: sequential tree-reweighted message passing, V. Kolmogorov, IEEE Trans. PAMI 28 (2006) 1568, from memory. Letting parts
 * down over neighbours is our own.
 */
export interface Tightened {
  /** No plan of the region costs less. */
  readonly least: number;
  /** The standings that a plan within the room may give a cell. */
  readonly open: ReadonlyMap<number, readonly number[]>;
  /** What cells from a place in the order on cost at least, but for what the tables of `ahead` add. */
  readonly restFrom: Float64Array;
  /** What lies ahead of a cell when a sweep has come up to `place` adds at least, by standing and mark: [standing * MARKS + mark]. */
  ahead(cell: number, place: number): Float64Array;
  /** How prices have been shifted, for tightening what is left of the region anew. */
  readonly shift: Shift;
}

/** Rounds at most. */
const MOST_ROUNDS = 200;
/** A round that brings less than this share of what is missing, or of what there is, is the last. */
const LEAST_SHARE = 0.01;
const LEAST_GAIN = 2e-4;

/** What a standing comes to when its part is not let down, and when it is, over each of its edges or none. */
interface Values {
  readonly bare: number;
  readonly own: number;
  readonly over: readonly number[];
}

const NOWHERE: readonly number[] = [];

const leastOf = ({ bare, own, over }: Values): number => {
  let least = Math.min(bare, own);
  for (const price of over) if (price < least) least = price;
  return least;
};

class Shifting {
  private readonly nodes: readonly Node[];
  private readonly count: number;
  /** What has been taken out of all cells: no plan costs less. */
  private taken = 0;
  /** Whether a standing has gone since it was last asked. */
  private hasNews = false;
  private readonly reached = new Map<Bond, Float64Array>();
  /** Lent to whatever runs over the standings of one cell. */
  private readonly least: Float64Array;

  constructor(
    private readonly net: Net,
    private readonly order: readonly number[],
  ) {
    this.nodes = net.nodes;
    this.count = net.count;
    this.least = new Float64Array(net.count * MARKS);
  }

  /** Writes the least over the far end of what an edge holds, by standing and mark of the near end; what was shifted to that is left out. */
  private reach({ bond, end }: End, least: Float64Array): void {
    const { count, nodes } = this;
    const far = end === 0 ? 1 : 0;
    const own = (nodes[bond.places[end]] as Node).standings;
    const other = (nodes[bond.places[far]] as Node).standings;
    const { terms, over, apart } = bond;
    const [from, isOut, isOwnOut] = [bond.shifted[far], bond.isOut[far], bond.isOut[end]];
    for (const n of own) {
      let elsewhere = Infinity;
      let alike = Infinity;
      for (const m of other) {
        const term = terms[end === 0 ? n * count + m : m * count + n] as number;
        if (term === Infinity) continue;
        if (m === n) {
          alike = term;
          continue;
        }
        const at = m * MARKS;
        if (!isOut[at]) elsewhere = Math.min(elsewhere, term - (from[at] as number));
        if (!isOut[at + BLED]) elsewhere = Math.min(elsewhere, term - (from[at + BLED] as number));
      }
      const at = n * MARKS;
      let [asBare, asBled, asOver] = [Infinity, Infinity, Infinity];
      if (alike !== Infinity) {
        if (!isOut[at]) asBare = alike - (from[at] as number);
        if (!isOut[at + BLED]) asBled = alike - (from[at + BLED] as number);
        if (!isOut[at + BLED_OVER]) asOver = alike - (from[at + BLED_OVER] as number);
      }
      least[at] = isOwnOut[at] ? Infinity : Math.min(elsewhere, asBare, asBled + apart);
      least[at + BLED] = isOwnOut[at + BLED]
        ? Infinity
        : Math.min(elsewhere, asBled, asBare + apart, asOver + over);
      least[at + BLED_OVER] = isOwnOut[at + BLED_OVER] ? Infinity : asBled + over;
    }
  }

  /** Draws all that an edge holds to a cell. */
  private draw(node: Node, at: End): void {
    const { least } = this;
    const { bond, end } = at;
    const [to, isOut] = [bond.shifted[end], bond.isOut[end]];
    this.reach(at, least);
    for (const n of node.standings) {
      for (let slot = n * MARKS; slot < (n + 1) * MARKS; slot++) {
        if (least[slot] === Infinity) isOut[slot] = 1;
        else to[slot] = least[slot] as number;
      }
    }
  }

  /** What a standing of a cell comes to, by the way in which it is let down. */
  private valuesOf(node: Node, n: number, all: readonly End[]): Values {
    const at = n * MARKS;
    let bare = node.bare[n] as number;
    let bled = 0;
    let barred = -1;
    let isBarred = false;
    for (let number = 0; number < all.length; number++) {
      const { bond, end } = all[number] as End;
      const to = bond.shifted[end];
      const isOut = bond.isOut[end];
      bare = isOut[at] ? Infinity : bare + (to[at] as number);
      if (!isOut[at + BLED]) bled += to[at + BLED] as number;
      else if (barred >= 0) isBarred = true;
      else barred = number;
    }
    const through = node.through[n] as number;
    if (through === Infinity || isBarred) return { bare, own: Infinity, over: NOWHERE };
    // Where it cannot be let down but over one edge, it is let down over that one.
    const over = all.map(({ bond, end }, number) => {
      const isOut = bond.over === Infinity || bond.isOut[end][at + BLED_OVER];
      if (isOut || (barred >= 0 && barred !== number)) return Infinity;
      const to = bond.shifted[end];
      const without = barred >= 0 ? bled : bled - (to[at + BLED] as number);
      return through + without + (to[at + BLED_OVER] as number);
    });
    return { bare, own: barred >= 0 ? Infinity : (node.own[n] as number) + bled, over };
  }

  /** Hands its share of what a standing of a cell comes to above the least on to the edges of one side. */
  private handOn(
    n: number,
    { bare, own, over }: Values,
    all: readonly End[],
    { giving, share, least }: { giving: 0 | 1; share: number; least: number },
  ): void {
    const at = n * MARKS;
    let first = own;
    let second = Infinity;
    for (const price of over) {
      if (price < first) [first, second] = [price, first];
      else if (price < second) second = price;
    }
    for (let number = 0; number < all.length; number++) {
      const { bond, end } = all[number] as End;
      const overIt = over[number] ?? Infinity;
      const bled = overIt === first ? second : first;
      const to = bond.shifted[end];
      const isOut = bond.isOut[end];
      if (bare === Infinity) isOut[at] = 1;
      if (bled === Infinity) isOut[at + BLED] = 1;
      if (overIt === Infinity) isOut[at + BLED_OVER] = 1;
      if (end !== giving) continue;
      if (bare !== Infinity) to[at] = (to[at] as number) - share * (bare - least);
      if (bled !== Infinity) to[at + BLED] = (to[at + BLED] as number) - share * (bled - least);
      if (overIt !== Infinity) {
        to[at + BLED_OVER] = (to[at + BLED_OVER] as number) - share * (overIt - least);
      }
    }
  }

  /** Draws on one side of a cell and hands on to the other; answers false when nothing is left of it. */
  private pass(node: Node, giving: 0 | 1, isLast: boolean, room: number): boolean {
    const [draw, give] = giving === 0 ? [node.earlier, node.later] : [node.later, node.earlier];
    const all = [...draw, ...give];
    for (const end of draw) this.draw(node, end);
    const values = node.standings.map((n) => this.valuesOf(node, n, all));
    const leasts = values.map(leastOf);
    const least = leasts.reduce((low, one) => Math.min(low, one), Infinity);
    if (least === Infinity) return false;
    node.taken += least;
    this.taken += least;
    const shares = isLast ? give.length : Math.max(draw.length, give.length);
    const handing = { giving, share: shares === 0 ? 0 : 1 / shares, least };
    const left: number[] = [];
    node.standings.forEach((n, at) => {
      const own = leasts[at] as number;
      if (own === Infinity || own - least > room - this.taken) return;
      left.push(n);
      node.bare[n] = (node.bare[n] as number) - least;
      node.own[n] = (node.own[n] as number) - least;
      node.through[n] = (node.through[n] as number) - least;
      this.handOn(n, values[at] as Values, all, handing);
    });
    if (left.length < node.standings.length) {
      node.standings = left;
      this.hasNews = true;
    }
    return left.length > 0;
  }

  /** Goes once over all cells; answers false when no plan of the region is within the room. */
  private passAll(giving: 0 | 1, isLast: boolean, room: number): boolean {
    const { nodes } = this;
    for (let n = 0; n < nodes.length; n++) {
      const node = nodes[giving === 0 ? n : nodes.length - 1 - n] as Node;
      if (!this.pass(node, giving, isLast, room)) return false;
    }
    return this.taken <= room;
  }

  /** Shifts until little more is to be had; undefined when no plan of the region is within the room. */
  run(room: number, isOver: () => boolean): Tightened | undefined {
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const before = this.taken;
      this.hasNews = false;
      // Before each cell has been seen once, what is left of others may be less than nothing: no standing goes.
      if (!this.passAll(0, false, round === 0 ? Infinity : room)) return undefined;
      if (!this.passAll(1, false, room)) return undefined;
      const gain = this.taken - before;
      const isLittle =
        gain <= LEAST_GAIN * Math.abs(before) || gain <= LEAST_SHARE * (room - this.taken);
      if (round > 0 && ((isLittle && !this.hasNews) || isOver())) break;
    }
    if (!this.passAll(1, true, room)) return undefined;
    const { nodes } = this;
    const restFrom = new Float64Array(nodes.length + 1);
    for (let n = nodes.length - 1; n >= 0; n--) {
      restFrom[n] = (restFrom[n + 1] as number) + (nodes[n] as Node).taken;
    }
    return {
      least: this.taken,
      open: new Map(this.order.map((cell, n) => [cell, (nodes[n] as Node).standings])),
      restFrom,
      ahead: (cell, place) => this.ahead(cell, place),
      shift: (edge, end, standing, mark) => {
        const bond = this.net.bonds.get(edge);
        if (!bond) return 0;
        const at = bond.isForward ? end : end === 0 ? 1 : 0;
        return bond.shifted[at][standing * MARKS + mark] as number;
      },
    };
  }

  private ahead(cell: number, place: number): Float64Array {
    const { count } = this;
    const node = this.nodes[this.net.placeOf.get(cell) as number] as Node;
    const ahead = node.later.flatMap((end) =>
      end.bond.places[1] > place ? [this.reachedBy(end)] : [],
    );
    const sum = new Float64Array(count * MARKS);
    for (let n = 0; n < count; n++) {
      const at = n * MARKS;
      let [bare, bled, over] = [0, 0, Infinity];
      let isBarred = false;
      for (const least of ahead) {
        bare += least[at] as number;
        const own = least[at + BLED] as number;
        const overIt = least[at + BLED_OVER] as number;
        if (own !== Infinity) {
          bled += own;
          if (!isBarred) over = Math.min(over, overIt - own);
        } else {
          // It cannot be let down but over this one.
          over = isBarred ? Infinity : overIt;
          isBarred = true;
        }
      }
      sum[at] = bare;
      sum[at + BLED] = isBarred ? Infinity : bled;
      sum[at + BLED_OVER] = bled + over;
    }
    return sum;
  }

  private reachedBy(end: End): Float64Array {
    const known = this.reached.get(end.bond);
    if (known) return known;
    const made = new Float64Array(this.count * MARKS).fill(Infinity);
    this.reach(end, made);
    this.reached.set(end.bond, made);
    return made;
  }
}

/** Tightens a region for plans that cost no more than `room`; undefined when there is none. */
export function tighten(
  problem: TightenProblem,
  room: number,
  isOver: () => boolean,
): Tightened | undefined {
  return new Shifting(new Net(problem), problem.region.order).run(room + EQUAL, isOver);
}
