import type { PlanCost } from '../cost';
import { buildCells, type Cells } from './cells';
import { IS_BLED, listPrices, listWorkChoices, Tokens, type Prices } from './choices';
import type { Earthing } from './earths';
import { computeFloor, type Floor } from './floor';
import type { SearchLimits } from './limits';
import { CertainLoss } from './loss';
import type { PlannerModel } from './model';
import { listPossible } from './possible';
import { growRegion, neighboursOf, type Region } from './region';
import { listStandings, type Standing } from './standings';
import { buildSupply } from './supply';
import { sweepRegion, type SweepResult } from './sweep';
import { EQUAL, type Ceiling } from './sweep-steps';

export type Aim = keyof PlanCost;

/** What everything costs for an aim, and what follows from it. */
interface Tariff {
  readonly prices: Prices;
  /** What any bleed costs at least. */
  readonly leastBleed: number;
  /** What has to be opened and restrained in the work's own cells at least. */
  readonly atWork: number;
}

/** Where a plan is sought, and what for. */
export interface Field {
  readonly aim: Aim;
  readonly tariff: Tariff;
  /** Bits of the standings open to each cell. */
  readonly possible: Uint16Array;
  readonly floor: Floor;
  /** No plan of the field is cheaper than this. */
  readonly least: number;
  /** Absent when lost supply plays no part. */
  readonly loss: CertainLoss | undefined;
  /** Tells what stands outside the field though it is open to the cell; asked for few cells only. */
  readonly isOut?: (cell: number, standing: number) => boolean;
}

/** How often the floor is raised by what the plans at it would lose. */
const MOST_ROUNDS = 8;

/** The fields in which the plans of one problem are sought, its earths placed. */
export class Fields {
  readonly cells: Cells;
  /** The standing of all that a plan leaves alone; the last of them. */
  readonly last: number;
  /** What no plan can save. */
  readonly certainLoss: number;
  readonly standings: readonly Standing[];
  private readonly zone: readonly number[];
  private readonly possible: Uint16Array;
  private readonly loss: CertainLoss | undefined;
  private readonly known = new Map<Aim, Field>();

  constructor(
    private readonly model: PlannerModel,
    private readonly earths: Earthing['earths'],
    keptOpen: Earthing['keptOpen'],
  ) {
    const cells = buildCells(model, keptOpen);
    this.cells = cells;
    this.standings = listStandings(cells.demanded.reduce((bits, one) => bits | one, 0));
    this.last = this.standings.length - 1;
    this.zone = [...new Set(model.zone.map((section) => cells.cellOf[section] as number))];
    this.possible = listPossible(cells, this.standings, this.zone, this.strengthOf);
    if (model.served.length > 0) {
      this.loss = new CertainLoss(model, cells, this.standings, this.possible);
    }
    this.certainLoss = this.loss?.total ?? 0;
  }

  /** True when it shows at once that no plan passes. */
  isHopeless(aim: Aim): boolean {
    return this.possible.includes(0) || this.over(aim).least === Infinity;
  }

  private readonly strengthOf = (barrier: number): number =>
    this.model.graph.strength[this.cells.links[barrier] as number] as number;

  private listTariff(aim: Aim): Tariff {
    const listed = listPrices(this.model, aim === 'points');
    const applied = new Set(this.earths);
    const prices = {
      ...listed,
      outlet: (outlet: number) => (applied.has(outlet) ? 0 : listed.outlet(outlet)),
    };
    let leastBleed = Infinity;
    for (const outlets of this.cells.safeOutlets.values()) {
      for (const outlet of outlets) leastBleed = Math.min(leastBleed, prices.outlet(outlet));
    }
    return { prices, leastBleed, atWork: this.priceAtWork(prices, leastBleed) };
  }

  private priceAtWork(prices: Prices, leastBleed: number): number {
    let sum = 0;
    let isBled = this.model.bledWork.length === 0;
    for (const cell of this.zone) {
      const choices = listWorkChoices(this.model, this.cells, cell, prices, new Tokens());
      const price = Math.min(...choices.map((choice) => choice.price));
      sum += price;
      isBled ||= choices.some(({ price: own, flags }) => own === price && (flags & IS_BLED) !== 0);
    }
    return isBled ? sum : sum + leastBleed;
  }

