import type { IsolationPlan } from '../../plant';
import { sectionOfOutlet } from '../bodies';
import type { PlanCost } from '../cost';
import { buildCells, type Cells } from './cells';
import { listPrices, type Prices } from './choices';
import { constructPlan } from './construct';
import type { Earthing } from './earths';
import { computeFloor, type Floor } from './floor';
import type { SearchLimits } from './limits';
import type { PlannerModel } from './model';
import { buildRegion, widen } from './region';
import { listStandings, type Standing } from './standings';
import { buildSupply, computeCertainLoss } from './supply';
import { sweepRegion, type SweepResult, type Swept } from './sweep';
import { EQUAL, type Ceiling, type SweepProblem } from './sweep-steps';

export type Aim = keyof PlanCost;

/** Figures of a plan in the order of an aim: what is made least first, then what breaks ties. */
export interface Figures {
  readonly price: number;
  readonly lost: number;
}

/** What a search came to. */
export interface Outcome {
  /** The best plan found, when it is better than what was known already. */
  readonly better: { readonly plan: IsolationPlan; readonly figures: Figures } | undefined;
  /** Nothing that was left unsearched has a lower first figure than this; Infinity when nothing was. */
  readonly unsearchedFrom: number;
}

type Sweeper = (ceiling: Ceiling, mayLean: boolean, mostStates?: number) => SweepResult;

const ANYTHING: Ceiling = { price: Infinity, lost: Infinity, isAttained: false };
/** Parts of plans kept side by side by a sweep that only wants to find some good plan soon. */
const NARROW = 64;
/** Up to so many are kept while a good plan is sought before the proof. */
const FAIR = 2000;
/** How many times more are kept when that was not enough. */
const WIDER = 6;
/** How far above the floor is looked first, as a share of it. */
const FIRST_SLACK = 0.1;

const attain = (found: Figures | undefined): Ceiling | undefined =>
  found && { price: found.price, lost: found.lost, isAttained: true };

interface Hunt extends Pick<SweepProblem, 'floor' | 'prices' | 'lostFirst'> {
  /** True when it is only asked whether there is a plan. */
  readonly anyWillDo: boolean;
}

function isNoBetter(one: Figures, ceiling: Ceiling, lostFirst: boolean): boolean {
  if (!ceiling.isAttained) return false;
  const [first, then] = lostFirst
    ? [one.lost - ceiling.lost, one.price - ceiling.price]
    : [one.price - ceiling.price, one.lost - ceiling.lost];
  return first > EQUAL || (first > -EQUAL && then > -EQUAL);
}

/** One planning problem with its earths placed; searched for one aim after the other. */
export class PlanSearch {
  private readonly cells: Cells;
  private readonly standings: readonly Standing[];
  private readonly floors = new Map<boolean, { prices: Prices; floor: Floor }>();
  private readonly members: Set<number>;
  private readonly certainLoss: number;

  constructor(
    private readonly model: PlannerModel,
    private readonly earthing: Earthing,
    private readonly limits: SearchLimits,
  ) {
    this.cells = buildCells(model, earthing.keptOpen);
    const demanded = this.cells.demanded.reduce((bits, one) => bits | one, 0);
    this.standings = listStandings(demanded);
    this.members = new Set(model.zone.map((section) => this.cells.cellOf[section] as number));
    this.certainLoss = model.served.length > 0 ? computeCertainLoss(model, this.cells) : 0;
    widen(this.cells, this.members, this.members);
    widen(this.cells, this.members, this.members);
    this.addReleases();
  }

  private readonly strengthOf = (barrier: number): number =>
    this.model.graph.strength[this.cells.links[barrier] as number] as number;

  /** Brings into the region the cells of outlets that release a store of the region. */
  private addReleases(): void {
    const { graph } = this.model;
    for (const cell of this.members) {
      for (const store of this.cells.stores.get(cell) ?? []) {
        const outlet = graph.outletAt.get(graph.stores[store]?.store.release ?? '');
        if (outlet !== undefined) {
          this.members.add(this.cells.cellOf[sectionOfOutlet(graph, outlet)] as number);
        }
      }
    }
  }

