import {
  idOfPosition,
  listBars,
  standsIn,
  wordsOfKind,
  type Bar,
  type BarredPosition,
  type Link,
  type PlantGraph,
} from '../../plant';
import type { PlantState } from '../bodies';
import { makeFinding, type Finding, type Mend } from '../findings';

/** Whether a plan moves something into a position: what stands so in normal running is not moved. */
export function isMovedInto(
  graph: PlantGraph,
  { plan, standing, opened }: Pick<PlantState, 'plan' | 'standing' | 'opened'>,
  position: BarredPosition,
): boolean {
  const { part, number, is } = position;
  if (part === 'outlet') return opened.includes(number);
  if (standsIn(graph, position)) return false;
  return is === 'open'
    ? standing[number] === 1
    : plan.close.includes(graph.links[number]?.id ?? '');
}

/**
 * Whether something is in a position once a plan is carried out. What only might be is taken for it: what no lock keeps closed may be open, and
 * what stands shut stays shut unless it is locked open.
 */
export function isIn(graph: PlantGraph, state: PlantState, position: BarredPosition): boolean {
  if (isMovedInto(graph, state, position)) return true;
  const { number, is } = position;
  const hasLeft = is === 'open' ? state.barred[number] : state.standing[number];
  return standsIn(graph, position) && !hasLeft;
}

/** "BV-1 closed", "E-1 opened", "BV-2 closed as it stands in normal running". */
function sayPosition(graph: PlantGraph, state: PlantState, position: BarredPosition): string {
  const { part, number, is } = position;
  if (part === 'outlet') return `${idOfPosition(graph, position)} opened`;
  const word = wordsOfKind((graph.links[number] as Link).kind)[is];
  const asItStands = isMovedInto(graph, state, position) ? '' : ' as it stands in normal running';
  return `${idOfPosition(graph, position)} ${word}${asItStands}`;
}

function mendBar(graph: PlantGraph, state: PlantState, position: BarredPosition): Mend[] {
  const id = idOfPosition(graph, position);
  if (isMovedInto(graph, state, position)) {
    return [{ action: 'drop', id, words: `take ${id} out of the plan` }];
  }
  const { kind } = graph.links[position.number] as Link;
  if (position.is === 'closed' || graph.strength[position.number] === 0) return [];
  return [{ action: 'close', id, words: `${wordsOfKind(kind).isolate} and lock ${id} (${kind})` }];
}

/** Bars that a plan would break: all of their positions stand at once, and the plan moves something into one of them. */
export function findBroken(graph: PlantGraph, state: PlantState): readonly Bar[] {
  return listBars(graph).filter(
    ({ positions }) =>
      positions.some((one) => isMovedInto(graph, state, one)) &&
      positions.every((one) => isIn(graph, state, one)),
  );
}

/** Positions that a plan asks for and that an interlock, or the ways of one valve, keep from standing at once. */
export const findBarred = (graph: PlantGraph, state: PlantState): Finding[] =>
  findBroken(graph, state).map(({ id, kind, positions }) => {
    const says = positions.map((one) => sayPosition(graph, state, one));
    const together = `${says.slice(0, -1).join(', ')} and ${says.at(-1)}`;
    const words =
      kind === 'interlock'
        ? `the interlock ${id} does not let these stand at once: ${together}`
        : `${together} cannot be at once: one position excludes the other`;
    return makeFinding(kind === 'interlock' ? 'interlock-bars' : 'cannot-be-both', id, words, {
      mends: positions.flatMap((one) => mendBar(graph, state, one)),
    });
  });
