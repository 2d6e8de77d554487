import { GOES_ON } from './choices';
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
  /** Cells at the rim from which the plan goes on outside. */
  readonly leaning: readonly number[];
}

export interface SweepResult {
  /** The best plan that ends within the region. */
  readonly inside: Swept | undefined;
  /** The best that goes on outside: no plan that does is cheaper than this. */
  readonly leaning: Swept | undefined;
  /** The least figures of what was left aside for want of room or time. */
  readonly dropped: { readonly price: number; readonly lost: number } | undefined;
}

/** Whether figures at least so high can no longer lead to anything better than the ceiling. */
function isTooDear(problem: SweepProblem, price: number, soFar: number): boolean {
  const { ceiling, lostFirst, supply } = problem;
  const lost = Math.max(soFar, problem.certainLoss);
  const dearer = price > ceiling.price + EQUAL;
  if (!ceiling.isAttained) return dearer;
  const asDear = price >= ceiling.price - EQUAL;
  if (lostFirst) return lost > ceiling.lost + EQUAL || (lost >= ceiling.lost - EQUAL && asDear);
  return dearer || (asDear && (!supply || lost >= ceiling.lost - EQUAL));
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
  for (const { as, choices } of step.ways) {
    let price =
      state.price +
      problem.floor.cellTerm(step.cell, problem.standings[as] as Standing) +
      (step.pending[as] as number);
    for (const join of step.joins) {
      price += join.terms[(state.standing[join.slot] as number) * count + as] as number;
    }
    if (price === Infinity || isTooDear(problem, price, state.lost)) continue;
    const leans = step.isRim && as !== count - 1;
    if (leans && !problem.mayLean) continue;
    // Worked out only when something at this standing is still worth it: most states are dropped for their price alone.
    let after: ReturnType<typeof supplyAfter> | undefined;
    for (const choice of choices) {
      const total = price + choice.price;
      if (isTooDear(problem, total, state.lost)) continue;
      const flags = choice.flags | (leans ? GOES_ON : 0);
      const bodies = bodiesAfter(state, step, as, flags, isBody);
      if (!bodies) continue;
      const edge = frontier.edgeOf(state.leans || leans, bodies);
      if (frontier.hasCheaper(edge, total)) continue;
      after ??= supplyAfter(
        state.supplied,
        step,
        isBody[as] === true,
        (join) => state.standing[join.slot] === as,
      );
      const lost = state.lost + after.lost;
      if (isTooDear(problem, total, lost)) continue;
      frontier.add(edge, {
        price: total,
        lost,
        leans: state.leans || leans,
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

function readBack(problem: SweepProblem, end: State): Swept {
  const standingOf = new Map<number, number>();
  const open = new Set<number>();
  const restrain = new Set<number>();
  const leaning: number[] = [];
  const last = problem.standings.length - 1;
  for (let state = end; state.before; state = state.before) {
    standingOf.set(state.at, state.as);
    state.choice.open.forEach((outlet) => open.add(outlet));
    state.choice.restrain.forEach((store) => restrain.add(store));
    if (problem.region.isRim[state.at] && state.as !== last) leaning.push(state.at);
  }
  const ascending = (all: Set<number>) => [...all].sort((a, b) => a - b);
  return {
    price: end.price,
    lost: Math.max(end.lost, problem.certainLoss),
    standingOf,
    open: ascending(open),
    restrain: ascending(restrain),
    leaning,
  };
}

/** However late it is, so many parts of plans are still followed, the best first. */
const FEWEST_STATES = 64;

/**
 * Finds the best plan of a region by sweeping it cell by cell. Of the parts of plans that look alike from what is still to
 * come only the best is kept, so that branches that do not meet cost their sum and not their product. What lies outside
 * the region counts as costing no more than the floor says; a plan that goes on there is told apart.
 */
export function sweepRegion(problem: SweepProblem): SweepResult {
  const isBody = problem.standings.map((standing, n) => n === 0 || standing.bled === 1);
  const start: State = {
    price: problem.floor.base,
    lost: 0,
    leans: false,
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
    for (const { price, lost } of some) {
      dropped = {
        price: Math.min(price, dropped?.price ?? Infinity),
        lost: Math.min(Math.max(lost, problem.certainLoss), dropped?.lost ?? Infinity),
      };
    }
  };
  const byFigure = (a: State, b: State) =>
    problem.lostFirst ? a.lost - b.lost || a.price - b.price : a.price - b.price || a.lost - b.lost;
  for (const step of layOut(problem)) {
    const frontier = new Frontier(problem.lostFirst);
    let done = 0;
    for (const state of states) {
      if (done >= FEWEST_STATES && done % FEWEST_STATES === 0 && problem.isOver()) break;
      extend(problem, state, step, isBody, frontier);
      done++;
    }
    drop(states.slice(done));
    states = [...frontier.states()].sort(byFigure);
    drop(states.splice(problem.mostStates));
  }
  const best = (some: State[]) => {
    const winner = some.reduce<State | undefined>((least, one) => {
      if (!least) return one;
      const [first, then] = problem.lostFirst
        ? [one.lost - least.lost, one.price - least.price]
        : [one.price - least.price, one.lost - least.lost];
      return first < -EQUAL || (first <= EQUAL && then < -EQUAL) ? one : least;
    }, undefined);
    return winner && readBack(problem, winner);
  };
  return {
    inside: best(states.filter(({ leans }) => !leans)),
    leaning: best(states.filter(({ leans }) => leans)),
    dropped,
  };
}
