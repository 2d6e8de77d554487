import type { IsolationPlan } from '../../plant';
import { arrangeModel, type Arrangement } from './arrangements';
import { constructPlan } from './construct';
import { EQUAL, listPrices } from './choices';
import { BARRIER } from './cells';
import { Fields, type Aim, type Field } from './fields';
import { NO_LIMITS, type SearchLimits } from './limits';
import type { PlannerModel } from './model';
import { AS_CLOSED } from './possible';
import { sweepRegion, type Swept } from './sweep';
import type { Ceiling } from './sweep-steps';

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

/** What was found, and the least figures of what was left unsearched. */
interface Searched {
  readonly best: Swept | undefined;
  readonly open: Figures | undefined;
}

/** Parts of plans kept side by side at first. */
const NARROW = 64;
/** So many are kept before it is looked higher above the floor, while nothing has been found yet. */
const FAIR = 384;
/** How many times more are kept when that was not enough. */
const WIDER = 6;
/** How far above the floor is looked first, as a share of it. */
const FIRST_STEP = 0.02;
/** Parts of plans kept side by side while a plan is sought that loses little. */
const WIDE = 2_000;
/** Cells at most that count as close to the work. */
const MOST_NEARBY = 800;
/** How many rings around what no plan can leave alone are looked at for a bleed. */
const MOST_RINGS = 2;
/** How many times as dear a plan may be at first, when plans further off are looked at to lose less. */
const DEARER = 2;
/** Losing less means by more than this. */
const LESS = 3 * EQUAL;

const ANYTHING: Ceiling = { price: Infinity, lost: Infinity, isAttained: false };

const attain = ({ price, lost }: Figures): Ceiling => ({ price, lost, isAttained: true });

/** One planning problem with what an arrangement fixes; searched for one aim after the other. */
export class PlanSearch {
  private readonly fields: Fields;
  private readonly model: PlannerModel;

  constructor(
    whole: PlannerModel,
    private readonly arrangement: Arrangement,
    private readonly limits: SearchLimits,
  ) {
    this.model = arrangeModel(whole, arrangement);
    this.fields = new Fields(this.model, arrangement);
  }

  /**
   * Searches for the best plan for an aim. `known` are figures that are attained already, by a plan for another aim or
   * with other earths: only what is better counts. Nothing better and nothing unsearched: none is better, or none passes.
   */
  find(aim: Aim, known?: Figures): Outcome {
    if (this.fields.isHopeless(aim)) return { better: undefined, unsearchedFrom: Infinity };
    const fixed = this.fixedPrice(aim);
    const within = known && { ...known, price: known.price - fixed };
    const { best, open } =
      aim === 'outage' && within
        ? this.searchOutage(within)
        : this.searchPrice(this.fields.over(aim), within, this.limits);
    const figuresOf = ({ price, lost }: Figures) => ({ price: price + fixed, lost });
    const firstOf = (figures: Figures) =>
      aim === 'outage' ? figures.lost : figuresOf(figures).price;
    return {
      better: best && { plan: this.readPlan(best), figures: figuresOf(best) },
      unsearchedFrom: open ? firstOf(open) : Infinity,
    };
  }

  /** What is settled before this search begins costs: earths, and what is locked open. */
  private fixedPrice(aim: Aim): number {
    const prices = listPrices(this.model, aim === 'points');
    const { earths, stand, shut } = this.arrangement;
    return (
      earths.reduce((sum, outlet) => sum + prices.outlet(outlet), 0) +
      [...stand].reduce((sum, link) => sum + prices.stand(link), 0) +
      [...shut].reduce((sum, link) => sum + prices.link(link), 0)
    );
  }

