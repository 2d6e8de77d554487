import { barriersOf, demandBit, otherCell, type Cells } from './cells';
import { FlowNetwork, UNCUTTABLE } from './max-flow';
import type { Standing } from './standings';

/**
 * A floor under the price of every plan, and what each choice adds to it. For every labelling of the cells by standings, the
 * price of its closed barriers equals `base` plus the sum of `barrierTerm` over barriers and `cellTerm` over cells, and no
 * term is negative. Terms far from the work can so be left out without overrating a plan.
 *
 * It comes from one largest flow a grade (positive, then double-bled, then single), each on the capacity that those before
 * it have left. Source: duality of flow and cut; sharing a price between several cuts is our own.
 */
export interface Floor {
  /** Infinity when a source is joined to the work by what never isolates at its grade. */
  readonly base: number;
  barrierTerm(barrier: number, a: Standing, b: Standing): number;
  cellTerm(cell: number, standing: Standing): number;
  /** What bleeds between two valves have added to the base, by barrier; see `Spool`. */
  readonly spoolsAt: ReadonlyMap<number, readonly SpoolEnd[]>;
}

/**
 * A cell between just two valves, with its own bleed. With one neighbour on the side of the work and the other past the bleed it
 * can only be a bled space by itself, so its bleed is opened: the flow may take that price as well. What it took is given
 * back at the neighbours: `inBleed` and `pastBleed` for their standings.
 */
export interface SpoolEnd {
  /** The cell between the valves. */
  readonly cell: number;
  readonly inBleed: number;
  readonly pastBleed: number;
}

/** What is given back at a neighbour of a spool that has a standing. */
export const giveBack = ({ inBleed, pastBleed }: SpoolEnd, neighbour: Standing): number =>
  (neighbour.bled > 0 ? inBleed : 0) + (neighbour.bled > 1 ? pastBleed : 0);

/** The least that can be given back at a neighbour that is not known yet, by the standing of the spool itself. */
export function leastGivenBack({ inBleed, pastBleed }: SpoolEnd, own: Standing): number {
  const past = inBleed + pastBleed;
  if (own.bled === 0) return Math.min(0, inBleed);
  return own.bled === 1 ? Math.min(0, inBleed, past) : Math.min(inBleed, past);
}

