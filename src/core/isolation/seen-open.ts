import { HAND_VALVE_KINDS, linksOf, otherEnd, type IsolationPlan, type PlantGraph } from '../plant';
import { computePlantState, isThrough, sectionOfOutlet, type PlantState } from './bodies';
import { asEmptied, type Requirement } from './requirement';

/** Sections of bled parts that have to be let down: the work, what lies at a barrier, and what is under pressure. */
function listLetDown(graph: PlantGraph, state: PlantState, { trace }: Requirement): Set<number> {
  const isBled = (section: number) => state.bled[state.part[section] as number] === 1;
  const ends = state.barriers.flatMap((link) => [
    graph.ends[2 * link] as number,
    graph.ends[2 * link + 1] as number,
  ]);
  const bodies = new Set(trace.zone.map((section) => state.body[section]));
  const pressed = [...graph.sections.keys()].filter(
    (section) =>
      graph.carrier[section] === 'fluid' &&
      graph.sections[section]?.pressure_bar !== 0 &&
      bodies.has(state.body[section]),
  );
  return new Set([...trace.zone, ...ends, ...pressed].filter(isBled));
}

/**
 * The hand-operated valves on which the let-downs of a plan rely, by id in order: each stands open by the drawing, lies on the
 * shortest sure way from what has to be let down to an opened outlet, and has to be seen open. Those locked open by the plan are not
 * among them.
 */
export function listSeenOpen(
  drawn: PlantGraph,
  requirement: Requirement,
  plan: IsolationPlan,
): string[] {
  const graph = asEmptied(drawn, requirement);
  const state = computePlantState(graph, plan);
  const via = new Map<number, number>();
  for (const outlet of state.opened) via.set(sectionOfOutlet(graph, outlet), -1);
  for (const section of via.keys()) {
    for (const link of linksOf(graph, section)) {
      const next = otherEnd(graph, link, section);
      const isOnePart = state.part[next] === state.part[section] && isThrough(graph, link);
      const isSure = graph.surelyOpen[link] === 1 || state.standing[link] === 1;
      if (isOnePart && isSure && !state.barred[link] && !via.has(next)) via.set(next, link);
    }
  }
  const relied = new Set<number>();
  for (const section of listLetDown(graph, state, requirement)) {
    for (let here = section; (via.get(here) ?? -1) !== -1;) {
      const link = via.get(here) as number;
      relied.add(link);
      here = otherEnd(graph, link, here);
    }
  }
  return [...relied]
    .sort((a, b) => a - b)
    .flatMap((link) => graph.links[link] ?? [])
    .filter(({ id, kind }) => HAND_VALVE_KINDS.has(kind) && !plan.stand?.includes(id))
    .map(({ id }) => id);
}
