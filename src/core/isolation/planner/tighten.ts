import { BARRIER, edgesOf, otherCell, TIE, type Cells } from './cells';
import { IS_BLED, listBledChoices, listOwnChoices, NEEDS_BLEED, Tokens, type Prices } from './choices';
import type { PlannerModel } from './model';
import { AS_CLOSED, NOT, type Meeting } from './possible';
import type { Region } from './region';
import { isBledSpace, isHandled, type Standing } from './standings';

/**
 * Tightens the floor of a region. A plan gives each cell a standing and says how its part is let down: not at all, by an outlet of
 * its own, or through a neighbour of the same part that is let down. What that costs is a sum over cells and over edges between two
 * cells. Prices are shifted to and fro between edges and cells, the sum for every plan staying what it is, until the sum of
 * the least of each has risen as far as it goes; no plan costs less. Of what lies ahead of a sweep it tells so the least price
 * for each way in which the cells at its edge may stand.
 *
 * Source: sequential tree-reweighted message passing, V. Kolmogorov, IEEE Trans. PAMI 28 (2006) 1568, from memory. Letting parts
 * down through neighbours is our own.
 */
export interface Tightened {
  /** No plan of the region costs less; Infinity when there is none. */
  readonly least: number;
  /** The standings that a plan within the ceiling may give a cell. */
  readonly open: ReadonlyMap<number, readonly number[]>;
  /** What cells from a place in the order on cost at least, but for what the tables of `ahead` add. */
  readonly restFrom: Float64Array;
  /**
   * What lies ahead of a cell at the edge of a sweep that has come up to `place` costs more at least, by standing and `Mark`:
   * [standing * MARKS + mark].
   */
  ahead(cell: number, place: number): Float64Array;
}

/** How a cell looks from an edge: not let down, let down but not over this edge, let down over it. */
export const NOT_BLED = 0;
export const BLED = 1;
export const BLED_OVER = 2;
export const MARKS = 3;

/** What is tightened. */
export interface TightenProblem {
  readonly model: PlannerModel;
  readonly cells: Cells;
  readonly standings: readonly Standing[];
  readonly lastOf: (cell: number) => number;
  readonly meeting: Meeting;
  readonly prices: Prices;
  readonly region: Region;
}

/** Rounds of shifting at most, and how little a round may bring before it is the last one. */
const MOST_ROUNDS = 60;
const LEAST_GAIN = 1e-3;

/** An edge between two cells of the region, the earlier one first. */
interface Bond {
  readonly edge: number;
  readonly cells: readonly [number, number];
  /** What it costs by standings of the earlier and the later cell; Infinity where they may not meet. */
  readonly terms: Float64Array;
  /** What it costs to let one end down over the other, and to keep one end shut in beside the other. */
  readonly over: number;
  readonly apart: number;
  /** Shifted from the edge to each end, by standing and mark. */
  readonly shifted: readonly [Float64Array, Float64Array];
  /** 1 for what no plan does at an end, by standing and mark. */
  readonly isOut: readonly [Uint8Array, Uint8Array];
}

/** An edge with which of its ends a cell is. */
type End = readonly [Bond, 0 | 1];

interface Values {
  readonly bare: number;
  readonly own: number;
  readonly over: ReadonlyMap<Bond, number>;
  readonly least: number;
}

/** The two least of ways of letting a cell down. */
function twoLeast(own: number, over: ReadonlyMap<Bond, number>): [number, number] {
  let [first, second] = [own, Infinity];
  for (const price of over.values()) {
    if (price < first) [first, second] = [price, first];
    else if (price < second) second = price;
  }
  return [first, second];
}

/** A cell of the region. */
interface Node {
  standings: readonly number[];
  /** What a standing costs by itself when its part is not let down, by an outlet of its own, or over a neighbour. */
  readonly bare: Float64Array;
  readonly own: Float64Array;
  readonly through: Float64Array;
  readonly earlier: End[];
  readonly later: End[];
  /** What has been taken out of it for good. */
  taken: number;
}