  /** Plans drawn up without regard to their price, the shorter first; they may or may not pass. */
  *construct(): Generator<IsolationPlan> {
    const { cells } = this.fields;
    if (this.fields.isHopeless('effort')) return;
    const { graph } = this.model;
    const { earths, stand, shut } = this.arrangement;
    const withFixed = (plan: IsolationPlan): IsolationPlan => {
      const applied = earths.map((outlet) => graph.outlets[outlet]?.id ?? '');
      const open = [...new Set([...plan.open, ...applied])];
      const more = [...stand].map((link) => graph.links[link]?.id ?? '');
      const all = [...new Set([...(plan.stand ?? []), ...more])];
      const closed = [...shut].map((link) => graph.links[link]?.id ?? '');
      const close = [...new Set([...plan.close, ...closed])];
      return { ...plan, close, open, ...(all.length > 0 ? { stand: all } : {}) };
    };
    const cut = this.fields.over('effort').floor.positiveCut();
    if (cut.length > 0) yield withFixed(constructPlan(this.model, cells, cut));
    yield withFixed(constructPlan(this.model, cells));
  }

  /** Whether any plan passes at all: the first one found will do. */
  isFeasible(): boolean {
    if (this.fields.isHopeless('effort')) return false;
    const { best, open } = this.seek(this.fields.over('effort'), undefined, this.limits);
    // What was left aside for want of room or time is not "none".
    return best !== undefined || (open !== undefined && this.settle() !== undefined);
  }

  /** Any plan at all, however long it takes, when the search for the best had to stop before it found one. */
  settle(): { readonly plan: IsolationPlan; readonly figures: Figures } | undefined {
    if (this.fields.isHopeless('effort')) return undefined;
    const field = this.fields.over('effort');
    const nearby = this.seekNearby(field, undefined, NO_LIMITS, () => true);
    const best = nearby ?? this.seek(field, undefined, NO_LIMITS).best;
    return (
      best && {
        plan: this.readPlan(best),
        figures: { price: best.price + this.fixedPrice('effort'), lost: best.lost },
      }
    );
  }

  private searchPrice(field: Field, known: Figures | undefined, limits: SearchLimits): Searched {
    const nearby = this.seekNearby(field, known, limits);
    const found = this.seek(field, nearby ?? known, limits);
    if (!found.best || !found.open) return { best: found.best ?? nearby, open: found.open };
    const { best = found.best, open } = this.searchWithin(field, attain(found.best), limits);
    return { best, open };
  }

  /** The best of the plans that isolate close to the work; often the best of all, though that is not shown by this. */
  private seekNearby(
    field: Field,
    known: Figures | undefined,
    limits: SearchLimits,
    isEnough: (found: Figures) => boolean = () => false,
  ): Swept | undefined {
    const narrow = {
      mostStates: Math.min(WIDE, limits.mostStates),
      mostCells: Math.min(MOST_NEARBY, limits.mostCells),
      isOver: limits.isOver,
    };
    let best: Swept | undefined;
    for (let rings = 0; rings <= MOST_RINGS; rings++) {
      const attained = best ?? known;
      if (attained && isEnough(attained)) break;
      const region = this.fields.regionNear(rings, narrow);
      if (!region.isWhole) break;
      const ceiling = attained ? attain(attained) : ANYTHING;
      best = this.fields.sweep(field, ceiling, region, narrow).best ?? best;
    }
    return best;
  }

  /**
   * Looks a little above the floor first, which rises with what the look has shown, then higher and higher, until a plan is found
   * or what is known already cannot be bettered. Nothing open: what was found is the best, or there is none.
   */
  private seek(field: Field, known: Figures | undefined, limits: SearchLimits): Searched {
    const most = this.highestPrice(field.aim);
    const lost = field.aim === 'outage' && known ? known.lost : Infinity;
    let floor = field.least;
    for (let step = FIRST_STEP * floor + 1; ; step *= 2) {
      const price = floor + step;
      if (known && known.price <= price) return this.searchWithin(field, attain(known), limits);
      const isLast = price > most;
      // With nothing to fall back on a plan comes first, and the proof after.
      const mostStates = isLast || known ? limits.mostStates : Math.min(FAIR, limits.mostStates);
      const ceiling = { price, lost, isAttained: false };
      const found = this.searchWithin(field, ceiling, { ...limits, mostStates });
      if (found.best || isLast || (found.open && limits.isOver())) return found;
      if (!found.open) floor = price;
    }
  }

