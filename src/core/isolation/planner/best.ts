import { pointsOf, type IsolationPlan, type PlanPart, type PlantGraph } from '../../plant';
import { computePlantState } from '../bodies';
import { checkPlan, type CheckResult } from '../check/check';
import { findBroken } from '../check/interlocks';
import { computeCost } from '../cost';
import type { Requirement } from '../requirement';
import { listPrices } from './choices';
import { listEarthings, listReliefWays, listWaysAround, type Arrangement } from './arrangements';
import { DEFAULT_LIMITS, type SearchLimits } from './limits';
import { buildModel, type PlannerModel, type PlannerOptions } from './model';
import type { Aim } from './fields';
import { PlanSearch, type Figures, type Outcome } from './search';

/** The best plan found for an aim. */
export interface BestPlan {
  readonly plan: IsolationPlan;
  readonly figures: Figures;
  /** True when it is proved that no plan is better. */
  readonly isProved: boolean;
  /** How much of its first figure (0 to 1) could at most be saved by a better plan; 0 when none has a lower one. */
  readonly gap: number;
}

const firstFigure = (aim: Aim, figures: Figures) =>
  aim === 'outage' ? figures.lost : figures.price;

/** Takes away, one by one in the order of ids, what costs nothing and a plan passes without. */
function dropIdle(
  model: PlannerModel,
  requirement: Requirement,
  plan: IsolationPlan,
): IsolationPlan {
  const { graph, options, closing } = model;
  const isFree = {
    close: (id: string) => {
      const link = graph.linkAt.get(id) ?? -1;
      return closing[link] === 0 || options.paidLinks?.has(link) === true;
    },
    open: (id: string) => {
      const outlet = graph.outletAt.get(id) ?? -1;
      return graph.outlets[outlet]?.minutes === 0 || options.paidOutlets?.has(outlet) === true;
    },
    restrain: (id: string) => options.paidStores?.has(graph.storeAt.get(id) ?? -1) === true,
    stand: (id: string) => {
      const link = graph.linkAt.get(id) ?? -1;
      return graph.links[link]?.minutes === 0 || options.paidStands?.has(link) === true;
    },
  };
  const passes = (candidate: IsolationPlan) => checkPlan(graph, requirement, candidate).passes;
  return dropAll(passes, plan, (part, id) => isFree[part](id));
}

/** So many times in a row a plan may take away some last relief, or break an interlock, before it is left unsearched. */
const MOST_TURNS = 8;

/** A drawn-up plan with more closed links than this is not trimmed one by one. */
const MOST_TRIMMED = 120;

function dropAll(
  passes: (plan: IsolationPlan) => boolean,
  plan: IsolationPlan,
  mayDrop: (part: PlanPart, id: string) => boolean,
): IsolationPlan {
  return (['close', 'open', 'restrain', 'stand'] as const).reduce<IsolationPlan>(
    (kept, part) =>
      pointsOf(kept, part)
        .filter((id) => mayDrop(part, id))
        .reduce<IsolationPlan>((best, id) => {
          const without = { ...best, [part]: pointsOf(best, part).filter((other) => other !== id) };
          return passes(without) ? without : best;
        }, kept),
    plan,
  );
}

/** Finds the best plans of one problem, one aim after the other; what one aim has shown helps the next. */
export class PlanFinder {
  private readonly earthings: readonly Arrangement[];
  private readonly searches = new Map<Arrangement, PlanSearch>();
  private readonly model: PlannerModel;
  private readonly found = new Map<Aim, BestPlan | undefined>();

  constructor(
    graph: PlantGraph,
    private readonly requirement: Requirement,
    options: PlannerOptions = {},
    private readonly limits: SearchLimits = DEFAULT_LIMITS,
  ) {
    this.model = buildModel(graph, requirement, options);
    this.earthings = [...listEarthings(this.model)];
  }

  private searchOf(arrangement: Arrangement): PlanSearch {
    const known = this.searches.get(arrangement);
    if (known) return known;
    const made = new PlanSearch(this.model, arrangement, this.limits);
    this.searches.set(arrangement, made);
    return made;
  }

  /** Whether any plan passes at all. */
  isFeasible(): boolean {
    return this.drawnUp() !== undefined || this.best('effort') !== undefined;
  }

  /** A plan that passes, drawn up without regard to its price, then rid of what it passes without; often there is one. */
  private drawnUp(): BestPlan | undefined {
    const { graph } = this.model;
    const passes = (plan: IsolationPlan) => checkPlan(graph, this.requirement, plan).passes;
    const plan = this.earthings
      .flatMap((earthing) => [...this.searchOf(earthing).construct()])
      .find(passes);
    if (!plan) return undefined;
    const isSmall = plan.close.length <= MOST_TRIMMED;
    const trimmed = isSmall ? dropAll(passes, plan, () => true) : plan;
    const { effort, outage } = computeCost(graph, trimmed);
    return { plan: trimmed, figures: { price: effort, lost: outage }, isProved: false, gap: 1 };
  }