class Shifting {
  private readonly nodes: Node[];
  private readonly count: number;
  private readonly place: ReadonlyMap<number, number>;

  constructor(private readonly problem: TightenProblem) {
    const { region, standings } = problem;
    this.count = standings.length;
    this.place = new Map(region.order.map((cell, n) => [cell, n]));
    this.nodes = region.order.map((cell) => this.nodeOf(cell));
    region.order.forEach((cell, n) => this.bind(cell, n));
  }

  private nodeOf(cell: number): Node {
    const { model, cells, standings, prices, region } = this.problem;
    const open = [...(region.open.get(cell) ?? [])];
    const [bare, own, through] = [0, 1, 2].map(() =>
      new Float64Array(this.count).fill(Infinity),
    ) as [Float64Array, Float64Array, Float64Array];
    for (const n of open) {
      const standing = standings[n] as Standing;
      const isSpace = isBledSpace(standing);
      if (!isHandled(standing) && !isSpace) {
        bare[n] = 0;
        continue;
      }
      const choices = isHandled(standing)
        ? listOwnChoices(model, cells, cell, prices, new Tokens(), {
            isBledSpace: isSpace,
            isLive: !standing.isDead,
          })
        : listBledChoices(cells, cell, prices);
      for (const { price, part } of choices) {
        if ((part & NEEDS_BLEED) === 0) bare[n] = Math.min(bare[n] as number, price);
        through[n] = Math.min(through[n] as number, price);
        if ((part & IS_BLED) !== 0) own[n] = Math.min(own[n] as number, price);
      }
    }
    return { standings: open, bare, own, through, earlier: [], later: [], taken: 0 };
  }

  /** Adds the edges of a cell to those swept before it, and what edges to cells outside cost. */
  private bind(cell: number, place: number): void {
    const { cells, lastOf, meeting, prices, model } = this.problem;
    const node = this.nodes[place] as Node;
    for (const edge of edgesOf(cells, cell)) {
      const next = otherCell(cells, edge, cell);
      const at = this.place.get(next);
      if (next === cell || (at !== undefined && at > place)) continue;
      const isForward = cells.ends[2 * edge] === next;
      const link = cells.links[edge] as number;
      const price = cells.kind[edge] === BARRIER ? prices.link(link) : 0;
      const termOf = (a: number, b: number) => {
        const how = isForward ? meeting(edge, a, b) : meeting(edge, b, a);
        return how === NOT ? Infinity : how === AS_CLOSED ? price : 0;
      };
      if (at === undefined) {
        for (const n of node.standings) {
          const term = termOf(lastOf(next), n);
          for (const kind of [node.bare, node.own, node.through]) kind[n] = (kind[n] as number) + term;
        }
        continue;
      }
      const before = this.nodes[at] as Node;
      const terms = new Float64Array(this.count * this.count).fill(Infinity);
      for (const a of before.standings) {
        for (const b of node.standings) terms[a * this.count + b] = termOf(a, b);
      }
      const isSure = cells.isSure[edge] === 1;
      const mayPass = cells.kind[edge] !== TIE && (isSure || model.mayStand[link] === 1);
      const bond: Bond = {
        edge,
        cells: [next, cell],
        terms,
        over: mayPass ? (isSure ? 0 : prices.stand(link)) : Infinity,
        apart: isSure && cells.kind[edge] === BARRIER ? price : 0,
        shifted: [new Float64Array(this.count * MARKS), new Float64Array(this.count * MARKS)],
        isOut: [new Uint8Array(this.count * MARKS), new Uint8Array(this.count * MARKS)],
      };
      before.later.push([bond, 0]);
      node.earlier.push([bond, 1]);
    }
  }