  private makeField(aim: Aim, tariff: Tariff, possible: Uint16Array): Field {
    const { prices, atWork } = tariff;
    const floor = computeFloor(
      this.cells,
      this.standings,
      possible,
      (barrier) => prices.link(this.cells.links[barrier] as number),
      this.strengthOf,
      (cell) =>
        (this.cells.safeOutlets.get(cell) ?? []).reduce(
          (least, outlet) => Math.min(least, prices.outlet(outlet)),
          Infinity,
        ),
    );
    return {
      aim,
      tariff,
      possible,
      floor,
      least: floor.base + atWork,
      loss: aim === 'points' ? undefined : this.loss,
    };
  }

  /** The whole plant as the field of an aim. */
  over(aim: Aim): Field {
    const known = this.known.get(aim);
    if (known) return known;
    const effort = aim === 'outage' ? this.over('effort') : undefined;
    const made = effort
      ? { ...effort, aim }
      : this.makeField(aim, this.listTariff(aim), this.possible);
    this.known.set(aim, made);
    return made;
  }

  /**
   * The field of the plans that lose no more than given. Its floor leans on no standing that loses more, as far as that shows
   * at the least cuts themselves.
   */
  ofLoss(lost: number): Field {
    const asked = new Map<number, boolean>();
    const isOut = (cell: number, standing: number) => {
      const key = cell * this.standings.length + standing;
      const isMore =
        asked.get(key) ?? (this.loss?.leastWith(cell, standing, lost) ?? 0) > lost + EQUAL;
      asked.set(key, isMore);
      return isMore;
    };
    let field: Field = { ...this.over('outage'), isOut };
    const possible = field.possible.slice();
    const seen = new Set<number>(this.zone);
    for (let round = 0; round < MOST_ROUNDS; round++) {
      let hasChanged = false;
      for (const cell of field.floor.nearCells()) {
        if (seen.has(cell)) continue;
        seen.add(cell);
        for (let n = 0; n < this.last; n++) {
          const bit = 1 << n;
          if (!((possible[cell] as number) & bit) || !isOut(cell, n)) continue;
          possible[cell] = (possible[cell] as number) & ~bit;
          hasChanged = true;
        }
      }
      if (!hasChanged) break;
      field = { ...this.makeField('outage', field.tariff, possible.slice()), isOut };
    }
    return field;
  }

  /** The cells that no plan can leave alone, and so many rings around them. */
  regionNear(rings: number, limits: SearchLimits): Region {
    const isLeftAlone = (cell: number) => ((this.possible[cell] as number) >> this.last) & 1;
    const members = new Set<number>();
    for (let cell = 0; cell < this.cells.count; cell++) if (!isLeftAlone(cell)) members.add(cell);
    for (let ring = 0; ring < rings; ring++) {
      for (const cell of [...members]) {
        for (const next of neighboursOf(this.cells, cell)) members.add(next);
      }
    }
    const standingsOf = (cell: number) =>
      members.has(cell) ? (this.possible[cell] as number) : 1 << this.last;
    return growRegion(this.cells, this.zone, standingsOf, this.last, limits);
  }

  /** The cells that may stand otherwise than last in a plan of the field that costs no more than `price`. */
  regionWithin(field: Field, price: number, limits: SearchLimits): Region {
    const room = price - field.least + EQUAL;
    const standingsOf = (cell: number) => {
      const possible = field.possible[cell] as number;
      let bits = possible & (1 << this.last);
      for (const [n, standing] of this.standings.entries()) {
        if (n === this.last || !((possible >> n) & 1)) continue;
        const isIn =
          this.cells.isZone[cell] ||
          (!field.isOut?.(cell, n) && field.floor.leastAbove(cell, standing, room) <= room);
        if (isIn) bits |= 1 << n;
      }
      return bits;
    };
    return growRegion(this.cells, this.zone, standingsOf, this.last, limits);
  }

  /** Finds the best plan of a region below a ceiling. */
  sweep(
    field: Field,
    ceiling: Ceiling,
    region: Region,
    { mostStates, isOver }: SearchLimits,
  ): SweepResult {
    const { aim, tariff, floor, loss } = field;
    return sweepRegion({
      model: this.model,
      cells: this.cells,
      standings: this.standings,
      prices: tariff.prices,
      leastBleed: tariff.leastBleed,
      floor,
      strengthOf: this.strengthOf,
      certainLoss: loss?.total ?? 0,
      lostFirst: aim === 'outage',
      region,
      supply: loss && buildSupply(this.model, this.cells, region, loss.isLost),
      ceiling,
      mostStates,
      isOver,
    });
  }
}
