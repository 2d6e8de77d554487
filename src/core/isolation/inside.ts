import type { PlantGraph } from '../plant';
import type { PlantState } from './bodies';
import { DRIVEN, ENDS_HERE, ITSELF, searchModes, stateOf } from './modes';
import { UNREACHED } from './routes';
import { listArrived, type Trace } from './trace';

/**
 * The sections that lie inside an isolation: what stands in them would still come at the work with the barriers closed, as itself, by
 * driving it or by ending in it; walls do not count. The work is always among them.
 */
export function listInside(
  graph: PlantGraph,
  { barred }: Pick<PlantState, 'barred'>,
  { zone }: Pick<Trace, 'zone'>,
): ReadonlySet<number> {
  const tree = searchModes(graph, listArrived(zone, [ITSELF, DRIVEN, ENDS_HERE]), {
    weigh: (link) => (barred[link] ? -1 : 0),
  });
  const isReached = (section: number) => tree.cost[stateOf(section, ITSELF)] !== UNREACHED;
  return new Set([...graph.sections.keys()].filter(isReached));
}
