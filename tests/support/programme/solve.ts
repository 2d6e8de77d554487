import {
  closingMinutes,
  openingMinutes,
  RESTRAIN_MINUTES,
  type PlanCost,
} from '../../../src/core/isolation';
import { buildLevels, type Levels } from './levels';
import type { PlannerModel } from '../../../src/core/isolation/planner/model';
import { listBrokenClauses } from './oracle';
import type { Clause, ProgrammeOutcome, ProgrammeSolver } from './programme';
import { closeOf, lostOf, openOf, restrainOf } from './variables';

export type Aim = keyof PlanCost;

/** Slack on a bound that was itself computed in floating point. */
const TOLERANCE = 1e-6;

/** Objective of an aim: what each variable adds when it stands at 1. */
function weighAim(model: PlannerModel, aim: Aim): Map<string, number> {
  const { graph, options } = model;
  if (aim === 'outage') {
    return new Map(
      model.served.map((section) => [lostOf(section), graph.sections[section]?.serves ?? 0]),
    );
  }
  const minutes = aim === 'effort';
  const weights = new Map<string, number>();
  graph.links.forEach((link, n) => {
    if (!model.candidate[n]) return;
    weights.set(closeOf(n), options.paidLinks?.has(n) ? 0 : minutes ? closingMinutes(link) : 1);
  });
  graph.outlets.forEach((outlet, n) => {
    weights.set(openOf(n), options.paidOutlets?.has(n) ? 0 : minutes ? openingMinutes(outlet) : 1);
  });
  graph.stores.forEach((_store, n) => {
    weights.set(restrainOf(n), options.paidStores?.has(n) ? 0 : minutes ? RESTRAIN_MINUTES : 1);
  });
  return weights;
}

const isHopeless = (clause: Clause): boolean =>
  [...clause.terms.values()].reduce((sum, factor) => sum + Math.max(0, factor), 0) < clause.atLeast;

/**
 * Solves one planning problem by lazily added clauses: the solver proposes the cheapest choice, the oracle answers with rules
 * that it breaks, until none is broken. Every clause holds for every plan that passes, so the last proposal is the best one.
 */
export class PlanSearch {
  private readonly pool: Clause[];
  private readonly levels: Levels | undefined;

  constructor(
    private readonly model: PlannerModel,
    private readonly solver: ProgrammeSolver,
  ) {
    this.levels = buildLevels(model);
    this.pool = [...(this.levels?.clauses ?? [])];
  }

  /** The cheapest choice for one aim (any choice without one), under bounds set by earlier aims. */
  private minimise(aim: Aim | undefined, bounds: readonly Clause[]): ProgrammeOutcome {
    const all = aim ? weighAim(this.model, aim) : new Map<string, number>();
    for (;;) {
      if (this.pool.some(isHopeless)) return { kind: 'infeasible' };
      const inUse = new Set(
        [...this.pool, ...bounds].flatMap((clause) => [...clause.terms.keys()]),
      );
      const objective = new Map([...all].filter(([name]) => inUse.has(name)));
      const outcome =
        this.pool.length === 0
          ? ({ kind: 'solved', value: 0, chosen: new Set<string>() } as const)
          : this.solver({ objective, clauses: [...this.pool, ...bounds] });
      if (outcome.kind === 'infeasible') return outcome;
      const withSupply = aim === 'outage' || bounds.some((bound) => bound.terms.has(this.aSupply));
      const broken = listBrokenClauses(this.model, outcome.chosen, this.levels, withSupply);
      if (broken.length === 0) return outcome;
      this.pool.push(...broken);
    }
  }

  private get aSupply(): string {
    return lostOf(this.model.served[0] ?? -1);
  }

  /** Whether any plan passes at all. */
  isFeasible(): boolean {
    return this.minimise(undefined, []).kind === 'solved';
  }

  /** The best choice for `first`, and among those the best for `then`; undefined when no plan passes. */
  best(first: Aim, then: Aim): ReadonlySet<string> | undefined {
    const primary = this.minimise(first, []);
    if (primary.kind === 'infeasible') return undefined;
    const weights = [...weighAim(this.model, first)].filter(([, weight]) => weight > 0);
    const bound: Clause = {
      terms: new Map(weights.map(([name, weight]) => [name, -weight])),
      atLeast: -(primary.value + TOLERANCE),
    };
    const secondary = this.minimise(then, weights.length > 0 ? [bound] : []);
    return secondary.kind === 'solved' ? secondary.chosen : primary.chosen;
  }
}
