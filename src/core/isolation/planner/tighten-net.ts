import { BARRIER, edgesOf, otherCell, TIE, type Cells } from './cells';
import { IS_BLED, listChoices, NEEDS_BLEED, Tokens, type Prices } from './choices';
import type { PlannerModel } from './model';
import { AS_CLOSED, NOT, type Meeting } from './possible';
import type { Region } from './region';
import { hasPart, type Standing } from './standings';

/** How a cell looks from an edge: not let down, let down but not over this edge, let down over it. */
export const NOT_BLED = 0;
export const BLED = 1;
export const BLED_OVER = 2;
export const MARKS = 3;

/** What is shifted from an edge to its first end (0) or its second (1), when that end has a standing and a mark. */
export type Shift = (edge: number, end: 0 | 1, standing: number, mark: number) => number;

/** The best plan of a region is asked for: what it is made of, and what everything in it costs. */
export interface RegionProblem {
  readonly model: PlannerModel;
  readonly cells: Cells;
  readonly standings: readonly Standing[];
  /** The standing of what lies outside the region. */
  readonly lastOf: (cell: number) => number;
  readonly meeting: Meeting;
  readonly prices: Prices;
  readonly region: Region;
}

/** What is tightened. */
export interface TightenProblem extends RegionProblem {
  /** What a standing of a cell costs besides. */
  readonly besides?: (cell: number, standing: number) => number;
  /** A shift to begin with; any will do, as long as it leaves no edge less than nothing. */
  readonly start?: Shift;
}

/** An edge between two cells of the region, the earlier one first. */
export interface Bond {
  readonly edge: number;
  /** Whether the earlier cell is the edge's first end. */
  readonly isForward: boolean;
  readonly places: readonly [number, number];
  /** What it costs by standings of the earlier and the later cell; Infinity where they may not meet. */
  readonly terms: Float64Array;
  /** What it costs to let one end down over the other, and to shut one end in beside the other. */
  readonly over: number;
  readonly apart: number;
  /** Shifted from the edge to each end, by standing and mark. */
  readonly shifted: readonly [Float64Array, Float64Array];
  /** 1 for what no plan does at an end, by standing and mark. */
  readonly isOut: readonly [Uint8Array, Uint8Array];
}

/** An edge with which of its ends a cell is. */
export interface End {
  readonly bond: Bond;
  readonly end: 0 | 1;
}

/** A cell of the region. */
export interface Node {
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

/** The cells of a region and the edges between them, with what each costs. */
export class Net {
  readonly nodes: readonly Node[];
  readonly bonds = new Map<number, Bond>();
  readonly placeOf: ReadonlyMap<number, number>;
  /** How many standings there are in all. */
  readonly count: number;

  constructor(private readonly problem: TightenProblem) {
    const { region, standings } = problem;
    this.count = standings.length;
    this.placeOf = new Map(region.order.map((cell, n) => [cell, n]));
    this.nodes = region.order.map((cell) => this.nodeOf(cell));
    region.order.forEach((cell, n) => this.bind(cell, n));
  }

  private nodeOf(cell: number): Node {
    const { model, cells, standings, prices, region, besides } = this.problem;
    const open = [...(region.open.get(cell) ?? [])];
    const [bare, own, through] = [0, 1, 2].map(() =>
      new Float64Array(this.count).fill(Infinity),
    ) as [Float64Array, Float64Array, Float64Array];
    for (const n of open) {
      const standing = standings[n] as Standing;
      const more = besides?.(cell, n) ?? 0;
      const choices = listChoices(model, cells, cell, prices, new Tokens(), standing);
      for (const { price, part } of choices) {
        const all = price + more;
        if ((part & NEEDS_BLEED) === 0) bare[n] = Math.min(bare[n] as number, all);
        if (hasPart(standing)) through[n] = Math.min(through[n] as number, all);
        if ((part & IS_BLED) !== 0) own[n] = Math.min(own[n] as number, all);
      }
    }
    return { standings: open, bare, own, through, earlier: [], later: [], taken: 0 };
  }

  /** Adds the edges of a cell to those swept before it, and what edges to cells outside cost. */
  private bind(cell: number, place: number): void {
    const { cells, lastOf, meeting, prices } = this.problem;
    const node = this.nodes[place] as Node;
    for (const edge of edgesOf(cells, cell)) {
      const next = otherCell(cells, edge, cell);
      const at = this.placeOf.get(next);
      if (next === cell || (at !== undefined && at > place)) continue;
      const isForward = cells.ends[2 * edge] === next;
      const price = cells.kind[edge] === BARRIER ? prices.link(cells.links[edge] as number) : 0;
      const termOf = (a: number, b: number) => {
        const how = isForward ? meeting(edge, a, b) : meeting(edge, b, a);
        return how === NOT ? Infinity : how === AS_CLOSED ? price : 0;
      };
      if (at === undefined) {
        for (const n of node.standings) {
          const term = termOf(lastOf(next), n);
          for (const kind of [node.bare, node.own, node.through]) {
            kind[n] = (kind[n] as number) + term;
          }
        }
        continue;
      }
      const before = this.nodes[at] as Node;
      const terms = new Float64Array(this.count * this.count).fill(Infinity);
      for (const a of before.standings) {
        for (const b of node.standings) terms[a * this.count + b] = termOf(a, b);
      }
      const bond = this.bondOf(edge, isForward, [at, place], terms, price);
      this.bonds.set(edge, bond);
      before.later.push({ bond, end: 0 });
      node.earlier.push({ bond, end: 1 });
    }
  }

  private bondOf(
    edge: number,
    isForward: boolean,
    places: readonly [number, number],
    terms: Float64Array,
    price: number,
  ): Bond {
    const { cells, model, prices, start } = this.problem;
    const link = cells.links[edge] as number;
    const isSure = cells.isSure[edge] === 1;
    const mayPass = cells.kind[edge] !== TIE && (isSure || model.mayStand[link] === 1);
    const shiftedTo = (end: 0 | 1) => {
      const shifted = new Float64Array(this.count * MARKS);
      const node = this.nodes[places[end]] as Node;
      const at = isForward === (end === 0) ? 0 : 1;
      for (const n of start ? node.standings : []) {
        for (let mark = 0; mark < MARKS; mark++) {
          shifted[n * MARKS + mark] = start?.(edge, at, n, mark) ?? 0;
        }
      }
      return shifted;
    };
    return {
      edge,
      isForward,
      places,
      terms,
      over: mayPass ? (isSure ? 0 : prices.stand(link)) : Infinity,
      apart: isSure && cells.kind[edge] === BARRIER ? price : 0,
      shifted: [shiftedTo(0), shiftedTo(1)],
      isOut: [new Uint8Array(this.count * MARKS), new Uint8Array(this.count * MARKS)],
    };
  }
}
