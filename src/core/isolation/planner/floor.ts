import type { Cells } from './cells';
import { listSpools, OneCut, readSides, TwoCuts } from './flows';
import { UNCUTTABLE } from './max-flow';
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
  /** Cells that stand otherwise than last in some labelling at the floor. */
  nearCells(): ReadonlySet<number>;
  /** The barriers of the least cut of positive ones; none when none is asked for. */
  positiveCut(): readonly number[];
  /** How far above `base` every plan is in which a cell has a standing, at least; up to a little over `limit`. */
  leastAbove(cell: number, standing: Standing, limit: number): number;
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

const isBeyond = (standing: Standing) => (standing.barriers > 0 ? 1 : 0);
const isInBleed = (standing: Standing) => (standing.bled > 0 ? 1 : 0);
const isPastBleed = (standing: Standing) => (standing.bled > 1 ? 1 : 0);

/**
 * Computes the floor for the given prices and strengths of barriers. `standings` are those of the job, `possible` has a bit
 * for each of them that is open to a cell.
 */
export function computeFloor(
  cells: Cells,
  standings: readonly Standing[],
  possible: Uint16Array,
  priceOf: (barrier: number) => number,
  strengthOf: (barrier: number) => number,
  bleedPriceOf: (cell: number) => number,
): Floor {
  const hasPositive = standings.some(({ blanked }) => blanked === 1);
  const hasBled = standings.some(({ bled }) => bled > 0);
  const beyond = (isBeyond: (standing: Standing) => boolean) =>
    readSides(standings, possible, isBeyond);
  const isPositive = (barrier: number) => strengthOf(barrier) === 2;
  const positive = hasPositive
    ? new OneCut(
        cells,
        beyond(({ blanked }) => blanked > 0),
        (barrier) => (isPositive(barrier) ? priceOf(barrier) : UNCUTTABLE),
      )
    : undefined;
  const positiveFlow = (barrier: number) => positive?.flowOf(barrier) ?? 0;
  const leftOf = (barrier: number) =>
    isPositive(barrier) ? priceOf(barrier) - Math.abs(positiveFlow(barrier)) : priceOf(barrier);
  const isLost = positive?.total === Infinity;
  const spools = hasBled && !isLost ? listSpools(cells, strengthOf) : [];
  const twice =
    hasBled && !isLost
      ? new TwoCuts(
          cells,
          [beyond(({ bled }) => bled > 0), beyond(({ bled }) => bled > 1)],
          strengthOf,
          leftOf,
          spools,
          bleedPriceOf,
        )
      : undefined;
  const flowAt = (barrier: number, step: 0 | 1 | 2 | 3) => twice?.flowOf(barrier, step) ?? 0;
  const usedTwice = (barrier: number) =>
    Math.abs(flowAt(barrier, 0)) + (isPositive(barrier) ? Math.abs(flowAt(barrier, 1)) : 0);
  const single =
    isLost || twice?.total === Infinity
      ? undefined
      : new OneCut(
          cells,
          beyond(({ barriers }) => barriers > 0),
          (barrier) => Math.max(0, leftOf(barrier) - usedTwice(barrier)),
        );
  const spoolsAt = new Map<number, SpoolEnd[]>();
  spools.forEach(({ cell, barriers: [first, second] }, n) => {
    const [to, back] = twice?.flowOfSpool(n) ?? [0, 0];
    if (to === 0 && back === 0) return;
    const put = (barrier: number, end: SpoolEnd) =>
      spoolsAt.set(barrier, [...(spoolsAt.get(barrier) ?? []), end]);
    put(first, { cell, inBleed: to, pastBleed: -back });
    put(second, { cell, inBleed: back, pastBleed: -to });
  });
  // What one cut has used of a barrier is no longer there for the others.
  for (let barrier = 0; single && barrier < cells.links.length; barrier++) {
    const used = single.flowOf(barrier);
    if (used !== 0) twice?.occupy(barrier, used);
    if (!positive || !isPositive(barrier)) continue;
    for (const amount of [used, flowAt(barrier, 0), flowAt(barrier, 1)]) {
      if (amount !== 0) positive.occupy(barrier, amount);
    }
  }
  return {
    spoolsAt,
    base: single ? (positive?.total ?? 0) + (twice?.total ?? 0) + single.total : Infinity,
    barrierTerm(barrier, a, b) {
      const bled = isInBleed(b) - isInBleed(a);
      const past = isPastBleed(b) - isPastBleed(a);
      const crossing =
        (single?.flowOf(barrier) ?? 0) * (isBeyond(b) - isBeyond(a)) +
        flowAt(barrier, 0) * bled +
        flowAt(barrier, 1) * past +
        flowAt(barrier, 2) * (isPastBleed(b) - isInBleed(a)) +
        flowAt(barrier, 3) * (isPastBleed(a) - isInBleed(b)) +
        positiveFlow(barrier) * (b.blanked - a.blanked);
      return (a === b ? 0 : priceOf(barrier)) - crossing;
    },
    cellTerm(cell, standing) {
      return (twice?.flowWithin(cell) ?? 0) * (isInBleed(standing) - isPastBleed(standing));
    },
    nearCells: () =>
      new Set([single, twice, positive].flatMap((cut) => (cut ? [...cut.nearCells()] : []))),
    positiveCut() {
      const near = new Set(positive?.nearCells() ?? []);
      return [...cells.links.keys()].filter(
        (barrier) =>
          near.has(cells.ends[2 * barrier] as number) !==
          near.has(cells.ends[2 * barrier + 1] as number),
      );
    },
    leastAbove(cell, standing, limit) {
      let least = 0;
      if (single && standing.barriers === 0) least = single.leastWith(cell, limit);
      if (twice && standing.bled < 2 && least <= limit) {
        least = Math.max(least, twice.leastWith(cell, standing.bled === 0, limit));
      }
      if (positive && standing.blanked === 0 && least <= limit) {
        least = Math.max(least, positive.leastWith(cell, limit));
      }
      return least;
    },
  };
}
