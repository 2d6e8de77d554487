import type { PlantGraph } from '../plant';
import type { PlantState } from './bodies';
import type { Requirement } from './requirement';

/** A shaft at the work that what stands in a line could turn through a pump. */
export interface TurningShaft {
  /** Number of the pump. */
  readonly pump: number;
  /** Its shaft and its line, by id. */
  readonly shaft: string;
  readonly line: string;
}

/** Shafts of the work that what stands in a line could turn: its pump hangs on them, and the line is not let down there. */
export function listTurningShafts(
  graph: PlantGraph,
  state: PlantState,
  { trace }: Requirement,
): TurningShaft[] {
  const touched = trace.zone.filter((section) => graph.carrier[section] === 'motion');
  const bodies = new Set(touched.map((section) => state.body[section]));
  if (bodies.size === 0) return [];
  return (graph.linksByKind.get('pump') ?? []).flatMap((pump) => {
    const crossing = graph.crossing[pump];
    if (crossing?.kind !== 'drive') return [];
    const shaft = graph.ends[2 * pump + crossing.from] as number;
    const line = graph.ends[2 * pump + 1 - crossing.from] as number;
    const isStill = state.bled[state.part[line] as number] === 1;
    if (!bodies.has(state.body[shaft]) || isStill) return [];
    const idOf = (section: number) => graph.sections[section]?.id ?? '';
    return [{ pump, shaft: idOf(shaft), line: idOf(line) }];
  });
}
