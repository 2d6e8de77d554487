import { listIncidence, otherEnd, type Link, type PlantGraph } from '../../plant';

const append = (array: Uint8Array, value: number) => Uint8Array.from([...array, value]);

/** Puts a section behind a shutter, and a link that only lets rays end between that and what they fell on. */
function drawApart(graph: PlantGraph, shutter: number): PlantGraph {
  const { from } = graph.crossing[shutter] as { from: 0 | 1 };
  const behind = graph.sections.length;
  const far = graph.ends[2 * shutter + 1 - from] as number;
  const near = otherEnd(graph, shutter, far);
  const { id } = graph.links[shutter] as Link;
  const opening: Link = { id: `${id} (opening)`, kind: 'joint', between: ['', ''] };
  const ends = Int32Array.from([...graph.ends, behind, far]);
  ends[2 * shutter + 1 - from] = behind;
  const { name, medium, area } = graph.sections[near] as PlantGraph['sections'][number];
  return {
    ...graph,
    sections: [...graph.sections, { id: `${id} (behind)`, name, medium, area }],
    links: [...graph.links, opening],
    ends,
    ...listIncidence(behind + 1, ends),
    strength: append(graph.strength, 0),
    medium: [...graph.medium, graph.medium[near] as PlantGraph['medium'][number]],
    carrier: [...graph.carrier, graph.carrier[near] as PlantGraph['carrier'][number]],
    crossing: [
      ...graph.crossing.map((one, link) => (link === shutter ? { kind: 'through' as const } : one)),
      { kind: 'ends', from: 0, backs: false },
    ],
    neverIsolates: append(graph.neverIsolates, 1),
    surelyOpen: append(graph.surelyOpen, 1),
    isSource: append(graph.isSource, 0),
    isNormallyClosed: append(graph.isNormallyClosed, 0),
  };
}

/**
 * The plant with every barrier at which rays end drawn in two: the shutter, which can be closed, and behind it the opening, which cannot.
 * A converter is never closed in the planner's cells, and this is the one kind that is both. Sections and links keep their numbers; the
 * same graph where there is no such barrier.
 */
export const drawShuttersApart = (graph: PlantGraph): PlantGraph =>
  [...graph.links.keys()]
    .filter((link) => graph.strength[link] !== 0 && graph.crossing[link]?.kind === 'ends')
    .reduce(drawApart, graph);
