import { isFluid, type Link, type PlantGraph } from '../plant';

/** The links that a search may go over. */
type Passes = (link: Link, number: number) => boolean;

/** The sections that are joined to the first ones over links that pass, by number. */
function reach(graph: PlantGraph, from: readonly number[], passes: Passes): Set<number> {
  const seen = new Set(from);
  const open = [...from];
  for (let section = open.pop(); section !== undefined; section = open.pop()) {
    const end = graph.start[section + 1] ?? 0;
    for (let slot = graph.start[section] ?? 0; slot < end; slot++) {
      const number = graph.incident[slot] ?? -1;
      const link = graph.links[number];
      if (!link || !passes(link, number)) continue;
      const [a = -1, b = -1] = [graph.ends[2 * number], graph.ends[2 * number + 1]];
      const next = a === section ? b : a;
      if (seen.has(next)) continue;
      seen.add(next);
      open.push(next);
    }
  }
  return seen;
}

const numbersOf = (graph: PlantGraph, sections: readonly string[]): number[] =>
  sections.flatMap((id) => graph.sectionAt.get(id) ?? []);

const isFluidAt = (graph: PlantGraph, section: number) =>
  isFluid(graph.medium[section]?.energy ?? 'electrical');

/**
 * The sections of fluid that pipes and vessels join to the first ones, with every valve counted as open: a valve passes, a blank does
 * not. `gaps` are links that stand as a physical gap or blank.
 */
export function listJoinedByFluid(
  graph: PlantGraph,
  sections: readonly string[],
  gaps: ReadonlySet<string>,
): ReadonlySet<number> {
  const joins = (link: Link, number: number) =>
    !gaps.has(link.id) &&
    isFluidAt(graph, graph.ends[2 * number] ?? -1) &&
    isFluidAt(graph, graph.ends[2 * number + 1] ?? -1);
  return reach(graph, numbersOf(graph, sections), joins);
}

/** Energies of what turns, falls or is carried. */
const MOVES: ReadonlySet<string> = new Set(['mechanical', 'gravity']);

/** The sections that shafts, couplings and loads join to the first ones, and the motors that drive them. */
export function listCoupled(graph: PlantGraph, sections: readonly string[]): ReadonlySet<number> {
  const moves = (section: number) => MOVES.has(graph.medium[section]?.energy ?? '');
  const joins = (link: Link, number: number) => {
    const ends = [graph.ends[2 * number] ?? -1, graph.ends[2 * number + 1] ?? -1] as const;
    return ends.every(moves) || (link.kind === 'motor' && ends.some(moves));
  };
  return reach(graph, numbersOf(graph, sections), joins);
}
