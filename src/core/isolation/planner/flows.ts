import { barriersOf, otherCell, type Cells } from './cells';
import { FlowNetwork, UNCUTTABLE } from './max-flow';
import type { Standing } from './standings';

/** Tells by the standings open to a cell whether it is sure to be on the work's side of a cut (0), or beyond it (1). */
export type SideOf = (cell: number) => 0 | 1 | undefined;

/** Reads the side of a cut off the standings that are open to each cell. */
export function readSides(
  standings: readonly Standing[],
  possible: Uint16Array,
  isBeyond: (standing: Standing) => boolean,
): SideOf {
  const beyond = standings.reduce((bits, one, n) => bits | (isBeyond(one) ? 1 << n : 0), 0);
  return (cell) => {
    const bits = possible[cell] as number;
    if ((bits & ~beyond) === 0) return 1;
    return (bits & beyond) === 0 ? 0 : undefined;
  };
}

/** A cell between just two valves that has a bleed of its own. */
export interface Spool {
  readonly cell: number;
  readonly barriers: readonly [number, number];
}

/** Lists the cells between two valves that have a bleed of their own. */
export function listSpools(cells: Cells, strengthOf: (barrier: number) => number): Spool[] {
  const spools: Spool[] = [];
  for (const cell of cells.safeOutlets.keys()) {
    const [first, second, third] = barriersOf(cells, cell);
    if (first === undefined || second === undefined || third !== undefined) continue;
    if (cells.isZone[cell] || cells.hasSource[cell]) continue;
    if (strengthOf(first) !== 1 || strengthOf(second) !== 1) continue;
    if (otherCell(cells, first, cell) === otherCell(cells, second, cell)) continue;
    spools.push({ cell, barriers: [first, second] });
  }
  return spools;
}

/** Where a flow starts and where it may end. A cell has one vertex for each of its sides, one after the other. */
function listEnds(count: number, sides: readonly SideOf[]) {
  const starts: number[] = [];
  const isGoal = new Uint8Array(count * sides.length);
  for (let cell = 0; cell < count; cell++) {
    sides.forEach((sideOf, n) => {
      const side = sideOf(cell);
      const vertex = cell * sides.length + n;
      if (side === 0) starts.push(vertex);
      if (side === 1) isGoal[vertex] = 1;
    });
  }
  return { starts, isGoal };
}

/** One cut between the cells that are sure to be on the work's side and those beyond, at a capacity of each barrier. */
export class OneCut {
  readonly total: number;
  private readonly network: FlowNetwork;
  private readonly starts: readonly number[];
  private readonly isGoal: Uint8Array;

  constructor(cells: Cells, sideOf: SideOf, capacityOf: (barrier: number) => number) {
    this.network = new FlowNetwork(cells.count, cells.links.length);
    for (let barrier = 0; barrier < cells.links.length; barrier++) {
      const capacity = capacityOf(barrier);
      const [a, b] = [cells.ends[2 * barrier] as number, cells.ends[2 * barrier + 1] as number];
      this.network.addPair(a, b, capacity, capacity);
    }
    const { starts, isGoal } = listEnds(cells.count, [sideOf]);
    this.starts = starts;
    this.isGoal = isGoal;
    this.total = this.network.push(starts, isGoal);
  }

  /** The cells on the work's side of the least cut. */
  nearCells(): Iterable<number> {
    return this.network.reach(this.starts);
  }

  /** Flow through a barrier from its first cell to its second. */
  flowOf(barrier: number): number {
    return this.network.flowOf(barrier);
  }

  /** Takes away room that another cut has used. */
  occupy(barrier: number, amount: number): void {
    this.network.occupy(barrier, amount);
  }

  /** How much more the cut costs when a cell lies on the side of the work; up to a little over `limit`. */
  leastWith(cell: number, limit: number): number {
    return this.network.measure([cell], this.isGoal, limit);
  }
}

/** Pairs of a barrier in the network of two cuts: first step, second step, and the two that forbid both steps at once. */
const STRIDE = 4;

/**
 * Two cuts one behind the other, as `double-bled` asks: vertex 2n stands for "cell n is beyond the first barrier", 2n + 1
 * for "beyond the second". A valve makes one step, a positive barrier may make both and shares its price between them.
 */
export class TwoCuts {
  readonly total: number;
  private readonly network: FlowNetwork;
  private readonly isGoal: Uint8Array;
  private readonly starts: readonly number[];