  private pricesFor(aim: Aim): { prices: Prices; floor: Floor } {
    const countsPoints = aim === 'points';
    const known = this.floors.get(countsPoints);
    if (known) return known;
    const listed = listPrices(this.model, countsPoints);
    const applied = new Set(this.earthing.earths);
    const prices = {
      ...listed,
      outlet: (outlet: number) => (applied.has(outlet) ? 0 : listed.outlet(outlet)),
    };
    const priceOf = (barrier: number) => prices.link(this.cells.links[barrier] as number);
    const bleedPriceOf = (cell: number) =>
      Math.min(...(this.cells.safeOutlets.get(cell) ?? []).map(prices.outlet));
    const floor = computeFloor(this.cells, this.standings, priceOf, this.strengthOf, bleedPriceOf);
    const made = { prices, floor };
    this.floors.set(countsPoints, made);
    return made;
  }

  /**
   * Searches for the best plan for an aim. `known` are figures that are attained already, by a plan for another aim or
   * with other earths: only what is better counts. Nothing better and nothing unsearched: none is better, or none passes.
   */
  find(aim: Aim, known?: Figures): Outcome {
    const { prices, floor } = this.pricesFor(aim);
    if (floor.base === Infinity) return { better: undefined, unsearchedFrom: Infinity };
    const counts = aim !== 'points' && this.model.served.length > 0;
    const earthing = this.earthingPrice(aim);
    const within = known && { ...known, price: known.price - earthing };
    const { best, open } = this.searchRegions(
      this.sweeper(aim, counts),
      { floor, prices, lostFirst: aim === 'outage', anyWillDo: false },
      within,
    );
    const figuresOf = ({ price, lost }: Figures) => ({ price: price + earthing, lost });
    const firstOf = (figures: Figures) =>
      aim === 'outage' ? figures.lost : figuresOf(figures).price;
    return {
      better: best && { plan: this.readPlan(best), figures: figuresOf(best) },
      unsearchedFrom: Math.min(Infinity, ...open.map(firstOf)),
    };
  }

  /** What the earths of this search cost, which are placed before it begins. */
  private earthingPrice(aim: Aim): number {
    const prices = listPrices(this.model, aim === 'points');
    return this.earthing.earths.reduce((sum, outlet) => sum + prices.outlet(outlet), 0);
  }

  private sweeper(aim: Aim, counts: boolean, isOver = this.limits.isOver): Sweeper {
    const base = {
      model: this.model,
      cells: this.cells,
      standings: this.standings,
      ...this.pricesFor(aim),
      strengthOf: this.strengthOf,
      certainLoss: counts ? this.certainLoss : 0,
      lostFirst: aim === 'outage',
      isOver,
    };
    return (ceiling, mayLean, mostStates = this.limits.mostStates) => {
      const region = buildRegion(this.cells, this.members);
      const supply = counts ? buildSupply(this.model, this.cells, region) : undefined;
      return sweepRegion({ ...base, region, supply, ceiling, mayLean, mostStates });
    };
  }

  /** A plan drawn up without regard to its price; it may or may not pass. */
  construct(): IsolationPlan {
    const plan = constructPlan(this.model, this.cells);
    const earths = this.earthing.earths.map((outlet) => this.model.graph.outlets[outlet]?.id ?? '');
    return { ...plan, open: [...new Set([...plan.open, ...earths])] };
  }

  /** Whether any plan passes at all: the first one found will do. */
  isFeasible(): boolean {
    const { prices, floor } = this.pricesFor('effort');
    if (floor.base === Infinity) return false;
    const sweep = this.sweeper('effort', false);
    const hunt = { floor, prices, lostFirst: false, anyWillDo: true };
    const { best, open } = this.searchRegions(sweep, hunt, undefined);
    // What was left aside for want of room or time is not "none".
    return best !== undefined || (open.length > 0 && this.settle() !== undefined);
  }