/** Cells between two valves that have a bleed of their own, with both barriers. */
function listSpools(
  cells: Cells,
  strengthOf: (barrier: number) => number,
): { cell: number; barriers: readonly [number, number] }[] {
  const spools: { cell: number; barriers: readonly [number, number] }[] = [];
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

const DOUBLE_BLED = demandBit('double-bled');
const POSITIVE = demandBit('positive');

interface Layer {
  readonly total: number;
  readonly network: FlowNetwork;
}

const zoneCells = (cells: Cells): number[] =>
  [...cells.isZone.keys()].filter((cell) => cells.isZone[cell]);

/** One cut between the work and the cells that demand one of `bits`, at the given capacity of each barrier. */
function flowOnce(cells: Cells, bits: number, capacityOf: (barrier: number) => number): Layer {
  const network = new FlowNetwork(cells.count, cells.links.length);
  for (let barrier = 0; barrier < cells.links.length; barrier++) {
    const capacity = capacityOf(barrier);
    network.addPair(
      cells.ends[2 * barrier] as number,
      cells.ends[2 * barrier + 1] as number,
      capacity,
      capacity,
    );
  }
  const isGoal = Uint8Array.from(cells.demanded, (demanded) => ((demanded & bits) !== 0 ? 1 : 0));
  return { network, total: network.push(zoneCells(cells), isGoal) };
}

/** Pairs of a barrier in the two-step network: first step, second step, and the two that forbid both steps at once. */
const STRIDE = 4;

/**
 * Two cuts one behind the other, as `double-bled` asks: vertex 2n stands for "cell n is beyond the first barrier", 2n + 1
 * for "beyond the second". A valve makes one step, a positive barrier may make both.
 */
function flowTwice(
  cells: Cells,
  strengthOf: (barrier: number) => number,
  capacityOf: (barrier: number) => number,
  spools: ReturnType<typeof listSpools>,
  bleedPriceOf: (cell: number) => number,
): Layer {
  const barriers = cells.links.length;
  const network = new FlowNetwork(
    2 * cells.count,
    STRIDE * barriers + cells.count + 2 * spools.length,
  );
  for (let barrier = 0; barrier < barriers; barrier++) {
    const a = 2 * (cells.ends[2 * barrier] as number);
    const b = 2 * (cells.ends[2 * barrier + 1] as number);
    const isPositive = strengthOf(barrier) === 2;
    const capacity = isPositive ? capacityOf(barrier) / 2 : capacityOf(barrier);
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
  const isGoal = new Uint8Array(2 * cells.count);
  cells.demanded.forEach((demanded, cell) => {
    if ((demanded & (DOUBLE_BLED | POSITIVE)) === 0) return;
    isGoal[2 * cell] = 1;
    isGoal[2 * cell + 1] = 1;
  });
  const starts = zoneCells(cells).flatMap((cell) => [2 * cell, 2 * cell + 1]);
  return { network, total: network.push(starts, isGoal) };
}

const isBeyond = (standing: Standing) => (standing.barriers > 0 ? 1 : 0);
const isInBleed = (standing: Standing) => (standing.bled > 0 ? 1 : 0);
const isPastBleed = (standing: Standing) => (standing.bled > 1 ? 1 : 0);

/** Computes the floor for the given prices and strengths of barriers. `standings` are those of the job. */
export function computeFloor(
  cells: Cells,
  standings: readonly Standing[],
  priceOf: (barrier: number) => number,
  strengthOf: (barrier: number) => number,
  bleedPriceOf: (cell: number) => number,
): Floor {
  const hasPositive = standings.some(({ blanked }) => blanked === 1);
  const hasBled = standings.some(({ bled }) => bled > 0);
  const positive = hasPositive
    ? flowOnce(cells, POSITIVE, (barrier) =>
        strengthOf(barrier) === 2 ? priceOf(barrier) : UNCUTTABLE,
      )
    : undefined;
  const positiveFlow = (barrier: number) => positive?.network.flowOf(barrier) ?? 0;
  const leftOf = (barrier: number) =>
    strengthOf(barrier) === 2
      ? priceOf(barrier) - Math.abs(positiveFlow(barrier))
      : priceOf(barrier);
  const isLost = positive?.total === Infinity;
  const spools = hasBled && !isLost ? listSpools(cells, strengthOf) : [];
  const twice =
    hasBled && !isLost ? flowTwice(cells, strengthOf, leftOf, spools, bleedPriceOf) : undefined;
  const flowAt = (barrier: number, pair: number) =>
    twice?.network.flowOf(STRIDE * barrier + pair) ?? 0;
  const single =
    isLost || twice?.total === Infinity
      ? undefined
      : flowOnce(cells, 0xff, (barrier) =>
          Math.max(
            0,
            leftOf(barrier) -
              Math.abs(flowAt(barrier, 0)) -
              (strengthOf(barrier) === 2 ? Math.abs(flowAt(barrier, 1)) : 0),
          ),
        );
  const spoolsAt = new Map<number, SpoolEnd[]>();
  spools.forEach(({ cell, barriers: [first, second] }, n) => {
    const pair = STRIDE * cells.links.length + cells.count + 2 * n;
    const [to, back] = [pair, pair + 1].map((one) => twice?.network.flowOf(one) ?? 0) as [
      number,
      number,
    ];
    if (to === 0 && back === 0) return;
    const put = (barrier: number, end: SpoolEnd) =>
      spoolsAt.set(barrier, [...(spoolsAt.get(barrier) ?? []), end]);
    put(first, { cell, inBleed: to, pastBleed: -back });
    put(second, { cell, inBleed: back, pastBleed: -to });
  });
  return {
    spoolsAt,
    base: single ? (positive?.total ?? 0) + (twice?.total ?? 0) + single.total : Infinity,
    barrierTerm(barrier, a, b) {
      const bled = isInBleed(b) - isInBleed(a);
      const past = isPastBleed(b) - isPastBleed(a);
      const crossing =
        (single?.network.flowOf(barrier) ?? 0) * (isBeyond(b) - isBeyond(a)) +
        flowAt(barrier, 0) * bled +
        flowAt(barrier, 1) * past +
        flowAt(barrier, 2) * (isPastBleed(b) - isInBleed(a)) +
        flowAt(barrier, 3) * (isPastBleed(a) - isInBleed(b)) +
        positiveFlow(barrier) * (b.blanked - a.blanked);
      return (a === b ? 0 : priceOf(barrier)) - crossing;
    },
    cellTerm(cell, standing) {
      const flow = twice?.network.flowOf(STRIDE * cells.links.length + cell) ?? 0;
      return flow * (isInBleed(standing) - isPastBleed(standing));
    },
  };
}
