import { labelParts } from '../../../src/core/plant';
import type { PlannerModel } from '../../../src/core/isolation/planner/model';
import type { Clause } from './programme';
import { ClauseBuilder, closeOf, levelOf, openOf } from './variables';

/**
 * The labelling that `double-bled` asks for, as fixed clauses. Every node (sections joined by links that cannot be closed)
 * stands at level 0 (on the side of the work), 1 (in a bled space between two barriers) or 2 (on the side of the sources).
 * A closed link makes one step, a positive one two; no source stands at level 1.
 */
export interface Levels {
  readonly clauses: readonly Clause[];
  /** Node of each section. */
  readonly node: Int32Array;
  readonly nodes: readonly number[];
}

function clausesOfLink(link: number, strength: number, a: number, b: number): Clause[] {
  const clauses: Clause[] = [];
  for (const [u, v] of [
    [a, b],
    [b, a],
  ] as const) {
    const step = (level: 1 | 2) =>
      new ClauseBuilder()
        .plus(closeOf(link))
        .plus(levelOf(u, level), -1)
        .plus(levelOf(v, level))
        .atLeast(0);
    if (strength === 2) {
      clauses.push(step(1), step(2));
      clauses.push(
        new ClauseBuilder()
          .plus(closeOf(link))
          .plus(levelOf(u, 2), -1)
          .plus(levelOf(v, 1))
          .atLeast(0),
      );
      continue;
    }
    const both = new ClauseBuilder().plus(closeOf(link));
    for (const level of [1, 2] as const) both.plus(levelOf(u, level), -1).plus(levelOf(v, level));
    clauses.push(both.atLeast(0));
    clauses.push(new ClauseBuilder().plus(levelOf(u, 2), -1).plus(levelOf(v, 1)).atLeast(0));
  }
  return clauses;
}

/** A node at level 1 has a bleed of its own, or a link to a neighbour left open. */
function listFirstBleeds(model: PlannerModel, node: Int32Array): Clause[] {
  const { graph } = model;
  const builders = new Map<number, ClauseBuilder>();
  for (const n of node) {
    if (builders.has(n)) continue;
    builders.set(n, new ClauseBuilder().not(levelOf(n, 1)).plus(levelOf(n, 2)));
  }
  node.forEach((n, section) =>
    model.safeOutlets.get(section)?.forEach((outlet) => builders.get(n)?.plus(openOf(outlet))),
  );
  graph.links.forEach((_, link) => {
    const ends = [0, 1].map((end) => node[graph.ends[2 * link + end] as number] as number);
    if (!model.candidate[link] || ends[0] === ends[1]) return;
    ends.forEach((n) => builders.get(n)?.not(closeOf(link)));
  });
  return [...builders.values()].map((builder) => builder.atLeast(1));
}

/** Lays out the labelling; undefined when no source demands `double-bled`. */
export function buildLevels(model: PlannerModel): Levels | undefined {
  const demanding = model.demands.filter((demand) => demand.grade === 'double-bled');
  if (demanding.length === 0) return undefined;
  const { graph } = model;
  const node = labelParts(graph, (link) => !model.candidate[link]);
  const nodes = [...new Set(node)];
  const clauses: Clause[] = nodes.map((n) =>
    new ClauseBuilder().plus(levelOf(n, 1)).plus(levelOf(n, 2), -1).atLeast(0),
  );
  graph.links.forEach((_, link) => {
    const a = node[graph.ends[2 * link] as number] as number;
    const b = node[graph.ends[2 * link + 1] as number] as number;
    if (model.candidate[link] && a !== b) {
      clauses.push(...clausesOfLink(link, graph.strength[link] as number, a, b));
    }
  });
  clauses.push(...listFirstBleeds(model, node));
  const at = (section: number) => node[section] as number;
  for (const section of model.zone) {
    clauses.push(new ClauseBuilder().plus(levelOf(at(section), 1), -1).atLeast(0));
  }
  for (const { source } of demanding) {
    clauses.push(new ClauseBuilder().plus(levelOf(at(source), 2)).atLeast(1));
  }
  graph.isSource.forEach((isSource, section) => {
    if (!isSource) return;
    const n = at(section);
    clauses.push(new ClauseBuilder().plus(levelOf(n, 2)).plus(levelOf(n, 1), -1).atLeast(0));
  });
  return { clauses, node, nodes };
}
