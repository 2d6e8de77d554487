import { SUBSTANCES, substanceOf } from '../gas/substances';
import type { LinkKind, PlantGraph } from '../plant';
import { isFluid } from '../plant/graph';
import { hazardsOf } from '../plant/vocabulary';

/** Where a body opens into the air. */
export interface Opening {
  readonly id: string;
  readonly name: string;
  readonly section: string;
}

/** A body of what can burn from which an open path leads to an opening: the links from the opening to it, in order. */
export interface Breath {
  readonly body: string;
  readonly name: string;
  readonly what: string;
  readonly route: readonly string[];
}

/** What can breathe out at one opening, nearest first, and where it can be blanked. */
export interface BreathingOut {
  readonly opening: Opening;
  readonly bodies: readonly Breath[];
  /** How many there are, also where only some are listed. */
  readonly count: number;
  /** Ways to blank it: each alone is enough, nearest the opening first. */
  readonly blankAt: readonly string[];
  /** Where none alone is enough: these together. Empty when it can be blanked nowhere on the drawing. */
  readonly together: readonly string[];
}

/** The blanks to put in: the nearest that alone is enough, else those that are together. */
export const suggestBlanks = ({
  blankAt,
  together,
}: Pick<BreathingOut, 'blankAt' | 'together'>): readonly string[] =>
  blankAt.length > 0 ? blankAt.slice(0, 1) : together;

/** A wall parts the two fluids of an exchanger; every other link between fluids lets them through when it is not blanked. */
const WALLS: ReadonlySet<LinkKind> = new Set(['exchanger']);

/**
 * Whether matter can come through a link. A valve that is only shut counts as open: for hot work on what held flammables only a gap
 * or a blank holds (practice). A relief valve lets through: it lifts.
 */
function passes(graph: PlantGraph, link: number, shut: ReadonlySet<string>): boolean {
  const { id, kind, passing, between } = graph.links[link] as PlantGraph['links'][number];
  if (shut.has(id)) return false;
  if (WALLS.has(kind) && passing !== true) return false;
  return between.every((end) => {
    const medium = graph.medium[graph.sectionAt.get(end) ?? -1];
    return medium !== undefined && isFluid(medium.energy);
  });
}

/** What of a body can burn, in words; undefined when nothing does. */
function describeFlammable(graph: PlantGraph, section: number): string | undefined {
  const medium = graph.medium[section];
  if (!medium) return undefined;
  const gases = (medium.gases ?? []).filter((gas) => substanceOf(gas).lfl !== undefined);
  if (gases.length === 0 && !hazardsOf(medium).includes('flammable')) return undefined;
  const names = gases.map((gas) => SUBSTANCES[gas].name).join(', ');
  return names === '' ? medium.name : `${medium.name} (${names})`;
}

/** Links by which each section was first reached from an opening, section by section outward. */
function spreadFrom(graph: PlantGraph, start: number, shut: ReadonlySet<string>) {
  const by = new Map<number, { readonly link: number; readonly from: number } | undefined>([
    [start, undefined],
  ]);
  const queue = [start];
  for (let n = 0; n < queue.length; n++) {
    const here = queue[n] as number;
    const [first, last] = [graph.start[here] ?? 0, graph.start[here + 1] ?? 0];
    for (let at = first; at < last; at++) {
      const link = graph.incident[at] as number;
      const [a, b] = [graph.ends[2 * link] as number, graph.ends[2 * link + 1] as number];
      const there = a === here ? b : a;
      if (by.has(there) || !passes(graph, link, shut)) continue;
      by.set(there, { link, from: here });
      queue.push(there);
    }
  }
  return { by, order: queue };
}

type Spread = ReturnType<typeof spreadFrom>;

function routeTo(graph: PlantGraph, { by }: Spread, section: number): string[] {
  const route: string[] = [];
  for (let step = by.get(section); step; step = by.get(step.from)) {
    route.unshift(graph.links[step.link]?.id ?? '');
  }
  return route;
}

/** A length of pipe that ends in the open holds nothing once it is blanked behind; a tank that is open does. */
const isLine = ({ dn_mm, source }: PlantGraph['sections'][number]): boolean =>
  dn_mm !== undefined && source === undefined;

function listBreaths(graph: PlantGraph, spread: Spread): Breath[] {
  return spread.order.flatMap((section, n): Breath[] => {
    const what = describeFlammable(graph, section);
    const here = graph.sections[section] as PlantGraph['sections'][number];
    const { id, name } = here;
    return what === undefined || (n === 0 && isLine(here))
      ? []
      : [{ body: id, name, what, route: routeTo(graph, spread, section) }];
  });
}

const canBlank = (graph: PlantGraph, link: string): boolean =>
  graph.strength[graph.linkAt.get(link) ?? -1] === 2;

/** Blanks that together close every path, each the nearest to the opening on the path that is left; empty when one has none. */
function gatherBlanks(graph: PlantGraph, start: number, shut: ReadonlySet<string>): string[] {
  const taken: string[] = [];
  for (;;) {
    const [breath] = listBreaths(graph, spreadFrom(graph, start, new Set([...shut, ...taken])));
    if (!breath) return taken;
    const next = breath.route.find((link) => canBlank(graph, link));
    if (next === undefined) return [];
    taken.push(next);
  }
}

/**
 * What can breathe out at openings: every body of what can burn, or gives off what can burn, from which a path leads there over links of
 * any kind in any position but those in `shut` (blanked, or with a gap). An opening from which nothing can come is left out.
 */
export function findBreathing(
  graph: PlantGraph,
  openings: readonly Opening[],
  shut: ReadonlySet<string>,
): BreathingOut[] {
  return openings.flatMap((opening): BreathingOut[] => {
    const start = graph.sectionAt.get(opening.section);
    if (start === undefined) return [];
    const bodies = listBreaths(graph, spreadFrom(graph, start, shut));
    const [nearest] = bodies;
    if (!nearest) return [];
    // What cuts every path lies on each of them.
    const all = bodies.map(({ route }) => new Set(route));
    const ways = nearest.route.filter(
      (link) => canBlank(graph, link) && all.every((route) => route.has(link)),
    );
    const blankAt = ways.filter(
      (link) => listBreaths(graph, spreadFrom(graph, start, new Set([...shut, link]))).length === 0,
    );
    const together = blankAt.length > 0 ? [] : gatherBlanks(graph, start, shut);
    return [{ opening, bodies, count: bodies.length, blankAt, together }];
  });
}
