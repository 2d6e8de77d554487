import { BARRIER, TIE, type Cells } from './cells';
import { listSpools, OneCut, ReachCut, readSides, TwoCuts } from './flows';
import { UNCUTTABLE } from './max-flow';
import type { Possible } from './possible';
import { BEYOND, type Standing } from './standings';

/**
 * A floor under the price of every plan. It comes from one largest flow a grade (positive, then double-bled, then what arrives at all),
 * each on the capacity that those before it have left. Source: duality of flow and cut; sharing a price between several cuts is our own.
 */
export interface Floor {
  /** Infinity when a source is joined to the work by what never isolates at its grade. */
  readonly base: number;
  /** What the flows carry over an edge whose ends stand so: never more than it costs to let them. */
  carried(edge: number, a: Standing, b: Standing): number;
  /** Cells that stand otherwise than last in some labelling at the floor. */
  nearCells(): ReadonlySet<number>;
  /** The barriers of the least cut of positive ones; none when none is asked for. */
  positiveCut(): readonly number[];
  /** How far above `base` every plan is in which a cell has a standing, at least; up to a little over `limit`. */
  leastAbove(cell: number, standing: Standing, limit: number): number;
}

const isInBleed = ({ itself }: Standing) => (itself.bled > 0 ? 1 : 0);
const isPastBleed = ({ itself }: Standing) => (itself.bled > 1 ? 1 : 0);

/** Whether what is itself in a cell, and what is driven there, is kept from the work (1) or arrives (0). */
const sidesOf = ({ near, driven }: Standing): readonly [number, number] => [
  near === BEYOND ? 1 : 0,
  driven.barriers > 0 ? 1 : 0,
];

/** How many measures are told apart for a cell. */
const MEASURES = 6;

/** Measures that have been taken: each stops a little over its limit, so it stands as long as none higher is asked for. */
class Measured {
  private readonly known = new Map<number, { readonly value: number; readonly limit: number }>();

  of(cell: number, what: number, limit: number, measure: () => number): number {
    const key = cell * MEASURES + what;
    const before = this.known.get(key);
    if (before && (before.value <= before.limit || before.value > limit)) return before.value;
    const value = measure();
    this.known.set(key, { value, limit });
    return value;
  }
}

/** What a floor is computed from. */
export interface FloorProblem {
  readonly cells: Cells;
  /** The standings of the job; `possible` has those that are open to each cell. */
  readonly standings: readonly Standing[];
  readonly possible: Possible;
  readonly priceOf: (edge: number) => number;
  readonly strengthOf: (edge: number) => number;
  readonly bleedPriceOf: (cell: number) => number;
  /** 1 for an edge whose price counts against what is driven; 0 where sources stand in its network. */
  readonly layerOf: (edge: number) => 0 | 1;
}

