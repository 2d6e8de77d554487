import {
  canStandOpen,
  isFitEarth,
  linksOf,
  otherEnd,
  type Bar,
  type BarredPosition,
  type Link,
  type Outlet,
  type PlantGraph,
} from '../../plant';
import { isThrough, sectionOfOutlet } from '../bodies';
import { listProtectors } from '../check/relief';
import { computeFed } from '../cost';
import type { Finding } from '../findings';
import type { PlannerModel } from './model';

/**
 * What is settled before a search: earths applied, links that are not closed, links locked open, links closed whatever else is done, sections
 * cut off from every source; and what interlocks forbid: outlets that are not opened, links that are not locked open.
 */
export interface Arrangement {
  readonly earths: readonly number[];
  readonly keptOpen: ReadonlySet<number>;
  readonly stand: ReadonlySet<number>;
  readonly shut: ReadonlySet<number>;
  readonly dead: ReadonlySet<number>;
  readonly notOpened: ReadonlySet<number>;
  readonly notStanding: ReadonlySet<number>;
}

interface Walk {
  readonly seen: ReadonlySet<number>;
  /** Sections from the work to a source, when the walk meets one; else to where a converter makes voltage. */
  readonly pathToSource: readonly number[] | undefined;
  readonly pathToMade: readonly number[] | undefined;
}

/** Whether a converter makes voltage at a conductor. */
const isMadeAt = (graph: PlantGraph, section: number): boolean =>
  linksOf(graph, section).some((link) => {
    const crossing = graph.crossing[link];
    if (crossing?.kind !== 'drive') return false;
    return graph.ends[2 * link + 1 - crossing.from] === section || crossing.backs;
  });

/** Walks from a work section over every conductor, not entering earthed sections. */
function walkFrom(model: PlannerModel, work: number, isEarthed: ReadonlySet<number>): Walk {
  const { graph } = model;
  const from = new Map<number, number>([[work, -1]]);
  const pathTo = (section: number) => {
    const path: number[] = [];
    for (let here = section; here !== -1; here = from.get(here) as number) path.unshift(here);
    return path;
  };
  let pathToMade: number[] | undefined;
  for (const section of from.keys()) {
    if (graph.isSource[section]) {
      return { seen: new Set(from.keys()), pathToSource: pathTo(section), pathToMade: undefined };
    }
    if (isMadeAt(graph, section)) pathToMade ??= pathTo(section);
    for (const link of linksOf(graph, section)) {
      const next = otherEnd(graph, link, section);
      if (isThrough(graph, link) && !from.has(next) && !isEarthed.has(next)) {
        from.set(next, section);
      }
    }
  }
  return { seen: new Set(from.keys()), pathToSource: undefined, pathToMade };
}

/**
 * Lists every way of earthing that can be of use: from each work section that has to be earthed, whatever way is walked,
 * an earth is met before any source. What is walked over on the way may then not be a barrier. One empty way when
 * nothing has to be earthed; no way at all when the plant has no earths where they are needed.
 */
export function* listEarthings(model: PlannerModel): Generator<Arrangement> {
  const { graph, candidate } = model;
  const earthOn = new Map<number, number>();
  graph.outlets.forEach((outlet, number) => {
    const section = sectionOfOutlet(graph, number);
    const known = earthOn.get(section);
    if (!isFitEarth(outlet)) return;
    const minutes = (n: number) => graph.outlets[n]?.minutes ?? 5;
    if (known === undefined || minutes(number) < minutes(known)) earthOn.set(section, number);
  });
  function* place(
    earthed: ReadonlySet<number>,
    barred: ReadonlySet<number>,
  ): Generator<Arrangement> {
    const keptOpen = new Set<number>();
    for (const { section: work } of model.earths) {
      if (earthed.has(work)) continue;
      const walk = walkFrom(model, work, earthed);
      const path = walk.pathToSource ?? walk.pathToMade;
      if (path) {
        const passed = new Set(barred);
        for (const section of path) {
          if (!earthOn.has(section) || barred.has(section)) continue;
          if (!graph.isSource[section])
            yield* place(new Set([...earthed, section]), new Set(passed));
          passed.add(section);
        }
        // What a converter makes may also be kept away on its other side, with no barrier among the conductors.
        if (walk.pathToSource) return;
      }
      for (const section of walk.seen) {
        for (const link of linksOf(graph, section)) if (candidate[link]) keptOpen.add(link);
      }
    }
    yield {
      earths: [...earthed].map((section) => earthOn.get(section) as number).sort((a, b) => a - b),
      keptOpen,
      stand: new Set(),
      shut: new Set(),
      dead: new Set(),
      notOpened: new Set(),
      notStanding: new Set(),
    };
  }
  yield* place(new Set(), new Set());
}

