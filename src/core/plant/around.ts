import { linksOf, otherEnd, type PlantGraph } from './graph';

/** What a diagram is drawn round, by ids; ids that the plant does not have are left out. */
export interface AroundWhat {
  /** Sections in the middle. */
  readonly work: readonly string[];
  /** Links that have to be on it, with both their ends: points of a plan, routes. */
  readonly links?: readonly string[];
  /** Sections that have to be on it. */
  readonly sections?: readonly string[];
  /** Sections whose every link is drawn, because somebody asked what lies behind them. */
  readonly opened?: readonly string[];
}

/** What a diagram shows, by number. */
export interface Around {
  readonly sections: ReadonlySet<number>;
  /** How far each section lies from the middle, in links: below 0 before it, above 0 behind it. */
  readonly depth: ReadonlyMap<number, number>;
}

/** How many links round the middle are shown. */
const REACH = 2;
/** A section with more links than these is shown, and what else hangs on it is not. */
const BUSY = 8;

const numbersOf = (at: ReadonlyMap<string, number>, ids: readonly string[] = []): number[] =>
  ids.flatMap((id) => at.get(id) ?? []);

/** Sections within reach of the middle: past a source, or past what hangs together with half the works, nothing more is shown. */
function listNear(graph: PlantGraph, middle: readonly number[]): Set<number> {
  const near = new Set(middle);
  let ring = middle;
  for (let far = 0; far < REACH; far++) {
    const next: number[] = [];
    for (const section of ring) {
      const isEdge = graph.isSource[section] || linksOf(graph, section).length > BUSY;
      if (far > 0 && isEdge) continue;
      for (const link of linksOf(graph, section)) {
        const other = otherEnd(graph, link, section);
        if (near.has(other)) continue;
        near.add(other);
        next.push(other);
      }
    }
    ring = next;
  }
  return near;
}

/** How far each of the sections lies from the middle and on which side of it, as its links are drawn. */
function measureDepth(
  graph: PlantGraph,
  middle: readonly number[],
  shown: ReadonlySet<number>,
): Map<number, number> {
  const depth = new Map(middle.map((section) => [section, 0]));
  const reached = [...middle];
  for (const section of reached) {
    const here = depth.get(section) ?? 0;
    for (const link of linksOf(graph, section)) {
      const other = otherEnd(graph, link, section);
      if (!shown.has(other) || depth.has(other)) continue;
      const side = here === 0 ? (graph.ends[2 * link + 1] === section ? -1 : 1) : Math.sign(here);
      depth.set(other, here + side);
      reached.push(other);
    }
  }
  return depth;
}

/** What a diagram shows: all within two links of the middle, what has to be on it, and what somebody opened. */
export function listAround(graph: PlantGraph, what: AroundWhat): Around {
  const middle = numbersOf(graph.sectionAt, what.work);
  const sections = listNear(graph, middle);
  for (const link of numbersOf(graph.linkAt, what.links)) {
    sections.add(graph.ends[2 * link] as number);
    sections.add(graph.ends[2 * link + 1] as number);
  }
  for (const section of numbersOf(graph.sectionAt, what.sections)) sections.add(section);
  for (const section of numbersOf(graph.sectionAt, what.opened)) {
    sections.add(section);
    for (const link of linksOf(graph, section)) sections.add(otherEnd(graph, link, section));
  }
  return { sections, depth: measureDepth(graph, middle, sections) };
}
