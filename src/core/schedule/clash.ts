import {
  hazardsOf,
  listPlanPoints,
  type IsolationPlan,
  type PlantGraph,
  type Scope,
} from '../plant';
import type { PaperKind } from '../permits';
import type { SiteValues } from '../rules/values';
import { listCoupled, listJoinedByFluid } from './connected';
import { findDistance, findPlace, isNear, type Place } from './place';
import { findFree, isTogether, type Span } from './window';

/** Ways in which two jobs come into each other's way, by code. */
export const CLASH_CODES = [
  'sparks-by-open-line',
  'entry-while-let-down',
  'test-start-coupled',
  'lift-over-crew',
  'rays-by-crew',
  'pressure-test-by-crew',
  'line-cleared-by-crew',
  'point-both-ways',
] as const;
export type ClashCode = (typeof CLASH_CODES)[number];

/** What is done, where, when, and what it changes in the plant. */
export interface Doing {
  readonly job: string;
  readonly title: string;
  readonly span: Span;
  readonly scope: Scope;
  readonly place: Place;
  readonly papers: readonly PaperKind[];
  readonly plan: IsolationPlan | undefined;
  /** Points that are lifted for a test run. */
  readonly lifted: readonly string[];
  /** It is being started again after the work. */
  readonly starts: boolean;
  /** How far off everybody stays from a line that it clears with gas (m); undefined where it clears none. */
  readonly clears_m?: number | undefined;
  /** The site's values as they count for it: its own sums may ask for longer distances. */
  readonly values: SiteValues;
}

/** Two jobs in each other's way: `cause` does what endangers `suffers`. */
export interface Clash {
  readonly code: ClashCode;
  readonly cause: string;
  readonly suffers: string;
  /** What exactly, in one sentence. */
  readonly words: string;
  /** Whether the two are planned for the same time. */
  readonly together: boolean;
}

interface Pair {
  readonly graph: PlantGraph;
  readonly a: Doing;
  readonly b: Doing;
}

const isHot = ({ papers, scope }: Doing) =>
  papers.includes('hot-work') || scope.work.some(({ activity }) => activity === 'hot-work');

const away = (a: Place, b: Place): string => {
  const distance = findDistance(a, b);
  return distance === undefined ? 'in the same place' : `${distance.toFixed(1)} m away`;
};

const mediumOf = (graph: PlantGraph, section: string) =>
  graph.medium[graph.sectionAt.get(section) ?? -1];

/** Sections that a job lets out into the open: those it opens or enters, and those whose outlets it opens to the air. */
function listLetOut(graph: PlantGraph, { scope, plan }: Doing): string[] {
  const outlets = (plan?.open ?? []).flatMap((id) => {
    const outlet = graph.outlets[graph.outletAt.get(id) ?? -1];
    return outlet && outlet.kind !== 'earth' && outlet.leads_to !== 'closed-system'
      ? [outlet.section]
      : [];
  });
  const opened = scope.work.filter(({ activity }) => activity === 'open' || activity === 'enter');
  return [...new Set([...opened.map(({ section }) => section), ...outlets])];
}

function sparksByOpenLine({ graph, a, b }: Pair): string | undefined {
  if (!isHot(a)) return undefined;
  const [near] = listLetOut(graph, b)
    .filter((section) =>
      hazardsOf(mediumOf(graph, section) ?? { hazards: [] }).includes('flammable'),
    )
    .map((section) => ({ section, place: findPlace(graph, [section]) }))
    .filter(({ place }) => isNear(a.place, place, a.values['hot-work-radius-m']));
  return near
    ? `${a.job} makes sparks ${away(a.place, near.place)} from ${near.section}, which ${b.job} opens`
    : undefined;
}

/** Sections that a job lets down through outlets. */
const listLetDown = (graph: PlantGraph, { plan }: Doing): string[] =>
  (plan?.open ?? []).flatMap((id) => {
    const outlet = graph.outlets[graph.outletAt.get(id) ?? -1];
    return outlet && outlet.kind !== 'earth' ? [outlet.section] : [];
  });

/** Links that a plan turns into a physical gap or blank. */
const listGaps = (graph: PlantGraph, { plan }: Doing): ReadonlySet<string> =>
  new Set((plan?.close ?? []).filter((id) => graph.strength[graph.linkAt.get(id) ?? -1] === 2));

function entryWhileLetDown({ graph, a, b }: Pair): string | undefined {
  const entered = b.scope.work.filter(({ activity }) => activity === 'enter');
  if (entered.length === 0) return undefined;
  const joined = listJoinedByFluid(
    graph,
    entered.map(({ section }) => section),
    listGaps(graph, b),
  );
  const into = listLetDown(graph, a).filter((section) =>
    joined.has(graph.sectionAt.get(section) ?? -1),
  );
  const inert = a.scope.work
    .map(({ section }) => section)
    .filter(
      (section) =>
        joined.has(graph.sectionAt.get(section) ?? -1) &&
        hazardsOf(mediumOf(graph, section) ?? { hazards: [] }).includes('asphyxiant'),
    );
  const met = [...new Set([...into, ...inert])];
  return met.length === 0
    ? undefined
    : `${b.job} enters ${entered.map(({ section }) => section).join(', ')}, joined without a blank to ${met.join(', ')}, which ${a.job} lets down, opens or inerts`;
}