  /**
   * Sweeps a region that grows where the best plan would go on outside it, until none does. Looks a little above the floor
   * first and further only when nothing is there; a quick narrow sweep shows how far is far enough.
   */
  private searchRegions(
    sweep: Sweeper,
    { floor, prices, lostFirst, anyWillDo }: Hunt,
    known: Figures | undefined,
  ): { best: Swept | undefined; open: Figures[] } {
    const most = this.highestPrice(prices);
    let slack = floor.base * FIRST_SLACK + 1;
    let best: Swept | undefined;
    let attained: Ceiling | undefined = attain(known);
    let width = Math.min(NARROW, this.limits.mostStates);
    for (;;) {
      if (!attained) {
        best = this.seek(sweep);
        attained = attain(best);
        if (best && anyWillDo) return { best, open: [] };
      }
      const near = { price: floor.base + slack, lost: Infinity, isAttained: false };
      const isNear = attained !== undefined && (lostFirst || attained.price <= near.price);
      const ceiling: Ceiling = isNear && attained ? attained : near;
      const { inside, leaning, dropped } = sweep(ceiling, true, width);
      if (inside && anyWillDo) return { best: inside, open: [] };
      if (inside) {
        best = inside;
        attained = attain(inside);
      }
      if (dropped && width < this.limits.mostStates && !this.limits.isOver()) {
        width = Math.min(width * WIDER, this.limits.mostStates);
        continue;
      }
      const limit: Ceiling = inside ? (attained ?? ceiling) : ceiling;
      const isOpen = leaning !== undefined && !isNoBetter(leaning, limit, lostFirst);
      const isOver = this.limits.isOver();
      const open = [dropped, isOpen ? leaning : undefined].flatMap((one) => one ?? []);
      if (isOpen && this.members.size < this.limits.mostCells && !isOver) {
        widen(this.cells, this.members, leaning.leaning);
        this.addReleases();
      } else if (inside || isNear || (open.length > 0 && attained)) {
        return { best, open };
      } else if (open.length > 0) {
        return { best: undefined, open };
      } else if (slack > most) {
        return { best, open: [] };
      } else if (isOver && attained) {
        return { best, open: [near] };
      } else {
        slack *= 2;
      }
    }
  }

  /** A good plan that ends within the region as it stands, sought more and more widely; not proved. */
  private seek(sweep: Sweeper): Swept | undefined {
    let best = sweep(ANYTHING, false, NARROW).inside;
    for (let width = NARROW * WIDER; best && width < FAIR; width *= WIDER) {
      best = sweep(attain(best) ?? ANYTHING, false, width).inside ?? best;
    }
    return best;
  }

  /**
   * Any plan at all, however long it takes, when the search for the best had to stop before it found one: the region grows
   * until one ends within it or the plant ends.
   */
  settle(): { readonly plan: IsolationPlan; readonly figures: Figures } | undefined {
    const sweep = this.sweeper('effort', false, () => false);
    for (let width = NARROW; ;) {
      const { inside, dropped } = sweep(ANYTHING, false, width);
      if (inside) {
        const figures = { price: inside.price + this.earthingPrice('effort'), lost: inside.lost };
        return { plan: this.readPlan(inside), figures };
      }
      if (widen(this.cells, this.members, this.members)) continue;
      if (!dropped || width >= this.limits.mostStates) return undefined;
      width *= WIDER;
    }
  }

  private highestPrice(prices: Prices): number {
    const { graph } = this.model;
    let sum = 0;
    for (const link of this.cells.links) sum += prices.link(link);
    graph.outlets.forEach((_, outlet) => (sum += prices.outlet(outlet)));
    graph.stores.forEach((_, store) => (sum += prices.store(store)));
    return 2 * sum;
  }

  private readPlan(best: Swept): IsolationPlan {
    const { graph } = this.model;
    const last = this.standings.length - 1;
    const standing = (cell: number) => best.standingOf.get(cell) ?? last;
    const close = [...this.cells.links].filter(
      (_, barrier) =>
        standing(this.cells.ends[2 * barrier] as number) !==
        standing(this.cells.ends[2 * barrier + 1] as number),
    );
    const open = [...new Set([...best.open, ...this.earthing.earths])].sort((a, b) => a - b);
    return {
      close: close.map((link) => graph.links[link]?.id ?? ''),
      open: open.map((outlet) => graph.outlets[outlet]?.id ?? ''),
      restrain: best.restrain.map((store) => graph.stores[store]?.store.id ?? ''),
    };
  }
}
