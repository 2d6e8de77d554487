import { EMPTY_PLAN, type PlantGraph } from '../../plant';
import { computePlantState, type PlantState } from '../bodies';
import { makeFinding, type Finding, type Mend } from '../findings';
import type { Requirement } from '../requirement';
import { takeBest } from './mends';

const known = new WeakMap<PlantGraph, PlantState>();

/** The plant with nothing closed and nothing opened; worked out once. */
export function stateAsItStands(graph: PlantGraph): PlantState {
  const before = known.get(graph);
  if (before) return before;
  const made = computePlantState(graph, EMPTY_PLAN);
  known.set(graph, made);
  return made;
}

/** Relief valves (link numbers) by the section that they protect. */
export function listProtectors(graph: PlantGraph): Map<number, number[]> {
  const by = new Map<number, number[]>();
  for (const number of graph.linksByKind.get('relief-valve') ?? []) {
    for (const id of graph.links[number]?.protects ?? []) {
      const section = graph.sectionAt.get(id);
      if (section !== undefined) by.set(section, [...(by.get(section) ?? []), number]);
    }
  }
  return by;
}

/** Whether a relief valve surely hangs together with what it protects, and is not known to be stuck. */
export const isInService = (
  graph: PlantGraph,
  { part }: PlantState,
  relief: number,
  section: number,
): boolean =>
  graph.links[relief]?.seized !== true &&
  [2 * relief, 2 * relief + 1].some((end) => part[graph.ends[end] as number] === part[section]);

/**
 * Sections that some source can still put under pressure and that lose every relief valve which stood in service. What had none before
 * is a matter of the drawing; what was accepted by name is a caution.
 */
export function findUnprotected(
  graph: PlantGraph,
  state: PlantState,
  { reliefAccepted }: Requirement,
): Finding[] {
  if (state.barriers.length === 0 && state.powerless.length === 0) return [];
  const asItStands = stateAsItStands(graph);
  return [...listProtectors(graph)].flatMap(([section, reliefs]) => {
    const id = graph.sections[section]?.id ?? '';
    if (!state.live[state.body[section] as number]) return [];
    const before = reliefs.filter((one) => isInService(graph, asItStands, one, section));
    if (before.length === 0) return [];
    if (reliefs.some((one) => isInService(graph, state, one, section))) return [];
    const ids = before.map((one) => graph.links[one]?.id ?? '');
    const names = ids.join(' and ');
    if (ids.every((one) => reliefAccepted.has(one))) {
      const words = `${id} keeps a source and loses every relief valve that stood in service (${names}): accepted by name, with what guards instead`;
      return [makeFinding('relief-accepted', id, words)];
    }
    const mends = ids
      .filter((one) => !reliefAccepted.has(one))
      .map((one): Mend => {
        return { action: 'accept', id: one, words: `have the loss of ${one} accepted by name` };
      });
    const words = `${id} keeps a source and loses every relief valve that stood in service (${names}): bring another into service first, or cut ${id} off from its source`;
    return [makeFinding('relief-lost', id, words, { mends: takeBest(mends) })];
  });
}
