import { isOffLoad, linksOf, otherEnd, type PlantGraph } from '../plant';

const isConductor = (graph: PlantGraph, section: number): boolean =>
  graph.carrier[section] === 'current';

/** Conductors that are joined to a section, with some links taken away; the others count whatever their position. */
function reach(graph: PlantGraph, from: number, without: readonly number[]): Set<number> {
  const seen = new Set([from]);
  for (const section of seen) {
    for (const link of linksOf(graph, section)) {
      const next = otherEnd(graph, link, section);
      if (!without.includes(link) && isConductor(graph, next)) seen.add(next);
    }
  }
  return seen;
}

const endsOf = (graph: PlantGraph, link: number): readonly [number, number] => [
  graph.ends[2 * link] ?? -1,
  graph.ends[2 * link + 1] ?? -1,
];

/** Whether a load-breaking device stands between a source and an off-load one, or feeds what hangs behind it. */
function isInSeries(graph: PlantGraph, breaker: number, offLoad: number): boolean {
  const isLive = (sections: ReadonlySet<number>) =>
    [...sections].some((section) => graph.isSource[section]);
  const ends = endsOf(graph, offLoad);
  const [a, b] = endsOf(graph, breaker).map((end) => reach(graph, end, [breaker, offLoad])) as [
    Set<number>,
    Set<number>,
  ];
  const touches = (sections: ReadonlySet<number>) => ends.some((end) => sections.has(end));
  const feeds = (isLive(a) && touches(b)) || (isLive(b) && touches(a));
  const behind = ends
    .map((end) => reach(graph, end, [offLoad]))
    .filter((sections) => !isLive(sections))
    .some((sections) => endsOf(graph, breaker).some((end) => sections.has(end)));
  return feeds || behind;
}

/** Devices that take the load off a line, whether or not anything can be locked on them. */
const SWITCHES: ReadonlySet<string> = new Set([
  'circuit-breaker',
  'fuse-switch',
  'isolator',
  'contactor',
  'drive-controller',
]);

/**
 * Load-breaking devices (link numbers) that a plan does not close and that are opened before its off-load ones: for each of these that no
 * device of the plan breaks the load for, the nearest in series. None where the drawing has none, or it stands open.
 */
export function listSwitchedFirst(graph: PlantGraph, barriers: readonly number[]): number[] {
  const after = listAfterBreakers(graph, barriers);
  const alone = barriers.filter(
    (link) =>
      !after.has(link) &&
      !graph.isNormallyClosed[link] &&
      endsOf(graph, link).every((end) => isConductor(graph, end)) &&
      isOffLoad(graph, link),
  );
  return [...new Set(alone.flatMap((link) => findSwitch(graph, link) ?? []))].sort((a, b) => a - b);
}

/** The nearest device in series with an off-load one that breaks its load, over conductors. */
function findSwitch(graph: PlantGraph, offLoad: number): number | undefined {
  const seen = new Set(endsOf(graph, offLoad));
  for (const section of seen) {
    for (const link of linksOf(graph, section)) {
      const isSwitch = SWITCHES.has(graph.links[link]?.kind ?? '') && !isOffLoad(graph, link);
      const isFit = isSwitch && link !== offLoad && !graph.isNormallyClosed[link];
      if (isFit && isInSeries(graph, link, offLoad)) return link;
      const next = otherEnd(graph, link, section);
      if (isConductor(graph, next)) seen.add(next);
    }
  }
  return undefined;
}

/**
 * Off-load devices among the barriers of a plan (link numbers) before which a load-breaking one of the same plan has to be opened: a
 * disconnector that is pulled under load burns whoever pulls it. Source: practice; EN 50110-1, 6.2 (from memory).
 */
export function listAfterBreakers(graph: PlantGraph, barriers: readonly number[]): Set<number> {
  const electrical = barriers.filter((link) =>
    endsOf(graph, link).every((end) => isConductor(graph, end)),
  );
  const breakers = electrical.filter((link) => !isOffLoad(graph, link));
  return new Set(
    electrical
      .filter((link) => isOffLoad(graph, link))
      .filter((link) => breakers.some((breaker) => isInSeries(graph, breaker, link))),
  );
}
