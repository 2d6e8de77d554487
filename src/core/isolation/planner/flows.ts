import { BARRIER, edgesOf, LOOSE, otherCell, TIE, type Cells } from './cells';
import { JoinedSets } from './joined-sets';
import { FlowNetwork, UNCUTTABLE } from './max-flow';
import type { Possible } from './possible';
import type { Standing } from './standings';

/** Tells by the standings open to a cell whether it is sure to be on the work's side of a cut (0), or beyond it (1). */
export type SideOf = (cell: number) => 0 | 1 | undefined;

/** Reads the side of a cut off the standings that are open to each cell. */
export function readSides(
  standings: readonly Standing[],
  possible: Possible,
  isBeyond: (standing: Standing) => boolean,
): SideOf {
  const beyond = standings.map(isBeyond);
  return (cell) => {
    if (possible.every(cell, (n) => beyond[n] === true)) return 1;
    return possible.every(cell, (n) => beyond[n] === false) ? 0 : undefined;
  };
}

/** A cell between just two valves that has a bleed of its own. */
export interface Spool {
  readonly cell: number;
  readonly edges: readonly [number, number];
}

/** Lists the cells between two valves that have a bleed of their own. */
export function listSpools(cells: Cells, strengthOf: (edge: number) => number): Spool[] {
  const spools: Spool[] = [];
  for (const cell of cells.safeOutlets.keys()) {
    const [first, second, third] = edgesOf(cells, cell);
    if (first === undefined || second === undefined || third !== undefined) continue;
    if (cells.isZone[cell] || cells.hasSource[cell] || cells.leaks[cell] || cells.endsIn[cell])
      continue;
    if (cells.kind[first] !== BARRIER || cells.kind[second] !== BARRIER) continue;
    if (strengthOf(first) !== 1 || strengthOf(second) !== 1) continue;
    if (otherCell(cells, first, cell) === otherCell(cells, second, cell)) continue;
    spools.push({ cell, edges: [first, second] });
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

  /** Without `isPushed` nothing flows at first: it is only measured. */
  constructor(cells: Cells, sideOf: SideOf, capacityOf: (edge: number) => number, isPushed = true) {
    this.network = new FlowNetwork(cells.count, cells.links.length);
    for (let edge = 0; edge < cells.links.length; edge++) {
      const kind = cells.kind[edge];
      const capacity = kind === BARRIER ? capacityOf(edge) : kind === LOOSE ? UNCUTTABLE : 0;
      const [a, b] = [cells.ends[2 * edge] as number, cells.ends[2 * edge + 1] as number];
      this.network.addPair(a, b, capacity, capacity);
    }
    const { starts, isGoal } = listEnds(cells.count, [sideOf]);
    this.starts = starts;
    this.isGoal = isGoal;
    this.total = isPushed ? this.network.push(starts, isGoal) : 0;
  }

  /** The cells on the work's side of the least cut. */
  nearCells(): Iterable<number> {
    return this.network.reach(this.starts);
  }

  /** Flow through an edge from its first cell to its second. */
  flowOf(edge: number): number {
    return this.network.flowOf(edge);
  }

  /** Takes away room that another cut has used. */
  occupy(edge: number, amount: number): void {
    this.network.occupy(edge, amount);
  }

  /** How much more the cut costs when a cell lies on the side of the work; up to a little over `limit`. */
  leastWith(cell: number, limit: number): number {
    return this.network.measure([cell], this.isGoal, limit);
  }
}

/** Pairs of an edge in the network of what arrives at all: what is itself, what is driven, and a converter backwards. */
const REACH_STRIDE = 3;

/**
 * The cut between the work and every source, in whatever mode: vertex 2n stands for "what is itself in cell n arrives", 2n + 1 for "what is
 * driven there arrives". A price counts once: for what is itself where sources stand in the network, else for what is driven.
 */
export class ReachCut {
  readonly total: number;
  private readonly network: FlowNetwork;
  private readonly starts: readonly number[];
  private readonly isGoal: Uint8Array;

  constructor(
    private readonly cells: Cells,
    sides: readonly [SideOf, SideOf],
    private readonly layerOf: (edge: number) => 0 | 1,
    capacityOf: (edge: number) => number,
  ) {
    const network = new FlowNetwork(
      2 * cells.count,
      REACH_STRIDE * cells.links.length + cells.count,
    );
    for (let edge = 0; edge < cells.links.length; edge++) {
      const a = 2 * (cells.ends[2 * edge] as number);
      const b = 2 * (cells.ends[2 * edge + 1] as number);
      const kind = cells.kind[edge];
      if (kind === TIE) {
        // What drives is no further off than what it makes.
        network.addPair(b + 1, a, UNCUTTABLE, 0);
        network.addPair(b + 1, a + 1, UNCUTTABLE, 0);
        network.addPair(a + 1, b, cells.backs[edge] ? UNCUTTABLE : 0, 0);
        continue;
      }
      for (const layer of [0, 1] as const) {
        const counts = kind === BARRIER && layer === layerOf(edge);
        const capacity = kind === LOOSE ? UNCUTTABLE : counts ? capacityOf(edge) : 0;
        network.addPair(a + layer, b + layer, capacity, capacity);
      }
      network.addPair(a, b, 0, 0);
    }
    for (let cell = 0; cell < cells.count; cell++) {
      network.addPair(2 * cell + 1, 2 * cell, UNCUTTABLE, 0);
    }
    this.network = network;
    const { starts, isGoal } = listEnds(cells.count, sides);
    this.starts = starts;
    this.isGoal = isGoal;
    this.total = network.push(starts, isGoal);
  }

  nearCells(): number[] {
    return [...this.network.reach(this.starts)].map((vertex) => vertex >> 1);
  }

  /** Flow of a barrier where its price counts. */
  flowOf(edge: number): number {
    return this.network.flowOf(REACH_STRIDE * edge + this.layerOf(edge));
  }

  /**
   * What flows over an edge gives, by whether what is itself (0) and what is driven (1) arrive at its two ends: the flow times the
   * difference of the sides, all pairs together.
   */
  crossing(edge: number, a: readonly [number, number], b: readonly [number, number]): number {
    const flow = (n: number) => this.network.flowOf(REACH_STRIDE * edge + n);
    if (this.cells.kind[edge] === TIE) {
      return flow(0) * (a[0] - b[1]) + flow(1) * (a[1] - b[1]) + flow(2) * (b[0] - a[1]);
    }
    return flow(0) * (b[0] - a[0]) + flow(1) * (b[1] - a[1]);
  }

  occupy(edge: number, amount: number): void {
    this.network.occupy(REACH_STRIDE * edge + this.layerOf(edge), amount);
  }

  /** How much more the cut costs when what is itself in a cell arrives, and with `isDriven` what is driven there too. */
  leastWith(cell: number, isDriven: boolean, limit: number): number {
    const starts = isDriven ? [2 * cell, 2 * cell + 1] : [2 * cell];
    return this.network.measure(starts, this.isGoal, limit);
  }
}

/** Which cells may lie in a body without source: none stands in what can never be closed off from them. */
function findDeadable(cells: Cells): (cell: number) => boolean {
  const sets = new JoinedSets(cells.count);
  for (let edge = 0; edge < cells.links.length; edge++) {
    if (cells.kind[edge] !== LOOSE) continue;
    sets.join(cells.ends[2 * edge] as number, cells.ends[2 * edge + 1] as number);
  }
  const live = new Set<number>();
  for (let cell = 0; cell < cells.count; cell++)
    if (cells.hasSource[cell]) live.add(sets.find(cell));
  return (cell) => !live.has(sets.find(cell));
}

/** Pairs of a barrier in the network of two cuts: first step, second step, and the two that forbid both steps at once. */
const STRIDE = 4;

/**
 * Two cuts one behind the other, as `double-bled` asks: vertex 2n stands for "cell n is beyond the first barrier", 2n + 1
 * for "beyond the second". A valve makes one step, a positive barrier may make both and shares its price between them. A way that is
 * not surely open makes a step for nothing: a bled part may end there.
 */
export class TwoCuts {
  readonly total: number;
  private readonly network: FlowNetwork;
  private readonly isGoal: Uint8Array;
  private readonly starts: readonly number[];

  constructor(
    private readonly cells: Cells,
    sides: readonly [SideOf, SideOf],
    strengthOf: (edge: number) => number,
    capacityOf: (edge: number) => number,
    spools: readonly Spool[],
    bleedPriceOf: (cell: number) => number,
  ) {
    const edges = cells.links.length;
    const pairs = STRIDE * edges + cells.count + 2 * spools.length;
    const network = new FlowNetwork(2 * cells.count, pairs);
    const shared: number[] = [];
    const canBeDead = findDeadable(cells);
    for (let edge = 0; edge < edges; edge++) {
      const a = 2 * (cells.ends[2 * edge] as number);
      const b = 2 * (cells.ends[2 * edge + 1] as number);
      const isBarrier = cells.kind[edge] === BARRIER;
      // A step for nothing needs a body without source on both sides.
      const isFree = cells.isSure[edge] === 0 && canBeDead(a >> 1) && canBeDead(b >> 1);
      const isSure = isBarrier && !isFree;
      const isPositive = isBarrier && strengthOf(edge) === 2;
      const own = isPositive ? capacityOf(edge) / 2 : capacityOf(edge);
      const capacity = isSure ? own : cells.kind[edge] === LOOSE && !isFree ? UNCUTTABLE : 0;
      const both = cells.kind[edge] === TIE || isPositive ? 0 : UNCUTTABLE;
      if (isSure && isPositive) shared.push(edge);
      network.addPair(a, b, capacity, capacity);
      network.addPair(a + 1, b + 1, capacity, capacity);
      network.addPair(a, b + 1, both, 0);
      network.addPair(b, a + 1, both, 0);
    }
    for (let cell = 0; cell < cells.count; cell++) {
      network.addPair(2 * cell, 2 * cell + 1, UNCUTTABLE, cells.canBeBled[cell] ? 0 : UNCUTTABLE);
    }
    for (const { cell, edges: at } of spools) {
      const [a, b] = at.map((edge) => 2 * otherCell(cells, edge, cell)) as [number, number];
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
  private pushShared(shared: readonly number[], capacityOf: (edge: number) => number): number {
    const { network } = this;
    const held = new Map(shared.map((edge) => [edge, capacityOf(edge) / 2]));
    let total = network.push(this.starts, this.isGoal);
    for (let more = total; more > 0 && total !== Infinity; total += more) {
      for (const edge of shared) {
        const [first, second] = [STRIDE * edge, STRIDE * edge + 1];
        const atFirst = held.get(edge) as number;
        const atSecond = capacityOf(edge) - atFirst;
        const spareFirst = atFirst - Math.abs(network.flowOf(first));
        const spareSecond = atSecond - Math.abs(network.flowOf(second));
        if (spareFirst > 0 === spareSecond > 0) continue;
        const moved = spareFirst > 0 ? spareFirst : -spareSecond;
        network.resize(first, -moved);
        network.resize(second, moved);
        held.set(edge, atFirst - moved);
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
  flowOf(edge: number, step: 0 | 1 | 2 | 3): number {
    return this.network.flowOf(STRIDE * edge + step);
  }

  /** Takes away room of a barrier that another cut has used: of the first step before the second, or of `both` alike. */
  occupy(edge: number, amount: number, both: boolean): void {
    const left = this.network.occupy(STRIDE * edge, amount);
    const rest = both ? amount : left;
    if (rest !== 0) this.network.occupy(STRIDE * edge + 1, rest);
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