/** The links of a way from one section to another that is sure, or can be made so; undefined when there is none. */
function findSureWay(model: PlannerModel, from: number, to: number): number[] | undefined {
  const { graph } = model;
  const via = new Map<number, number>([[from, -1]]);
  for (const section of via.keys()) {
    if (section === to) {
      const way: number[] = [];
      for (let here = to; here !== from;) {
        const link = via.get(here) as number;
        way.push(link);
        here = otherEnd(graph, link, here);
      }
      return way;
    }
    for (const link of linksOf(graph, section)) {
      const next = otherEnd(graph, link, section);
      const isFit = graph.surelyOpen[link] === 1 || canStandOpen(graph.links[link] as Link);
      if (isFit && isThrough(graph, link) && !via.has(next)) via.set(next, link);
    }
  }
  return undefined;
}

/**
 * The ways out when a plan takes away the last relief of something that a source still feeds: keep or bring one relief valve in
 * service, over the shortest way that is sure, or cut what it protects off from every source.
 */
export function listReliefWays(
  model: PlannerModel,
  before: Arrangement,
  { code, subject }: Finding,
): Arrangement[] {
  const { graph } = model;
  const section = graph.sectionAt.get(subject);
  if (code !== 'relief-lost' || section === undefined) return [];
  const kept = (listProtectors(graph).get(section) ?? []).flatMap((relief): Arrangement[] =>
    [2 * relief, 2 * relief + 1].flatMap((end) => {
      const way = findSureWay(model, section, graph.ends[end] as number);
      if (!way || way.some((link) => before.shut.has(link))) return [];
      const stand = way.filter((link) => graph.surelyOpen[link] === 0);
      return [
        {
          ...before,
          keptOpen: new Set([...before.keptOpen, ...way]),
          stand: new Set([...before.stand, ...stand]),
        },
      ];
    }),
  );
  if (before.dead.has(section)) return kept;
  return [...kept, { ...before, dead: new Set([...before.dead, section]) }];
}

const withOne = (some: ReadonlySet<number>, one: number): ReadonlySet<number> =>
  new Set([...some, one]);

/** The way in which one position of a bar does not come about; none when the arrangement rules it out. */
function leavePosition(
  model: PlannerModel,
  before: Arrangement,
  { part, number, is }: BarredPosition,
): Arrangement[] {
  const { graph, candidate, mayStand } = model;
  if (part === 'outlet') {
    const notOpened = withOne(before.notOpened, number);
    if (!before.earths.includes(number)) return [{ ...before, notOpened }];
    // Another earth on the same conductor does as well.
    return [...graph.outlets.keys()]
      .filter(
        (one) =>
          isFitEarth(graph.outlets[one] as Outlet) &&
          sectionOfOutlet(graph, one) === sectionOfOutlet(graph, number) &&
          !notOpened.has(one),
      )
      .map((one) => ({
        ...before,
        notOpened,
        earths: before.earths.map((earth) => (earth === number ? one : earth)),
      }));
  }
  const isNormallyClosed = graph.isNormallyClosed[number] === 1;
  if (is === 'open' && isNormallyClosed) {
    if (before.stand.has(number)) return [];
    return [{ ...before, notStanding: withOne(before.notStanding, number) }];
  }
  if (is === 'open') {
    if (!candidate[number] || before.keptOpen.has(number)) return [];
    return [{ ...before, shut: withOne(before.shut, number) }];
  }
  if (before.shut.has(number)) return [];
  const keptOpen = withOne(before.keptOpen, number);
  if (!isNormallyClosed) return [{ ...before, keptOpen }];
  if (!mayStand[number] || before.notStanding.has(number)) return [];
  return [{ ...before, keptOpen, stand: withOne(before.stand, number) }];
}

/** The ways out when a plan breaks a bar: each of its positions in turn does not come about. */
export const listWaysAround = (
  model: PlannerModel,
  before: Arrangement,
  { positions }: Bar,
): Arrangement[] => positions.flatMap((position) => leavePosition(model, before, position));

/** A problem under an arrangement: what is shut feeds nothing, and what interlocks forbid is not at hand. */
export function arrangeModel(model: PlannerModel, arrangement: Arrangement): PlannerModel {
  const { shut, notOpened, notStanding } = arrangement;
  if (shut.size + notOpened.size + notStanding.size === 0) return model;
  const { graph, served } = model;
  const supply = model.supply.map((passes, link) => (shut.has(link) ? 0 : passes));
  const fed = computeFed(graph, (link) => supply[link] === 1);
  const lost = served.filter((section) => model.fed[section] && !fed[section]);
  return {
    ...model,
    mayStand: model.mayStand.map((may, link) => (notStanding.has(link) ? 0 : may)),
    supply,
    fed,
    lostAlready: lost.reduce((sum, section) => sum + (graph.sections[section]?.serves ?? 0), 0),
    notOpened,
  };
}