  /** The least over the other end of what an edge holds, by standing and mark of one end, what was shifted to that end left out. */
  private reach(bond: Bond, end: 0 | 1): Float64Array {
    const { count } = this;
    const own = this.nodeAt(bond, end);
    const other = this.nodeAt(bond, end === 0 ? 1 : 0);
    const far = end === 0 ? 1 : 0;
    const [from, isOut] = [bond.shifted[far], bond.isOut[far]];
    const heldAt = (slot: number) => (isOut[slot] ? Infinity : -(from[slot] as number));
    const own0 = bond.isOut[end];
    const least = new Float64Array(count * MARKS).fill(Infinity);
    for (const n of own.standings) {
      let elsewhere = Infinity;
      let alike = Infinity;
      for (const m of other.standings) {
        const term = bond.terms[end === 0 ? n * count + m : m * count + n] as number;
        if (m === n) alike = term;
        else if (term !== Infinity) {
          elsewhere = Math.min(elsewhere, term + heldAt(m * MARKS), term + heldAt(m * MARKS + BLED));
        }
      }
      const asBare = alike + heldAt(n * MARKS);
      const asBled = alike + heldAt(n * MARKS + BLED);
      const asOver = alike + heldAt(n * MARKS + BLED_OVER);
      const marks = [
        Math.min(elsewhere, asBare, asBled + bond.apart),
        Math.min(elsewhere, asBled, asBare + bond.apart, asOver + bond.over),
        asBled + bond.over,
      ];
      marks.forEach((value, mark) => {
        if (!own0[n * MARKS + mark]) least[n * MARKS + mark] = value;
      });
    }
    return least;
  }

  private nodeAt(bond: Bond, end: 0 | 1): Node {
    return this.nodes[this.place.get(bond.cells[end]) as number] as Node;
  }

  /** Draws on one side of a cell, and hands its share on to the edges of the other side; answers false when nothing is left of it. */
  private pass(node: Node, isForward: boolean, isLast: boolean, room: number): boolean {
    const draw: readonly End[] = isForward ? node.earlier : node.later;
    const give: readonly End[] = isForward ? node.later : node.earlier;
    const all = [...draw, ...give];
    for (const [bond, end] of draw) {
      const least = this.reach(bond, end);
      const to = bond.shifted[end];
      const isOut = bond.isOut[end];
      for (let n = 0; n < least.length; n++) {
        if (least[n] === Infinity) isOut[n] = 1;
        else to[n] = least[n] as number;
      }
    }
    const values = node.standings.map((n) => this.valuesOf(node, n, all));
    const least = values.reduce((low, one) => Math.min(low, one.least), Infinity);
    if (least === Infinity) return false;
    node.taken += least;
    this.taken += least;
    const share =
      give.length === 0 ? 0 : 1 / (isLast ? give.length : Math.max(draw.length, give.length));
    const gone = new Set<number>();
    node.standings.forEach((n, at) => {
      const { bare, own, over, least: own1 } = values[at] as Values;
      if (own1 === Infinity || own1 - least > room - this.taken) {
        gone.add(n);
        return;
      }
      for (const kind of [node.bare, node.own, node.through]) kind[n] = (kind[n] as number) - least;
      const [first, second] = twoLeast(own, over);
      for (const [bond, end] of all) {
        const overIt = over.get(bond) ?? Infinity;
        const marks = [bare, overIt === first ? second : first, overIt] as const;
        const isGiven = end === (isForward ? 0 : 1);
        marks.forEach((value, mark) => {
          const slot = n * MARKS + mark;
          if (value === Infinity) bond.isOut[end][slot] = 1;
          else if (isGiven)
            bond.shifted[end][slot] = (bond.shifted[end][slot] as number) - share * (value - least);
        });
      }
    });
    if (gone.size > 0) {
      node.standings = node.standings.filter((n) => !gone.has(n));
      this.hasNews = true;
    }
    return node.standings.length > 0;
  }

