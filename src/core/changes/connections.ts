import { buildGraph, type Plant, type PlantGraph } from '../plant';
import { listNamesOn } from '../defects/apply';
import { kindOf } from './kinds';
import { nameChange, type Change } from './record';

/** A way that the drawing does not show: what it joins, by ids of the newest drawing; one section where its other end is not drawn. */
export interface Connection {
  readonly name: string;
  readonly sections: readonly string[];
  readonly what: string;
  readonly isElectrical: boolean;
}

/** The ways that changes have made and the drawing does not show: from the moment somebody proposes one, until somebody else has seen that it is gone, or a drawing shows it. */
export const listConnections = (record: readonly Change[]): Connection[] =>
  record
    .filter(({ gone, drawn }) => gone === undefined && drawn === undefined)
    .flatMap(({ number, change, places, what }): Connection[] => {
      const { connects } = kindOf(change);
      if (connects === undefined) return [];
      const isElectrical = connects === 'conductors';
      return [{ name: nameChange(number), sections: places, what, isElectrical }];
    });

type Rows = Pick<Plant, 'links' | 'sections' | 'media'>;
const NO_ROWS: Rows = { links: [], sections: [], media: [] };

/** The rows of a drawing that stand for a connection: a link that nothing shuts; where its other end is not drawn, a source of whatever may come from there. */
function toRows({ name, sections, what, isElectrical }: Connection, graph: PlantGraph): Rows {
  const [from, to] = sections.map((id) => graph.sections[graph.sectionAt.get(id) ?? -1]);
  if (!from) return NO_ROWS;
  const link = (end: string): Plant['links'][number] => ({
    id: name,
    // Neither is ever a barrier, whatever hangs on it.
    kind: isElectrical ? 'joint' : 'hose',
    name: what.slice(0, 200),
    between: [from.id, end],
  });
  if (to) return { ...NO_ROWS, links: [link(to.id)] };
  const medium = graph.plant.media.find(({ id }) => id === from.medium);
  if (!medium) return NO_ROWS;
  const far = `${name} far end`;
  return {
    links: [link(far)],
    // Nobody has said what it is: no list of hazards is the worst case.
    media: [
      { id: far, name: `what comes through ${name}`, energy: medium.energy, phase: medium.phase },
    ],
    sections: [
      {
        id: far,
        name: far,
        medium: far,
        area: from.area,
        source: { name: `the far end of ${name}, which is not drawn` },
        ...(from.voltage_v === undefined ? {} : { voltage_v: from.voltage_v }),
      },
    ],
  };
}

const known = new WeakMap<PlantGraph, { readonly key: string; readonly graph: PlantGraph }>();

/** A drawing with the ways that changes have made and it does not show. The same graph where there are none, and for the same ones. */
export function applyConnections(
  graph: PlantGraph,
  connections: readonly Connection[],
  newest: Plant,
  byKind: Parameters<typeof buildGraph>[1],
): PlantGraph {
  const here = connections.map((one) => ({
    ...one,
    sections: one.sections.flatMap(
      (id) => listNamesOn(graph, id, newest).filter((name) => graph.sectionAt.has(name))[0] ?? [],
    ),
  }));
  const rows = here.map((one) => toRows(one, graph));
  const links = rows.flatMap((one) => one.links);
  if (links.length === 0) return graph;
  const key = JSON.stringify([links, rows.map(({ sections }) => sections)]);
  const before = known.get(graph);
  if (before?.key === key) return before.graph;
  const { plant } = graph;
  const joined = buildGraph(
    {
      ...plant,
      links: [...plant.links, ...links],
      sections: [...plant.sections, ...rows.flatMap((one) => one.sections)],
      media: [...plant.media, ...rows.flatMap((one) => one.media)],
    },
    byKind,
  );
  known.set(graph, { key, graph: joined });
  return joined;
}