function testStartCoupled({ graph, a, b }: Pair): string | undefined {
  if (a.lifted.length === 0 && !a.starts) return undefined;
  const started = a.scope.work.map(({ section }) => section);
  const ends = a.lifted.flatMap((id) => graph.links[graph.linkAt.get(id) ?? -1]?.between ?? []);
  const coupled = listCoupled(graph, [...started, ...ends]);
  const met = b.scope.work
    .map(({ section }) => section)
    .filter(
      (section) =>
        ['mechanical', 'gravity'].includes(mediumOf(graph, section)?.energy ?? '') &&
        coupled.has(graph.sectionAt.get(section) ?? -1),
    );
  return met.length === 0
    ? undefined
    : `${a.job} starts what is coupled to ${met.join(', ')}, where ${b.job} works`;
}

/** A paper whose work keeps everyone else at a distance. */
function keepsAway(
  paper: PaperKind,
  metres: (values: SiteValues) => number,
  what: string,
): (pair: Pair) => string | undefined {
  return ({ a, b }) =>
    a.papers.includes(paper) && isNear(a.place, b.place, metres(a.values))
      ? `${a.job} ${what} ${away(a.place, b.place)} from the place where ${b.job} works; ${metres(a.values)} m are kept clear`
      : undefined;
}

function lineClearedByCrew({ a, b }: Pair): string | undefined {
  const { clears_m } = a;
  return clears_m !== undefined && isNear(a.place, b.place, clears_m)
    ? `${a.job} clears a line with gas ${away(a.place, b.place)} from the place where ${b.job} works; ${clears_m} m are kept clear`
    : undefined;
}

function pointBothWays({ a, b }: Pair): string | undefined {
  if (!b.plan) return undefined;
  const needed = new Set(listPlanPoints(b.plan));
  const met = a.lifted.filter((point) => needed.has(point));
  return met.length === 0
    ? undefined
    : `${a.job} lifts ${met.join(', ')} for its test; ${b.job} needs them as they stand`;
}

/** What one job does to another, by code; undefined when nothing. */
const FINDERS: Readonly<Record<ClashCode, (pair: Pair) => string | undefined>> = {
  'sparks-by-open-line': sparksByOpenLine,
  'entry-while-let-down': entryWhileLetDown,
  'test-start-coupled': testStartCoupled,
  'lift-over-crew': keepsAway('lifting', (values) => values['lift-clear-m'], 'lifts'),
  'rays-by-crew': keepsAway('radiography', (values) => values['radiography-clear-m'], 'uses rays'),
  'pressure-test-by-crew': keepsAway(
    'pressure-test',
    (values) => values['pressure-test-clear-m'],
    'tests under pressure',
  ),
  'line-cleared-by-crew': lineClearedByCrew,
  'point-both-ways': pointBothWays,
};

/** Papers whose work can endanger whoever is near. */
const DANGEROUS: readonly PaperKind[] = ['hot-work', 'lifting', 'radiography', 'pressure-test'];

/** Whether a job can be in anyone's way at all: a quick look before two are compared in full. */
export const isCause = (doing: Doing): boolean =>
  isHot(doing) ||
  doing.starts ||
  doing.lifted.length > 0 ||
  doing.clears_m !== undefined ||
  doing.papers.some((paper) => DANGEROUS.includes(paper)) ||
  doing.scope.work.some(({ activity }) => activity === 'enter');

/** Everything by which two jobs are in each other's way, in either direction, whenever they are done. */
export function findClashes(graph: PlantGraph, one: Doing, other: Doing): Clash[] {
  const together = isTogether(one.span, other.span);
  return [
    [one, other],
    [other, one],
  ].flatMap(([a, b]) =>
    !a || !b
      ? []
      : CLASH_CODES.flatMap((code) => {
          const words = FINDERS[code]({ graph, a, b });
          return words === undefined
            ? []
            : [{ code, cause: a.job, suffers: b.job, words, together }];
        }),
  );
}

/** The first time from `from` on at which a job meets none of the jobs it is in the way of. */
export function findFirstFree(
  doing: Doing,
  others: readonly Doing[],
  clashes: readonly Clash[],
  from: number,
): Span {
  const met = new Set(clashes.flatMap(({ cause, suffers }) => [cause, suffers]));
  const taken = others
    .filter(({ job }) => job !== doing.job && met.has(job))
    .map(({ span }) => span);
  return findFree(from, doing.span.until - doing.span.from, taken);
}
