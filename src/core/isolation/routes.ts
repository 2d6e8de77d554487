import { otherEnd, type PlantGraph } from '../plant';

/** A walk over links, from where energy starts to where it arrives. Empty when both are the same section. */
export type Route = readonly number[];

/** What a search found out about each section: the cost of getting there and the link by which it was entered. */
export interface RouteTree {
  readonly cost: Int32Array;
  readonly via: Int32Array;
}

/** The cost of a section that the search did not reach. */
export const UNREACHED = 0x7fffffff;

/**
 * Searches from several sections at once. `weigh` gives what a link costs (a small whole number, 0 allowed) or
 * -1 where the search may not pass. The cheapest routes are found; among equals the one over fewer links.
 */
export function searchRoutes(
  graph: PlantGraph,
  from: Iterable<number>,
  weigh: (link: number, section: number, next: number) => number,
): RouteTree {
  const count = graph.sections.length;
  const cost = new Int32Array(count).fill(UNREACHED);
  const via = new Int32Array(count).fill(-1);
  const done = new Uint8Array(count);
  const rings: number[][] = [[]];
  for (const section of from) {
    cost[section] = 0;
    rings[0]?.push(section);
  }
  for (let ring = 0; ring < rings.length; ring++) {
    const queue = rings[ring] ?? [];
    for (let at = 0; at < queue.length; at++) {
      const section = queue[at] as number;
      if (done[section] || cost[section] !== ring) continue;
      done[section] = 1;
      const end = graph.start[section + 1] as number;
      for (let index = graph.start[section] as number; index < end; index++) {
        const link = graph.incident[index] as number;
        const next = otherEnd(graph, link, section);
        const step = weigh(link, section, next);
        if (step < 0 || ring + step >= (cost[next] as number)) continue;
        cost[next] = ring + step;
        via[next] = link;
        while (rings.length <= ring + step) rings.push([]);
        rings[ring + step]?.push(next);
      }
    }
  }
  return { cost, via };
}

/** The links from `section` back to where the search began, in that order. */
export function traceBack(graph: PlantGraph, tree: RouteTree, section: number): Route {
  const route: number[] = [];
  let here = section;
  for (let link = tree.via[here] as number; link !== -1; link = tree.via[here] as number) {
    route.push(link);
    here = otherEnd(graph, link, here);
  }
  return route;
}

/** Ids of the links of a route. */
export function nameRoute(graph: PlantGraph, route: Route): string[] {
  return route.map((link) => graph.links[link]?.id ?? '');
}
