import type { PlantGraph } from '../plant';
import type { Whereabouts } from '../people/people';
import type { Command } from './commands';
import { findSubject } from './scan';
import type { DossierState } from './state';

const areaOf = (graph: PlantGraph, section: number | undefined): string[] => {
  const found = section === undefined ? undefined : graph.sections[section];
  return found ? [found.area] : [];
};

/** The areas that a point, store, section or proof lies in: of a link those of both its ends, for it can be reached from either. */
function listAreasOf(graph: PlantGraph, subject: string): string[] {
  // A proof is named by its kind and section.
  const id = subject.slice(subject.indexOf(':') + 1);
  const link = graph.linkAt.get(id);
  if (link !== undefined) {
    return [graph.ends[2 * link], graph.ends[2 * link + 1]].flatMap((end) => areaOf(graph, end));
  }
  const outlet = graph.outletAt.get(id);
  if (outlet !== undefined) return areaOf(graph, graph.outletSection[outlet]);
  const store = graph.storeAt.get(id);
  if (store !== undefined) return areaOf(graph, graph.stores[store]?.section);
  return areaOf(graph, graph.sectionAt.get(id));
}

/**
 * The areas that a command is about: of a step at a point one of those that the point lies in, of anything else every area that is worked in.
 * Undefined where nothing says where.
 */
export function findWhereabouts(
  state: DossierState,
  command: Command,
  graph: PlantGraph,
): Whereabouts | undefined {
  const subject = findSubject(command);
  const at = subject === undefined ? [] : listAreasOf(graph, subject);
  if (at.length > 0) return { areas: [...new Set(at)], needs: 'one' };
  const work = 'work' in command ? command.work : state?.scope.work;
  const areas = (work ?? []).flatMap(({ section }) => areaOf(graph, graph.sectionAt.get(section)));
  return areas.length === 0 ? undefined : { areas: [...new Set(areas)], needs: 'every' };
}
