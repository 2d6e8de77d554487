import { EQUAL, IS_BLED, NOTHING, wantsBleed, type CellChoice } from './choices';
import { AS_OPEN } from './possible';
import {
  edgeAfter,
  Frontier,
  type DoneExtra,
  type Edge,
  type Kept,
  type State,
} from './sweep-states';
import { layOut, type Extra, type Join, type Step, type SweepProblem } from './sweep-steps';
import { NOTHING_SUPPLIED, supplyAfter } from './sweep-supply';
import { hasPart, isHandled } from './standings';
import { BLED, BLED_OVER, MARKS, NOT_BLED } from './tighten-net';

/** What one sweep found: standings by cell, what is opened and restrained, and its figures. */
export interface Swept {
  readonly price: number;
  readonly lost: number;
  readonly standingOf: ReadonlyMap<number, number>;
  readonly open: readonly number[];
  readonly restrain: readonly number[];
  /** Edges between cells that stand alike which are locked open, and those that are closed. */
  readonly stand: readonly number[];
  readonly alsoClosed: readonly number[];
}

export interface SweepResult {
  /** The best plan of the region, when one is within the ceiling. */
  readonly best: Swept | undefined;
  /** The least figures of what was left aside for want of room or time. */
  readonly dropped: { readonly price: number; readonly lost: number } | undefined;
}

/** Whether figures at least so high can no longer lead to anything better than the ceiling. */
function isTooDear(
  { ceiling, lostFirst, supply, leastLoss }: SweepProblem,
  price: number,
  lost: number,
) {
  const dearer = price > ceiling.price + EQUAL;
  if (!ceiling.isAttained) return dearer || lost > ceiling.lost + EQUAL;
  const asDear = price >= ceiling.price - EQUAL;
  if (lostFirst) {
    const losesNoLess = Math.max(lost, leastLoss) >= ceiling.lost - EQUAL;
    return lost > ceiling.lost + EQUAL || (losesNoLess && asDear);
  }
  return dearer || (asDear && (!supply || lost >= ceiling.lost - EQUAL));
}

/** What is still to come costs this much at least, with the cells at the edge as they are. */
function leastToCome(step: Step, { standing, part, partFlags }: Edge): number {
  let least = step.rest;
  /** By part that is still to be let down: what it costs more that one of its cells is let down by what is to come. */
  const wanting = new Map<number, number>();
  for (let slot = 0; slot < standing.length; slot++) {
    const ahead = step.ahead[slot] as Float64Array;
    const at = (standing[slot] as number) * MARKS;
    const own = part[slot] as number;
    if (own < 0) {
      least += ahead[at + NOT_BLED] as number;
      continue;
    }
    const flags = partFlags[own] as number;
    const bled = ahead[at + BLED] as number;
    if ((flags & IS_BLED) !== 0) least += bled;
    else if (!wantsBleed(flags)) {
      least += Math.min(ahead[at + NOT_BLED] as number, bled, ahead[at + BLED_OVER] as number);
    } else {
      const over = ahead[at + BLED_OVER] as number;
      const cheaper = Math.min(bled, over);
      if (cheaper === Infinity) return Infinity;
      least += cheaper;
      wanting.set(own, Math.min(over - cheaper, wanting.get(own) ?? Infinity));
    }
  }
  for (const more of wanting.values()) least += more;
  return least;
}

/** Every way of doing something, or nothing, to the joins at which something can be done. */
function* listDone(
  joins: readonly Join[],
  mayDo: (join: Join) => boolean,
): Generator<readonly (Extra | undefined)[]> {
  const open = joins.map((join) => (join.extras.length > 0 && mayDo(join) ? join.extras : []));
  function* from(n: number): Generator<(Extra | undefined)[]> {
    if (n === joins.length) {
      yield [];
      return;
    }
    for (const rest of from(n + 1)) {
      yield [undefined, ...rest];
      for (const extra of open[n] ?? []) yield [extra, ...rest];
    }
  }
  if (open.every((one) => one.length === 0)) {
    yield [];
    return;
  }
  yield* from(0);
}

