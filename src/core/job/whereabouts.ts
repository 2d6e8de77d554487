import type { PlantGraph, Scope } from '../plant';
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
  const scope = 'work' in command ? command : state?.scope;
  return subject === undefined ? findWorkAreas(scope, graph) : findStepAreas(scope, subject, graph);
}

/** The areas that are worked in, all of which somebody has to be authorised for; undefined where nothing says where. */
export function findWorkAreas(
  scope: Pick<Scope, 'work'> | undefined,
  graph: PlantGraph,
): Whereabouts | undefined {
  const areas = (scope?.work ?? []).flatMap(({ section }) =>
    areaOf(graph, graph.sectionAt.get(section)),
  );
  return areas.length === 0 ? undefined : { areas: [...new Set(areas)], needs: 'every' };
}

/** The areas that a step at a point is about, one of which somebody has to be authorised for; those of the whole work where the point has none. */
export function findStepAreas(
  scope: Pick<Scope, 'work'> | undefined,
  subject: string,
  graph: PlantGraph,
): Whereabouts | undefined {
  const at = listAreasOf(graph, subject);
  return at.length > 0 ? { areas: [...new Set(at)], needs: 'one' } : findWorkAreas(scope, graph);
}