  constructor(
    private readonly cells: Cells,
    sides: readonly [SideOf, SideOf],
    strengthOf: (barrier: number) => number,
    capacityOf: (barrier: number) => number,
    spools: readonly Spool[],
    bleedPriceOf: (cell: number) => number,
  ) {
    const barriers = cells.links.length;
    const pairs = STRIDE * barriers + cells.count + 2 * spools.length;
    const network = new FlowNetwork(2 * cells.count, pairs);
    const shared: number[] = [];
    for (let barrier = 0; barrier < barriers; barrier++) {
      const a = 2 * (cells.ends[2 * barrier] as number);
      const b = 2 * (cells.ends[2 * barrier + 1] as number);
      const isPositive = strengthOf(barrier) === 2;
      const capacity = isPositive ? capacityOf(barrier) / 2 : capacityOf(barrier);
      if (isPositive) shared.push(barrier);
      network.addPair(a, b, capacity, capacity);
      network.addPair(a + 1, b + 1, capacity, capacity);
      network.addPair(a, b + 1, isPositive ? 0 : UNCUTTABLE, 0);
      network.addPair(b, a + 1, isPositive ? 0 : UNCUTTABLE, 0);
    }
    for (let cell = 0; cell < cells.count; cell++) {
      network.addPair(2 * cell, 2 * cell + 1, UNCUTTABLE, cells.canBeBled[cell] ? 0 : UNCUTTABLE);
    }
    for (const { cell, barriers: ends } of spools) {
      const [a, b] = ends.map((barrier) => 2 * otherCell(cells, barrier, cell)) as [number, number];
      network.addPair(a, b + 1, bleedPriceOf(cell), 0);
      network.addPair(b, a + 1, bleedPriceOf(cell), 0);
    }
    this.network = network;
    const { starts, isGoal } = listEnds(cells.count, sides);
    this.starts = starts;
    this.isGoal = isGoal;
    this.total = this.pushShared(shared, capacityOf);
  }

  /** Pushes, then moves what one step of a positive barrier has to spare to the other, as long as more goes through. */
  private pushShared(shared: readonly number[], capacityOf: (barrier: number) => number): number {
    const { network } = this;
    const held = new Map(shared.map((barrier) => [barrier, capacityOf(barrier) / 2]));
    let total = network.push(this.starts, this.isGoal);
    for (let more = total; more > 0 && total !== Infinity; total += more) {
      for (const barrier of shared) {
        const [first, second] = [STRIDE * barrier, STRIDE * barrier + 1];
        const atFirst = held.get(barrier) as number;
        const atSecond = capacityOf(barrier) - atFirst;
        const spareFirst = atFirst - Math.abs(network.flowOf(first));
        const spareSecond = atSecond - Math.abs(network.flowOf(second));
        if (spareFirst > 0 === spareSecond > 0) continue;
        const moved = spareFirst > 0 ? spareFirst : -spareSecond;
        network.resize(first, -moved);
        network.resize(second, moved);
        held.set(barrier, atFirst - moved);
      }
      more = network.push(this.starts, this.isGoal);
    }
    return total;
  }

  /** The cells that are not beyond both cuts where they are least. */
  nearCells(): number[] {
    return [...this.network.reach(this.starts)].map((vertex) => vertex >> 1);
  }

  /** Flow of a barrier at its first step, its second, and both at once one way and the other. */
  flowOf(barrier: number, step: 0 | 1 | 2 | 3): number {
    return this.network.flowOf(STRIDE * barrier + step);
  }

  /** Flow by which a cell that is beyond the first barrier is beyond the second. */
  flowWithin(cell: number): number {
    return this.network.flowOf(STRIDE * this.cells.links.length + cell);
  }

  /** Flow that the bleed of a spool carries, from its first barrier on and from its second. */
  flowOfSpool(number: number): [number, number] {
    const pair = STRIDE * this.cells.links.length + this.cells.count + 2 * number;
    return [this.network.flowOf(pair), this.network.flowOf(pair + 1)];
  }

  /** Takes away room of a barrier that another cut has used. */
  occupy(barrier: number, amount: number): void {
    const left = this.network.occupy(STRIDE * barrier, amount);
    if (left !== 0) this.network.occupy(STRIDE * barrier + 1, left);
  }

  /**
   * How much more the cuts cost when a cell is not beyond the second barrier, and with `isWithin` not beyond the first
   * either; up to a little over `limit`.
   */
  leastWith(cell: number, isWithin: boolean, limit: number): number {
    const starts = isWithin ? [2 * cell, 2 * cell + 1] : [2 * cell + 1];
    return this.network.measure(starts, this.isGoal, limit);
  }
}
