import { isFluid, type PlantGraph } from './graph';
import type { Medium, Plant, Scope } from './schema';

const canHold = ({ energy, phase }: Medium) => isFluid(energy) && phase !== 'solid';

/**
 * Why a section cannot be run empty before a job, in words; undefined when it can. Only a source that is a known volume (m³) of
 * a fluid can: what the drawing gives no volume for is taken to be fed from elsewhere for ever. Source: practice.
 */
export function findWhyNotEmptied(plant: Plant, id: string): string | undefined {
  const section = plant.sections.find((one) => one.id === id);
  if (!section) return `is not a section of ${plant.name}`;
  if (!section.source) return 'is no source: there is nothing to run empty';
  const medium = plant.media.find((one) => one.id === section.medium);
  if (!medium || !canHold(medium))
    return `holds ${medium?.name ?? 'nothing'}, which is not run out`;
  if (!section.volume_m3)
    return 'has no volume in the drawing: it is taken to be fed from elsewhere';
  return undefined;
}

/** The sources of a plant that can be run empty before a job, in the order of the file. */
export const listEmptiable = (plant: Plant): string[] =>
  plant.sections.flatMap(({ id, source }) =>
    source && findWhyNotEmptied(plant, id) === undefined ? [id] : [],
  );

/** The sections that a scope has run empty, by number; those that the plant does not know count for nothing. */
export const listEmptied = (graph: PlantGraph, { emptied = [] }: Scope): number[] =>
  emptied.flatMap((id) => graph.sectionAt.get(id) ?? []);

const known = new WeakMap<PlantGraph, Map<string, PlantGraph>>();

/**
 * The plant once some of its sources have been run empty: they feed nothing any more, and are bodies like any other, without pressure. That they
 * are empty has to be proved (see `listProofs`). With nothing to run empty it is the same graph; asked again, the same answer.
 */
export function emptyOut(graph: PlantGraph, emptied: readonly number[]): PlantGraph {
  const full = emptied.filter((section) => graph.isSource[section]);
  if (full.length === 0) return graph;
  const of = known.get(graph) ?? new Map<string, PlantGraph>();
  known.set(graph, of);
  const key = [...new Set(full)].sort((a, b) => a - b).join();
  const before = of.get(key);
  if (before) return before;
  const gone = new Set(full);
  const after: PlantGraph = {
    ...graph,
    sections: graph.sections.map((section, number) =>
      gone.has(number) ? { ...section, source: undefined, pressure_bar: 0 } : section,
    ),
    isSource: graph.isSource.map((isSource, number) => (gone.has(number) ? 0 : isSource)),
  };
  of.set(key, after);
  return after;
}
