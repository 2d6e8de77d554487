import { wantsBleed } from './choices';
import { bodiesAfter, Frontier, supplyAfter, type State } from './sweep-states';
import { EQUAL, layOut, NOTHING, type Step, type SweepProblem } from './sweep-steps';
import type { Standing } from './standings';

/** What one sweep found: standings by cell, what is opened and restrained, and its figures. */
export interface Swept {
  readonly price: number;
  readonly lost: number;
  readonly standingOf: ReadonlyMap<number, number>;
  readonly open: readonly number[];
  readonly restrain: readonly number[];
}

export interface SweepResult {
  /** The best plan of the region, when one is within the ceiling. */
  readonly best: Swept | undefined;
  /** The least figures of what was left aside for want of room or time. */
  readonly dropped: { readonly price: number; readonly lost: number } | undefined;
}

/** Whether figures at least so high can no longer lead to anything better than the ceiling. */
function isTooDear({ ceiling, lostFirst, supply }: SweepProblem, price: number, lost: number) {
  const dearer = price > ceiling.price + EQUAL;
  if (!ceiling.isAttained) return dearer || lost > ceiling.lost + EQUAL;
  const asDear = price >= ceiling.price - EQUAL;
  if (lostFirst) return lost > ceiling.lost + EQUAL || (lost >= ceiling.lost - EQUAL && asDear);
  return dearer || (asDear && (!supply || lost >= ceiling.lost - EQUAL));
}

/** What bodies that are not let down yet will add at least: one bleed for those of the work, one for bled spaces. */
function priceOfWanted(
  { leastBleed }: SweepProblem,
  { standing, body, flags }: Pick<State, 'standing' | 'body' | 'flags'>,
): number {
  let work = 0;
  let bled = 0;
  for (let slot = 0; slot < body.length; slot++) {
    const own = body[slot] as number;
    if (own < 0) continue;
    const isWork = standing[slot] === 0;
    if (!wantsBleed(flags[own] as number, isWork)) continue;
    if (isWork) work = leastBleed;
    else bled = leastBleed;
  }
  return work + bled;
}

/** Adds to the frontier every way in which a state goes on at a step. */
function extend(
  problem: SweepProblem,
  state: State,
  step: Step,
  isBody: readonly boolean[],
  frontier: Frontier,
): void {
  const count = problem.standings.length;
  const standingAt = (slot: number) => (slot < 0 ? count - 1 : (state.standing[slot] as number));
  for (const { as, choices } of step.ways) {
    let price =
      state.price +
      problem.floor.cellTerm(step.cell, problem.standings[as] as Standing) +
      (step.pending[as] as number);
    for (const join of step.joins) {
      price += join.terms[standingAt(join.slot) * count + as] as number;
    }
    if (price === Infinity || isTooDear(problem, price, state.lost)) continue;
    // Worked out only when something at this standing is still worth it: most states are dropped for their price alone.
    let after: ReturnType<typeof supplyAfter> | undefined;
    for (const choice of choices) {
      const total = price + choice.price;
      if (isTooDear(problem, total, state.lost)) continue;
      const bodies = bodiesAfter(state, step, as, choice.flags, isBody);
      if (!bodies) continue;
      const least = total + priceOfWanted(problem, bodies);
      if (isTooDear(problem, least, state.lost)) continue;
      const edge = frontier.edgeOf(bodies);
      if (frontier.hasCheaper(edge, total)) continue;
      after ??= supplyAfter(
        state.supplied,
        step,
        isBody[as] === true,
        (join) => standingAt(join.slot) === as,
      );
      const lost = state.lost + after.lost;
      if (isTooDear(problem, least, lost)) continue;
      frontier.add(edge, {
        price: total,
        least,
        lost,
        ...bodies,
        supplied: after.supplied,
        before: state,
        at: step.cell,
        as,
        choice,
      });
    }
  }
}

function readBack(end: State): Swept {
  const standingOf = new Map<number, number>();
  const open = new Set<number>();
  const restrain = new Set<number>();
  for (let state = end; state.before; state = state.before) {
    standingOf.set(state.at, state.as);
    state.choice.open.forEach((outlet) => open.add(outlet));
    state.choice.restrain.forEach((store) => restrain.add(store));
  }
  const ascending = (all: Set<number>) => [...all].sort((a, b) => a - b);
  return {
    price: end.price,
    lost: end.lost,
    standingOf,
    open: ascending(open),
    restrain: ascending(restrain),
  };
}

/** After so many parts of plans it is asked whether time is over. */
const ASKED_EACH = 64;

/**
 * Finds the best plan of a region by sweeping it cell by cell. Of the parts of plans that look alike from what is still to
 * come only the best is kept, so that branches that do not meet cost their sum and not their product. What lies outside
 * the region stands last.
 */
export function sweepRegion(problem: SweepProblem): SweepResult {
  const isBody = problem.standings.map((standing, n) => n === 0 || standing.bled === 1);
  const start: State = {
    price: problem.floor.base,
    least: problem.floor.base,
    lost: problem.certainLoss,
    standing: [],
    body: [],
    flags: [],
    supplied: { group: [], fed: [], loss: [] },
    before: undefined,
    at: -1,
    as: -1,
    choice: NOTHING,
  };
  let states: State[] = [start];
  let dropped: { price: number; lost: number } | undefined;
  const drop = (some: readonly State[]) => {
    for (const { least, lost } of some) {
      dropped = {
        price: Math.min(least, dropped?.price ?? Infinity),
        lost: Math.min(lost, dropped?.lost ?? Infinity),
      };
    }
  };
  const byFigure = (a: State, b: State) =>
    problem.lostFirst ? a.lost - b.lost || a.least - b.least : a.least - b.least || a.lost - b.lost;
  for (const step of layOut(problem)) {
    const frontier = new Frontier(problem.lostFirst);
    let done = 0;
    for (const state of states) {
      if (done % ASKED_EACH === 0 && problem.isOver()) break;
      extend(problem, state, step, isBody, frontier);
      done++;
    }
    drop(states.slice(done));
    states = [...frontier.states()];
    if (states.length > problem.mostStates || problem.isOver()) {
      states.sort(byFigure);
      drop(states.splice(problem.mostStates));
    }
  }
  const winner = states.reduce<State | undefined>((least, one) => {
    if (!least) return one;
    const [first, then] = problem.lostFirst
      ? [one.lost - least.lost, one.price - least.price]
      : [one.price - least.price, one.lost - least.lost];
    return first < -EQUAL || (first <= EQUAL && then < -EQUAL) ? one : least;
  }, undefined);
  return { best: winner && readBack(winner), dropped };
}