  /**
   * The least loss is had by the isolation that lies closest to the work, when it can be let down: no other leaves more alive.
   * What loses less still is sought until there is nothing; then the cheapest of those that lose no more.
   */
  private searchOutage(known: Figures): Searched {
    const { fields, limits } = this;
    const isLeast = ({ lost }: Figures) => lost <= fields.certainLoss + EQUAL;
    let best = this.seekNearby(fields.over('outage'), known, limits, isLeast);
    while (!isLeast(best ?? known)) {
      const less = this.seekLess(best ?? known);
      best = less.best ?? best;
      if (less.open && !less.best) return { best, open: less.open };
      if (!less.best) break;
    }
    const { lost, price } = best ?? known;
    const field = { ...fields.ofLoss(lost), leastLoss: lost };
    const { best: cheaper, open } = this.searchPrice(field, { lost, price }, limits);
    return { best: cheaper ?? best, open };
  }

  /** A plan that loses less than what is attained, whatever it costs; those that cost not much more are looked at first. */
  private seekLess({ price, lost }: Figures): Searched {
    const less = lost - LESS;
    const field = this.fields.ofLoss(less);
    const seekUpTo = (most: number) =>
      this.searchWithin(field, { price: most, lost: less, isAttained: false }, this.limits);
    const nearby = seekUpTo(DEARER * price);
    const isEnough = nearby.best !== undefined || (nearby.open && this.limits.isOver());
    return isEnough ? nearby : seekUpTo(Infinity);
  }

  /** Sweeps the cells that can matter within a ceiling, keeping more side by side as long as some had to be left aside. */
  private searchWithin(field: Field, ceiling: Ceiling, limits: SearchLimits): Searched {
    const { isOver } = limits;
    const prepare = (below: Ceiling) => {
      const region = this.fields.regionWithin(field, below.price, limits);
      return { region, prepared: this.fields.prepare(field, below, region, isOver) };
    };
    let best: Swept | undefined;
    let { region, prepared } = prepare(ceiling);
    for (let width = NARROW; ; width *= WIDER) {
      const mostStates = Math.min(width, limits.mostStates);
      const found = prepared && sweepRegion({ ...prepared, mostStates, isOver });
      const { least: price, loss } = field;
      const floor = region.isWhole ? undefined : { price, lost: loss?.total ?? 0 };
      best = found?.best ?? best;
      if (!found?.dropped) return { best, open: floor };
      if (width >= limits.mostStates || limits.isOver()) {
        return { best, open: floor ?? found.dropped };
      }
      if (found.best) ({ region, prepared } = prepare(attain(found.best)));
    }
  }

  /** No plan costs as much as this. */
  private highestPrice(aim: Aim): number {
    const { model } = this;
    const { links, outlets, stores } = model.graph;
    const points = links.length + outlets.length + stores.length;
    return aim === 'points' ? (points + 1) * (model.allMinutes + 1) : model.allMinutes + 1;
  }

  private readPlan(best: Swept): IsolationPlan {
    const { graph } = this.model;
    const { cells, lastOf, meeting } = this.fields;
    const standing = (cell: number) => best.standingOf.get(cell) ?? lastOf(cell);
    const also = new Set(best.alsoClosed);
    const parted = [...cells.links].filter((_, edge) => {
      if (cells.kind[edge] !== BARRIER) return false;
      const [a, b] = [cells.ends[2 * edge] as number, cells.ends[2 * edge + 1] as number];
      return also.has(edge) || meeting(edge, standing(a), standing(b)) === AS_CLOSED;
    });
    const close = [...new Set([...parted, ...this.arrangement.shut])];
    const open = [...new Set([...best.open, ...this.arrangement.earths])].sort((a, b) => a - b);
    const stand = [
      ...new Set([
        ...best.stand.map((edge) => cells.links[edge] as number),
        ...this.arrangement.stand,
      ]),
    ].sort((a, b) => a - b);
    const idOf = (link: number) => graph.links[link]?.id ?? '';
    return {
      close: close.sort((a, b) => a - b).map(idOf),
      open: open.map((outlet) => graph.outlets[outlet]?.id ?? ''),
      restrain: best.restrain.map((store) => graph.stores[store]?.store.id ?? ''),
      ...(stand.length > 0 ? { stand: stand.map(idOf) } : {}),
    };
  }
}