/** Computes the floor for the given prices and strengths of barriers. */
export function computeFloor(problem: FloorProblem): Floor {
  const { cells, standings, possible, priceOf, strengthOf, bleedPriceOf, layerOf } = problem;
  const hasPositive = standings.some(({ itself }) => itself.blanked === 1);
  const hasBled = standings.some(({ itself }) => itself.bled > 0);
  const beyond = (isBeyond: (standing: Standing) => boolean) =>
    readSides(standings, possible, isBeyond);
  const isPositive = (edge: number) => strengthOf(edge) === 2;
  const positive = hasPositive
    ? new OneCut(
        cells,
        beyond(({ itself }) => itself.blanked > 0),
        (edge) => (isPositive(edge) ? priceOf(edge) : UNCUTTABLE),
      )
    : undefined;
  const positiveFlow = (edge: number) => positive?.flowOf(edge) ?? 0;
  const leftOf = (edge: number) =>
    isPositive(edge) ? priceOf(edge) - Math.abs(positiveFlow(edge)) : priceOf(edge);
  const isLost = positive?.total === Infinity;
  const spools = hasBled && !isLost ? listSpools(cells, strengthOf) : [];
  const twice =
    hasBled && !isLost
      ? new TwoCuts(
          cells,
          [beyond(({ itself }) => itself.bled > 0), beyond(({ itself }) => itself.bled > 1)],
          strengthOf,
          leftOf,
          spools,
          bleedPriceOf,
        )
      : undefined;
  const flowAt = (edge: number, step: 0 | 1 | 2 | 3) => twice?.flowOf(edge, step) ?? 0;
  // What leaks or drives may be let down on the very side of the work: one valve then makes the second step and keeps it out as well.
  const isShared = standings.some(({ near, itself }) => near !== BEYOND && itself.bled > 0);
  const usedTwice = (edge: number) =>
    Math.abs(flowAt(edge, 0)) + (isShared || isPositive(edge) ? Math.abs(flowAt(edge, 1)) : 0);
  const reach =
    isLost || twice?.total === Infinity
      ? undefined
      : new ReachCut(
          cells,
          [
            beyond((standing) => sidesOf(standing)[0] === 1),
            beyond((standing) => sidesOf(standing)[1] === 1),
          ],
          layerOf,
          (edge) => Math.max(0, leftOf(edge) - usedTwice(edge)),
        );
  // What one cut has used of a barrier is no longer there for the others.
  for (let edge = 0; reach && edge < cells.links.length; edge++) {
    if (cells.kind[edge] !== BARRIER) continue;
    const used = reach.flowOf(edge);
    if (used !== 0) twice?.occupy(edge, used, isShared);
    if (!positive || !isPositive(edge)) continue;
    for (const amount of [used, flowAt(edge, 0), flowAt(edge, 1)]) {
      if (amount !== 0) positive.occupy(edge, amount);
    }
  }
  /** The cut that parts what lies in a body without source from every source, on what no other cut has used of the prices. */
  let known: OneCut | undefined;
  const apart = (): OneCut => {
    known ??= new OneCut(
      cells,
      beyond(({ isDead }) => !isDead),
      (edge) =>
        Math.max(
          0,
          priceOf(edge) -
            Math.abs(positiveFlow(edge)) -
            Math.abs(flowAt(edge, 0)) -
            Math.abs(flowAt(edge, 1)) -
            Math.abs(reach?.flowOf(edge) ?? 0),
        ),
      false,
    );
    return known;
  };
  const measured = new Measured();
  return {
    base: reach ? (positive?.total ?? 0) + (twice?.total ?? 0) + reach.total : Infinity,
    carried(edge, a, b) {
      const arriving = reach?.crossing(edge, sidesOf(a), sidesOf(b)) ?? 0;
      if (cells.kind[edge] === TIE) return arriving;
      return (
        arriving +
        flowAt(edge, 0) * (isInBleed(b) - isInBleed(a)) +
        flowAt(edge, 1) * (isPastBleed(b) - isPastBleed(a)) +
        flowAt(edge, 2) * (isPastBleed(b) - isInBleed(a)) +
        flowAt(edge, 3) * (isPastBleed(a) - isInBleed(b)) +
        positiveFlow(edge) * (b.itself.blanked - a.itself.blanked)
      );
    },
    nearCells: () =>
      new Set([reach, twice, positive].flatMap((cut) => (cut ? [...cut.nearCells()] : []))),
    positiveCut() {
      const near = new Set(positive?.nearCells() ?? []);
      return [...cells.links.keys()].filter(
        (edge) =>
          cells.kind[edge] === BARRIER &&
          near.has(cells.ends[2 * edge] as number) !== near.has(cells.ends[2 * edge + 1] as number),
      );
    },
    leastAbove(cell, standing, limit) {
      const [itself, driven] = sidesOf(standing);
      let least = 0;
      const look = (what: number, measure: () => number) => {
        if (least <= limit) least = Math.max(least, measured.of(cell, what, limit, measure));
      };
      if (reach && (itself === 0 || driven === 0)) {
        look(driven, () => reach.leastWith(cell, driven === 0, limit));
      }
      if (standing.isDead && itself === 1) look(2, () => apart().leastWith(cell, limit));
      if (twice && standing.itself.bled < 2) {
        const isWithin = standing.itself.bled === 0;
        look(isWithin ? 3 : 4, () => twice.leastWith(cell, isWithin, limit));
      }
      if (positive && standing.itself.blanked === 0) {
        look(5, () => positive.leastWith(cell, limit));
      }
      return least;
    },
  };
}