/** Adds to the frontier every way in which a state goes on at a step. */
function extend(
  problem: SweepProblem,
  state: State,
  step: Step,
  kept: Kept,
  frontier: Frontier,
): void {
  const count = problem.standings.length;
  const metBy = (join: Join) =>
    join.slot < 0 ? join.outside : (state.standing[join.slot] as number);
  const own = state.standing.length;
  let before = step.rest;
  let ownAhead: Float64Array | undefined;
  step.keep.forEach((slot, n) => {
    const ahead = step.leastAhead[n] as Float64Array;
    if (slot === own) ownAhead = ahead;
    else before += ahead[state.standing[slot] as number] as number;
  });
  for (const { as, choices } of step.ways) {
    let price = state.price;
    for (const join of step.joins) price += join.terms[metBy(join) * count + as] as number;
    const ahead = before + (ownAhead?.[as] ?? 0);
    if (price + ahead === Infinity || isTooDear(problem, price + ahead, state.lost)) continue;
    const isAlike = (join: Join) => kept.part[as] === true && metBy(join) === as;
    for (const done of listDone(step.joins, isAlike)) {
      const doing = done.reduce((sum, extra) => sum + (extra?.price ?? 0), price);
      if (isTooDear(problem, doing + ahead, state.lost)) continue;
      const kinds = done.map((extra) => extra?.kind);
      const extras = done.flatMap((extra, n): DoneExtra[] =>
        extra ? [{ edge: step.joins[n]?.edge ?? -1, kind: extra.kind }] : [],
      );
      const settled = { as, choices, price: doing, ahead, kinds, extras };
      extendBy(problem, state, step, settled, kept, frontier);
    }
  }
}

/** What is settled of a way on: where the cell stands, what is done to its joins, and what all that costs so far. */
interface Settled {
  readonly as: number;
  readonly choices: readonly CellChoice[];
  readonly price: number;
  /** What is still to come, at least. */
  readonly ahead: number;
  /** By join: what is done to it, if anything. */
  readonly kinds: readonly (Extra['kind'] | undefined)[];
  readonly extras: readonly DoneExtra[];
}

/** Adds a state's ways of standing at a step once it is settled what is done to the ways between cells. */
function extendBy(
  problem: SweepProblem,
  state: State,
  step: Step,
  { as, choices, price, ahead, kinds, extras }: Settled,
  kept: Kept,
  frontier: Frontier,
): void {
  const count = problem.standings.length;
  // Worked out only when something at this standing is still worth it: most states are dropped for their price alone.
  let after: ReturnType<typeof supplyAfter> | undefined;
  const isOpen = (join: Join) => {
    const met = join.slot < 0 ? join.outside : (state.standing[join.slot] as number);
    return join.meets[met * count + as] === AS_OPEN && kinds[step.joins.indexOf(join)] !== 'close';
  };
  for (const choice of choices) {
    const total = price + choice.price;
    if (isTooDear(problem, total + ahead, state.lost)) continue;
    const edge = edgeAfter(state, step, as, choice, kept, kinds, count);
    if (!edge) continue;
    const least = total + leastToCome(step, edge);
    if (least === Infinity || isTooDear(problem, least, state.lost)) continue;
    const look = frontier.edgeOf(edge);
    if (frontier.hasCheaper(look, total)) continue;
    after ??= supplyAfter(state.supplied, step, isOpen);
    const lost = state.lost + after.lost;
    if (isTooDear(problem, least, lost)) continue;
    frontier.add(look, {
      price: total,
      least,
      lost,
      ...edge,
      supplied: after.supplied,
      before: state,
      at: step.cell,
      as,
      choice,
      extras,
    });
  }
}

function readBack(end: State): Swept {
  const standingOf = new Map<number, number>();
  const open = new Set<number>();
  const restrain = new Set<number>();
  const extras: DoneExtra[] = [];
  for (let state = end; state.before; state = state.before) {
    standingOf.set(state.at, state.as);
    state.choice.open.forEach((outlet) => open.add(outlet));
    state.choice.restrain.forEach((store) => restrain.add(store));
    extras.push(...state.extras);
  }
  const ascending = (all: Set<number>) => [...all].sort((a, b) => a - b);
  return {
    price: end.price,
    lost: end.lost,
    standingOf,
    open: ascending(open),
    restrain: ascending(restrain),
    stand: extras.filter(({ kind }) => kind === 'stand').map(({ edge }) => edge),
    alsoClosed: extras.filter(({ kind }) => kind === 'close').map(({ edge }) => edge),
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
  const kept: Kept = {
    part: problem.standings.map(hasPart),
    body: problem.standings.map(isHandled),
  };
  const start: State = {
    price: 0,
    least: 0,
    lost: problem.certainLoss,
    standing: [],
    part: [],
    body: [],
    partFlags: [],
    bodyFlags: [],
    supplied: NOTHING_SUPPLIED,
    before: undefined,
    at: -1,
    as: -1,
    choice: NOTHING,
    extras: [],
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
      extend(problem, state, step, kept, frontier);
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
