import { linksOf, otherEnd } from '../../plant';
import { sectionOfOutlet } from '../bodies';
import type { PlannerModel } from './model';

/** One way of earthing the work: the earths applied, and the links that may then not be closed. */
export interface Earthing {
  readonly earths: readonly number[];
  readonly keptOpen: ReadonlySet<number>;
}

interface Walk {
  readonly seen: ReadonlySet<number>;
  /** Sections from the work to a source, when the walk meets one. */
  readonly pathToSource: readonly number[] | undefined;
}

/** Walks from a work section over every link, not entering earthed sections. */
function walkFrom(model: PlannerModel, work: number, isEarthed: ReadonlySet<number>): Walk {
  const { graph } = model;
  const from = new Map<number, number>([[work, -1]]);
  for (const section of from.keys()) {
    if (graph.isSource[section]) {
      const path: number[] = [];
      for (let here = section; here !== -1; here = from.get(here) as number) path.unshift(here);
      return { seen: new Set(from.keys()), pathToSource: path };
    }
    for (const link of linksOf(graph, section)) {
      const next = otherEnd(graph, link, section);
      if (!from.has(next) && !isEarthed.has(next)) from.set(next, section);
    }
  }
  return { seen: new Set(from.keys()), pathToSource: undefined };
}

/**
 * Lists every way of earthing that can be of use: from each work section that has to be earthed, whatever way is walked,
 * an earth is met before any source. What is walked over on the way may then not be a barrier. One empty way when
 * nothing has to be earthed; no way at all when the plant has no earths where they are needed.
 */
export function* listEarthings(model: PlannerModel): Generator<Earthing> {
  const { graph, candidate } = model;
  const earthOn = new Map<number, number>();
  graph.outlets.forEach((outlet, number) => {
    const section = sectionOfOutlet(graph, number);
    const known = earthOn.get(section);
    if (outlet.kind !== 'earth') return;
    const minutes = (n: number) => graph.outlets[n]?.minutes ?? 5;
    if (known === undefined || minutes(number) < minutes(known)) earthOn.set(section, number);
  });
  function* place(earthed: ReadonlySet<number>, barred: ReadonlySet<number>): Generator<Earthing> {
    const keptOpen = new Set<number>();
    for (const { section: work } of model.earths) {
      if (earthed.has(work)) continue;
      const walk = walkFrom(model, work, earthed);
      if (walk.pathToSource) {
        const passed = new Set(barred);
        for (const section of walk.pathToSource) {
          if (!earthOn.has(section) || barred.has(section)) continue;
          if (!graph.isSource[section])
            yield* place(new Set([...earthed, section]), new Set(passed));
          passed.add(section);
        }
        return;
      }
      for (const section of walk.seen) {
        for (const link of linksOf(graph, section)) if (candidate[link]) keptOpen.add(link);
      }
    }
    yield {
      earths: [...earthed].map((section) => earthOn.get(section) as number).sort((a, b) => a - b),
      keptOpen,
    };
  }
  yield* place(new Set(), new Set());
}