  /** What a standing of a cell comes to, by the way in which it is let down. */
  private valuesOf(node: Node, n: number, all: readonly End[]): Values {
    let bare = node.bare[n] as number;
    let bled = 0;
    let barred: Bond | undefined;
    let isBarred = false;
    for (const [bond, end] of all) {
      const [to, isOut] = [bond.shifted[end], bond.isOut[end]];
      bare = isOut[n * MARKS] ? Infinity : bare + (to[n * MARKS] as number);
      if (!isOut[n * MARKS + BLED]) bled += to[n * MARKS + BLED] as number;
      else if (barred) isBarred = true;
      else barred = bond;
    }
    const own = barred ? Infinity : (node.own[n] as number) + bled;
    const over = new Map<Bond, number>();
    const through = node.through[n] as number;
    if (through !== Infinity && !isBarred) {
      for (const [bond, end] of barred ? all.filter(([one]) => one === barred) : all) {
        if (bond.over === Infinity || bond.isOut[end][n * MARKS + BLED_OVER]) continue;
        const to = bond.shifted[end];
        const without = barred ? bled : bled - (to[n * MARKS + BLED] as number);
        over.set(bond, through + without + (to[n * MARKS + BLED_OVER] as number));
      }
    }
    let least = Math.min(bare, own);
    for (const price of over.values()) least = Math.min(least, price);
    return { bare, own, over, least };
  }

  /** What has been taken out of all cells: no plan costs less. */
  taken = 0;
  /** Whether a standing has gone since it was last asked. */
  private hasNews = false;

  private sweep(isForward: boolean, isLast: boolean, room: number): boolean {
    const { nodes } = this;
    for (let n = 0; n < nodes.length; n++) {
      const node = nodes[isForward ? n : nodes.length - 1 - n] as Node;
      if (!this.pass(node, isForward, isLast, room)) return false;
    }
    return true;
  }

  run(room: number, isOver: () => boolean): Tightened {
    const none: Tightened = {
      least: Infinity,
      open: new Map(),
      restFrom: new Float64Array(this.nodes.length + 1),
      ahead: () => new Float64Array(0),
    };
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const before = this.taken;
      this.hasNews = false;
      if (!this.sweep(true, false, room) || !this.sweep(false, false, room)) return none;
      if (this.taken > room) return none;
      const gain = this.taken - before;
      if ((gain <= LEAST_GAIN * Math.max(1, before) && !this.hasNews) || isOver()) break;
    }
    if (!this.sweep(false, true, room) || this.taken > room) return none;
    const { nodes } = this;
    const restFrom = new Float64Array(nodes.length + 1);
    for (let n = nodes.length - 1; n >= 0; n--) {
      restFrom[n] = (restFrom[n + 1] as number) + (nodes[n] as Node).taken;
    }
    return {
      least: this.taken,
      open: new Map(
        this.problem.region.order.map((cell, n) => [cell, (nodes[n] as Node).standings]),
      ),
      restFrom,
      ahead: (cell, place) => this.ahead(cell, place),
    };
  }

  private readonly reached = new Map<Bond, Float64Array>();

  private ahead(cell: number, place: number): Float64Array {
    const { count } = this;
    const node = this.nodes[this.place.get(cell) as number] as Node;
    const sum = new Float64Array(count * MARKS);
    const swap = new Float64Array(count).fill(Infinity);
    for (const [bond, end] of node.later) {
      if ((this.place.get(bond.cells[1]) as number) <= place) continue;
      let least = this.reached.get(bond);
      if (!least) {
        least = this.reach(bond, end);
        this.reached.set(bond, least);
      }
      for (let n = 0; n < count; n++) {
        const bled = least[n * MARKS + BLED] as number;
        sum[n * MARKS] = (sum[n * MARKS] as number) + (least[n * MARKS] as number);
        sum[n * MARKS + BLED] = (sum[n * MARKS + BLED] as number) + bled;
        const over = least[n * MARKS + BLED_OVER] as number;
        if (over !== Infinity) swap[n] = Math.min(swap[n] as number, over - bled);
      }
    }
    for (let n = 0; n < count; n++) {
      sum[n * MARKS + BLED_OVER] = (sum[n * MARKS + BLED] as number) + (swap[n] as number);
    }
    return sum;
  }
}

/** Tightens a region for plans that cost no more than `ceiling`. */
export function tighten(
  problem: TightenProblem,
  ceiling: number,
  isOver: () => boolean,
): Tightened {
  return new Shifting(problem).run(ceiling + 1e-6, isOver);
}