  /** Some plan that passes, when nothing better was found in time; undefined when there is none. */
  private settle(): BestPlan | undefined {
    for (const earthing of this.earthings) {
      const found = this.searchOf(earthing).settle();
      if (found && this.check(found.plan).passes) return { ...found, isProved: false, gap: 1 };
    }
    return undefined;
  }

  /** The best plan for an aim, ties by outage for effort and by effort else; undefined when none passes. */
  best(aim: Aim): BestPlan | undefined {
    if (!this.found.has(aim)) this.found.set(aim, this.search(aim));
    return this.found.get(aim);
  }

  /** The figures of a plan that was found for effort, as another aim counts them. */
  private figuresFor(aim: Aim, { plan, figures }: BestPlan): Figures {
    if (aim !== 'points') return figures;
    const { graph } = this.model;
    const prices = listPrices(this.model, true);
    const sum = (
      ids: readonly string[],
      at: ReadonlyMap<string, number>,
      priceOf: (n: number) => number,
    ) => ids.reduce((all, id) => all + priceOf(at.get(id) ?? -1), 0);
    const price =
      sum(plan.close, graph.linkAt, prices.link) +
      sum(plan.open, graph.outletAt, prices.outlet) +
      sum(plan.restrain, graph.storeAt, prices.store) +
      sum(plan.stand ?? [], graph.linkAt, prices.stand);
    return { price, lost: 0 };
  }

  private check(plan: IsolationPlan): CheckResult {
    return checkPlan(this.model.graph, this.requirement, plan);
  }

  /**
   * The best plan of an arrangement that is better than what is known. Where it breaks an interlock or takes away the last relief of something,
   * each way out of that is an arrangement of its own.
   */
  private searchWith(
    arrangement: Arrangement,
    aim: Aim,
    known: Figures | undefined,
    depth = 0,
  ): Outcome {
    const outcome = this.searchOf(arrangement).find(aim, known);
    if (!outcome.better) return outcome;
    const ways = this.listWaysOut(arrangement, outcome.better.plan);
    if (!ways) return outcome;
    const first = firstFigure(aim, outcome.better.figures);
    if (depth >= MOST_TURNS) {
      return { better: undefined, unsearchedFrom: Math.min(first, outcome.unsearchedFrom) };
    }
    let better: Outcome['better'];
    let { unsearchedFrom } = outcome;
    for (const way of ways) {
      const found = this.searchWith(way, aim, better?.figures ?? known, depth + 1);
      better = found.better ?? better;
      unsearchedFrom = Math.min(unsearchedFrom, found.unsearchedFrom);
    }
    return { better, unsearchedFrom };
  }

  /** Arrangements that leave aside what is wrong with a plan in a way that the search does not see; undefined when nothing is. */
  private listWaysOut(arrangement: Arrangement, plan: IsolationPlan): Arrangement[] | undefined {
    const { graph } = this.model;
    const [broken] = findBroken(graph, computePlantState(graph, plan));
    if (broken) return listWaysAround(this.model, arrangement, broken);
    const lost = this.check(plan).findings.find(({ code }) => code === 'relief-lost');
    return lost && listReliefWays(this.model, arrangement, lost);
  }

  private search(aim: Aim): BestPlan | undefined {
    const start = aim === 'effort' ? undefined : this.best('effort');
    if (aim !== 'effort' && !start) return undefined;
    let best = start && { plan: start.plan, figures: this.figuresFor(aim, start) };
    let unsearchedFrom = Infinity;
    for (const earthing of this.earthings) {
      const outcome = this.searchWith(earthing, aim, best?.figures);
      best = outcome.better ?? best;
      unsearchedFrom = Math.min(unsearchedFrom, outcome.unsearchedFrom);
    }
    if (!best) return unsearchedFrom === Infinity ? undefined : (this.drawnUp() ?? this.settle());
    const own = firstFigure(aim, best.figures);
    const isProved = unsearchedFrom === Infinity;
    return {
      plan: dropIdle(this.model, this.requirement, best.plan),
      figures: best.figures,
      isProved,
      gap: unsearchedFrom < own ? (own - unsearchedFrom) / own : 0,
    };
  }
}

/** Finds the best plan for an aim; undefined when none passes. Among equals always the same plan. */
export function findBestPlan(
  graph: PlantGraph,
  requirement: Requirement,
  aim: Aim,
  options: PlannerOptions = {},
  limits: SearchLimits = DEFAULT_LIMITS,
): IsolationPlan | undefined {
  return new PlanFinder(graph, requirement, options, limits).best(aim)?.plan;
}
