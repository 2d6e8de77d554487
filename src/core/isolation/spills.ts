import { linksOf, otherEnd, type IsolationPlan, type PlantGraph } from '../plant';
import { computePlantState, isThrough, sectionOfOutlet } from './bodies';

/** An open outlet and the source that would come out of it. */
export interface Spill {
  readonly outlet: string;
  readonly section: string;
  readonly source: string;
}

/**
 * Outlets of a plan that a source of what they let out reaches with the plan carried out: fluid along fluid, electricity along
 * conductors. A live drive behind a drained pump is no spill: the check of a plan for work asks for more. Unknown ids of the
 * plan count for nothing.
 */
export function listSpills(graph: PlantGraph, plan: IsolationPlan): Spill[] {
  const state = computePlantState(graph, plan);
  return state.opened.flatMap((number) => {
    const first = sectionOfOutlet(graph, number);
    const reached = new Set([first]);
    for (const section of reached) {
      for (const link of linksOf(graph, section)) {
        const next = otherEnd(graph, link, section);
        if (!state.barred[link] && isThrough(graph, link)) reached.add(next);
      }
    }
    const source = [...reached].find((section) => graph.sections[section]?.source);
    if (source === undefined) return [];
    return [
      {
        outlet: graph.outlets[number]?.id ?? '',
        section: graph.sections[first]?.id ?? '',
        source: graph.sections[source]?.id ?? '',
      },
    ];
  });
}
