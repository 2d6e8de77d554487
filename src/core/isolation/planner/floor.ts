import { BARRIER, TIE, type Cells } from './cells';
import { listSpools, OneCut, ReachCut, readSides, TwoCuts } from './flows';
import { UNCUTTABLE } from './max-flow';
import type { Possible } from './possible';
import { BEYOND, type Standing } from './standings';

/**
 * A floor under the price of every plan, and what each choice adds to it. For every labelling of the cells by standings, the
 * price of its closed barriers equals `base` plus the sum of `edgeTerm` over edges and `cellTerm` over cells, and no
 * term is negative. Terms far from the work can so be left out without overrating a plan.
 *
 * It comes from one largest flow a grade (positive, then double-bled, then what arrives at all), each on the capacity that those
 * before it have left. Source: duality of flow and cut; sharing a price between several cuts is our own.
 */
export interface Floor {
  /** Infinity when a source is joined to the work by what never isolates at its grade. */
  readonly base: number;
  edgeTerm(edge: number, a: Standing, b: Standing, isClosed: boolean): number;
  cellTerm(cell: number, standing: Standing): number;
  /** Cells that stand otherwise than last in some labelling at the floor. */
  nearCells(): ReadonlySet<number>;
  /** The barriers of the least cut of positive ones; none when none is asked for. */
  positiveCut(): readonly number[];
  /** How far above `base` every plan is in which a cell has a standing, at least; up to a little over `limit`. */
  leastAbove(cell: number, standing: Standing, limit: number): number;
  /** What bleeds between two valves have added to the base, by edge; see `Spool`. */
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
export const giveBack = (
  { inBleed, pastBleed }: SpoolEnd,
  { itself: { bled } }: Standing,
): number => (bled > 0 ? inBleed : 0) + (bled > 1 ? pastBleed : 0);

/** The least that can be given back at a neighbour that is not known yet, by the standing of the spool itself. */
export function leastGivenBack(
  { inBleed, pastBleed }: SpoolEnd,
  { itself: { bled } }: Standing,
): number {
  const past = inBleed + pastBleed;
  if (bled === 0) return Math.min(0, inBleed);
  return bled === 1 ? Math.min(0, inBleed, past) : Math.min(inBleed, past);
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
  const spoolsAt = new Map<number, SpoolEnd[]>();
  spools.forEach(({ cell, edges: [first, second] }, n) => {
    const [to, back] = twice?.flowOfSpool(n) ?? [0, 0];
    if (to === 0 && back === 0) return;
    const put = (edge: number, end: SpoolEnd) =>
      spoolsAt.set(edge, [...(spoolsAt.get(edge) ?? []), end]);
    put(first, { cell, inBleed: to, pastBleed: -back });
    put(second, { cell, inBleed: back, pastBleed: -to });
  });
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
    spoolsAt,
    base: reach ? (positive?.total ?? 0) + (twice?.total ?? 0) + reach.total : Infinity,
    edgeTerm(edge, a, b, isClosed) {
      const arriving = reach?.crossing(edge, sidesOf(a), sidesOf(b)) ?? 0;
      if (cells.kind[edge] === TIE) return -arriving;
      const bled = isInBleed(b) - isInBleed(a);
      const past = isPastBleed(b) - isPastBleed(a);
      const crossing =
        arriving +
        flowAt(edge, 0) * bled +
        flowAt(edge, 1) * past +
        flowAt(edge, 2) * (isPastBleed(b) - isInBleed(a)) +
        flowAt(edge, 3) * (isPastBleed(a) - isInBleed(b)) +
        positiveFlow(edge) * (b.itself.blanked - a.itself.blanked);
      return (isClosed ? priceOf(edge) : 0) - crossing;
    },
    cellTerm(cell, standing) {
      const twiceTerm =
        (twice?.flowWithin(cell) ?? 0) * (isInBleed(standing) - isPastBleed(standing));
      return twiceTerm - (reach?.within(cell, sidesOf(standing)) ?? 0);
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
