import { linksOf, otherEnd, type PlantGraph } from '../../../src/core/plant';

/** Visits every section that can be reached from `from` over links that `passes`; answers them in the order found. */
export function flood(
  graph: PlantGraph,
  from: Iterable<number>,
  passes: (link: number, next: number) => boolean,
): Set<number> {
  const seen = new Set(from);
  for (const section of seen) {
    for (const link of linksOf(graph, section)) {
      const next = otherEnd(graph, link, section);
      if (!seen.has(next) && passes(link, next)) seen.add(next);
    }
  }
  return seen;
}
