import { wordsOfKind, type Link, type PlantGraph } from '../../plant';
import type { PlantState } from '../bodies';
import { makeFinding, type Finding, type FindingCode, type Mend } from '../findings';

/** One position that an interlock tells of: a link open or closed, or an opened outlet. */
export interface BarredPosition {
  readonly part: 'link' | 'outlet';
  /** Number of the link or outlet. */
  readonly number: number;
  readonly is: 'open' | 'closed';
}

/** Positions that never stand at once, drawn as an interlock or as links that exclude one another. */
export interface Bar {
  readonly id: string;
  readonly code: Extract<FindingCode, 'interlock-bars' | 'cannot-be-both'>;
  readonly positions: readonly BarredPosition[];
}

const known = new WeakMap<PlantGraph, readonly Bar[]>();

/** Every bar of a plant; worked out once. */
export function listBars(graph: PlantGraph): readonly Bar[] {
  const before = known.get(graph);
  if (before) return before;
  const ofLink = (id: string, is: 'open' | 'closed'): BarredPosition[] => {
    const number = graph.linkAt.get(id);
    return number === undefined ? [] : [{ part: 'link', number, is }];
  };
  const drawn = (graph.plant.interlocks ?? []).map(({ id, open, closed }): Bar => {
    const outlets = open.flatMap((one): BarredPosition[] => {
      const number = graph.outletAt.get(one);
      return number === undefined ? [] : [{ part: 'outlet', number, is: 'open' }];
    });
    const links = [
      ...open.flatMap((one) => ofLink(one, 'open')),
      ...closed.flatMap((one) => ofLink(one, 'closed')),
    ];
    return { id, code: 'interlock-bars', positions: [...outlets, ...links] };
  });
  const seen = new Set<string>();
  const excluding = graph.links.flatMap(({ id, excludes = [] }): Bar[] =>
    excludes.flatMap((other): Bar[] => {
      const key = [id, other].sort().join('\n');
      if (other === id || seen.has(key)) return [];
      seen.add(key);
      const positions = [...ofLink(id, 'open'), ...ofLink(other, 'open')];
      return [{ id, code: 'cannot-be-both', positions }];
    }),
  );
  const all = [...drawn, ...excluding];
  known.set(graph, all);
  return all;
}

/** Whether a plan moves something into a position: what stands so in normal running is not moved. */
export function isMovedInto(
  graph: PlantGraph,
  { plan, standing, opened }: Pick<PlantState, 'plan' | 'standing' | 'opened'>,
  { part, number, is }: BarredPosition,
): boolean {
  if (part === 'outlet') return opened.includes(number);
  const isNormallyClosed = graph.isNormallyClosed[number] === 1;
  if (is === 'open') return isNormallyClosed && standing[number] === 1;
  return !isNormallyClosed && plan.close.includes(graph.links[number]?.id ?? '');
}

/**
 * Whether something is in a position once a plan is carried out. What only might be is taken for it: what no lock keeps closed may be open, and
 * what stands shut stays shut unless it is locked open.
 */
export function isIn(graph: PlantGraph, state: PlantState, position: BarredPosition): boolean {
  const { part, number, is } = position;
  if (isMovedInto(graph, state, position)) return true;
  if (part === 'outlet') return false;
  const isNormallyClosed = graph.isNormallyClosed[number] === 1;
  return is === 'open'
    ? !isNormallyClosed && !state.barred[number]
    : isNormallyClosed && !state.standing[number];
}

const idOf = (graph: PlantGraph, { part, number }: BarredPosition): string =>
  (part === 'outlet' ? graph.outlets[number]?.id : graph.links[number]?.id) ?? '';

/** "BV-1 closed", "E-1 opened", "BV-2 closed as it stands in normal running". */
function sayPosition(graph: PlantGraph, state: PlantState, position: BarredPosition): string {
  const { part, number, is } = position;
  if (part === 'outlet') return `${idOf(graph, position)} opened`;
  const word = wordsOfKind((graph.links[number] as Link).kind)[is];
  const asItStands = isMovedInto(graph, state, position) ? '' : ' as it stands in normal running';
  return `${idOf(graph, position)} ${word}${asItStands}`;
}

function mendBar(graph: PlantGraph, state: PlantState, position: BarredPosition): Mend[] {
  const id = idOf(graph, position);
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
  findBroken(graph, state).map(({ id, code, positions }) => {
    const says = positions.map((one) => sayPosition(graph, state, one));
    const together = `${says.slice(0, -1).join(', ')} and ${says.at(-1)}`;
    const words =
      code === 'interlock-bars'
        ? `the interlock ${id} does not let these stand at once: ${together}`
        : `${together} cannot be at once: one position excludes the other`;
    return makeFinding(code, id, words, {
      mends: positions.flatMap((one) => mendBar(graph, state, one)),
    });
  });
