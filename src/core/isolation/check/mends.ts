import { otherEnd, wordsOfKind, type Link, type PlantGraph } from '../../plant';
import { canLetDown, sectionOfOutlet, type PlantState } from '../bodies';
import type { Mend } from '../findings';
import type { Route } from '../routes';

/** More than this helps nobody: the best come first. */
const MOST_MENDS = 3;

/** The first of some mends, each once. */
export function takeBest(mends: readonly Mend[]): Mend[] {
  const seen = new Set<string>();
  const each = mends.filter(({ action, id }) => {
    const key = `${action} ${id}`;
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
  return each.slice(0, MOST_MENDS);
}

/** Links on a route that could be closed to break it, nearest to the work first. */
export function mendByClosing(
  graph: PlantGraph,
  state: PlantState,
  route: Route,
  least: 1 | 2 = 1,
): Mend[] {
  return [...new Set(route)]
    .reverse()
    .filter((link) => (graph.strength[link] as number) >= least && !state.barred[link])
    .map((link) => {
      const { id, kind } = graph.links[link] as Link;
      const words = `${wordsOfKind(kind).isolate} and lock ${id} (${kind})`;
      return { action: 'close', id, words };
    });
}

/** Outlets of some parts that would let them down. */
export const mendByBleeding = (
  graph: PlantGraph,
  state: PlantState,
  parts: ReadonlySet<number>,
): Mend[] =>
  graph.outlets.flatMap((outlet, number) =>
    parts.has(state.part[sectionOfOutlet(graph, number)] as number) &&
    canLetDown(graph, outlet) &&
    !state.opened.includes(number)
      ? [
          {
            action: 'open' as const,
            id: outlet.id,
            words: `open ${outlet.id} (${outlet.kind}, leads to ${outlet.leads_to})`,
          },
        ]
      : [],
  );

/** Outlets that would make a bled part between two barriers of a route. */
export function mendBetween(
  graph: PlantGraph,
  state: PlantState,
  route: Route,
  source: number,
): Mend[] {
  const parts = new Set<number>();
  let here = source;
  for (const link of route) {
    here = otherEnd(graph, link, here);
    if (!state.live[state.body[here] as number]) parts.add(state.part[here] as number);
  }
  parts.delete(state.part[here] as number);
  return mendByBleeding(graph, state, parts);
}

/** A route in words: what energy passes on its way, source first; at most eight links are named. */
export function describeRoute(graph: PlantGraph, route: Route): string {
  const names = route.map((link) => {
    const { id, kind } = graph.links[link] as Link;
    return `${id} (${kind})`;
  });
  const most = 8;
  const shown =
    names.length > most
      ? [...names.slice(0, most / 2), `${names.length - most} more`, ...names.slice(-most / 2)]
      : names;
  return shown.join(', ');
}
