import { isIn, isMovedInto, type PlantState } from '../isolation';
import {
  idOfPosition,
  listBars,
  standsIn,
  type Bar,
  type BarredPosition,
  type PlantGraph,
} from '../plant';
import type { Draft } from './drafts';
import { PHASES, type Phase } from './steps';

/** Steps at which something is moved, and which therefore can come before or after another. */
const MOVING: ReadonlySet<Phase> = new Set([
  'bring-in',
  'isolate-drives',
  'isolate-flows',
  'open-way',
  'let-down',
  'fit',
  'earth',
]);

const comesBefore = (a: Draft, b: Draft): boolean =>
  a.phase === b.phase ? a.layer < b.layer : PHASES.indexOf(a.phase) < PHASES.indexOf(b.phase);

const isOpening = ({ phase }: Draft): boolean => phase === 'bring-in' || phase === 'open-way';
const isClosing = ({ phase }: Draft): boolean =>
  phase === 'isolate-drives' || phase === 'isolate-flows';

/** The step that has to come first and the one after it, put so that they do; undefined when the work itself forbids it. */
function reorder(first: Draft, then: Draft): readonly [Draft, Draft] | undefined {
  if (isOpening(first) && !isOpening(then)) return [{ ...first, phase: 'bring-in' }, then];
  if (isOpening(first) && isOpening(then)) {
    return [first, { ...then, phase: first.phase, layer: first.layer + 1 }];
  }
  if (isClosing(first) && isOpening(then)) return [first, { ...then, phase: 'open-way' }];
  // What breaks the load never comes after what must not be worked under it.
  if (
    isClosing(first) &&
    isClosing(then) &&
    (first.phase !== then.phase || then.layer >= first.layer || first.phase === 'isolate-flows')
  ) {
    return [first, { ...then, phase: first.phase, layer: first.layer + 1 }];
  }
  return undefined;
}

/** What a plan moves out of a position of a bar, and what it moves into one. */
function listMoves(graph: PlantGraph, state: PlantState, { positions }: Bar) {
  const idOf = (position: BarredPosition) => idOfPosition(graph, position);
  const stands = (position: BarredPosition) => standsIn(graph, position);
  const isMoved = (position: BarredPosition) => isMovedInto(graph, state, position);
  return {
    out: positions.filter((one) => stands(one) && !isIn(graph, state, one)).map(idOf),
    into: positions.filter(isMoved).map(idOf),
    /** Some other position never comes about: the order does not matter. */
    isIdle: positions.some((one) => !stands(one) && !isMoved(one)),
  };
}

/**
 * Puts the steps of a plan in an order that its interlocks allow: before the last position of a bar comes about, some other has been left.
 * Where the work itself asks for the other order, the step says so and leaves it to those at the plant.
 */
export function heedInterlocks(
  graph: PlantGraph,
  state: PlantState,
  drafts: readonly Draft[],
): Draft[] {
  const ordered = [...drafts];
  const placesOf = (ids: readonly string[]) =>
    [...ordered.keys()].filter((at) => {
      const { phase, subject } = ordered[at] as Draft;
      return MOVING.has(phase) && ids.includes(subject);
    });
  const say = (at: number, words: string) => {
    const draft = ordered[at] as Draft;
    if (!draft.words.includes(words)) ordered[at] = { ...draft, words: `${draft.words}; ${words}` };
  };
  // What is moved for one bar may matter to another.
  for (let round = 0, hasMoved = true; hasMoved && round <= drafts.length; round++) {
    hasMoved = false;
    for (const bar of listBars(graph)) {
      const { out, into, isIdle } = listMoves(graph, state, bar);
      const firsts = placesOf(out);
      const thens = placesOf(into);
      if (isIdle || firsts.length === 0 || thens.length === 0) continue;
      const pairs = firsts.flatMap((first) => thens.map((then) => [first, then] as const));
      const isKept = ([first, then]: readonly [number, number]) =>
        comesBefore(ordered[first] as Draft, ordered[then] as Draft);
      if (pairs.some(isKept)) continue;
      const moved = pairs.flatMap(([first, then]) => {
        const made = reorder(ordered[first] as Draft, ordered[then] as Draft);
        return made ? [{ first, then, made }] : [];
      });
      const [best] = moved;
      const [first, then] = best
        ? [best.first, best.then]
        : (pairs[0] as readonly [number, number]);
      const { subject } = ordered[first] as Draft;
      if (best) {
        [ordered[first], ordered[then]] = best.made;
        hasMoved = true;
        say(then, `only after ${subject}: the interlock ${bar.id} asks for it`);
      } else {
        say(
          then,
          `the interlock ${bar.id} asks for ${subject} first: agree on the order before you begin`,
        );
      }
    }
  }
  return ordered;
}
