import type { PlanCost } from '../cost';
import { BARRIER, buildCells, strengthOfEdge, TIE, type Cells } from './cells';
import { leastAtWork } from './at-work';
import { EQUAL, FREE, listPrices, type Prices } from './choices';
import type { Arrangement } from './arrangements';
import { computeFloor, type Floor } from './floor';
import type { SearchLimits } from './limits';
import { CertainLoss } from './loss';
import type { PlannerModel } from './model';
import { listMeetings, listPossible, type Meeting, type Possible } from './possible';
import { growRegion, neighboursOf, type Region } from './region';
import { listStandings, type Standing, type Standings } from './standings';
import { buildSupply } from './supply';
import { sweepRegion, type SweepResult } from './sweep';
import type { Ceiling, SweepProblem } from './sweep-steps';
import { tighten, type Tightened } from './tighten';
import type { Shift, TightenProblem } from './tighten-net';

export type Aim = keyof PlanCost;

/** What everything costs for an aim, and what follows from it. */
interface Tariff {
  readonly prices: Prices;
  /** What any bleed costs at most. */
  readonly dearestBleed: number;
  /** What has to be opened and restrained at the work at least. */
  readonly atWork: number;
}

/** Where a plan is sought, and what for. */
export interface Field {
  readonly aim: Aim;
  readonly tariff: Tariff;
  /** The standings open to each cell. */
  readonly possible: Possible;
  readonly floor: Floor;
  /** No plan of the field is cheaper than this. */
  readonly least: number;
  /** Absent when lost supply plays no part. */
  readonly loss: CertainLoss | undefined;
  /** No plan of the field loses less than this. */
  readonly leastLoss: number;
  /** Tells what stands outside the field though it is open to the cell; asked for few cells only. */
  readonly isOut?: (cell: number, standing: number) => boolean;
}

/** A region that is ready to be swept. */
export type Prepared = Omit<SweepProblem, 'mostStates' | 'isOver'>;

/** How often the floor is raised by what the plans at it would lose. */
const MOST_ROUNDS = 8;

/** What a problem asks, from which the standings of its cells follow. */
function askOf(model: PlannerModel, cells: Cells, { dead }: Arrangement): Standings {
  const bits = { comesOver: 0, drives: 0 };
  for (let cell = 0; cell < cells.count; cell++) {
    const key = cells.isOver[cell] ? 'comesOver' : 'drives';
    bits[key] |= cells.demanded[cell] as number;
  }
  const any = (marks: Uint8Array) => marks.some((mark) => mark !== 0);
  return listStandings({
    ...bits,
    hasUnasked: model.hasUnasked,
    hasDead: dead.size > 0,
    hasLoose: cells.isSure.some((sure, edge) => !sure && cells.kind[edge] !== TIE),
    hasDrives: cells.kind.includes(TIE) || any(cells.endsIn),
    hasLeaks: any(cells.leaks),
  });
}

/** The fields in which the plans of one problem are sought, with what an arrangement fixes. */
export class Fields {
  readonly cells: Cells;
  /** The standing of all that a plan leaves alone. */
  readonly lastOf: (cell: number) => number;
  /** What no plan can save. */
  readonly certainLoss: number;
  readonly meeting: Meeting;
  readonly standings: readonly Standing[];
  private readonly starts: readonly number[];
  private readonly possible: Possible | undefined;
  private readonly loss: CertainLoss | undefined;
  private readonly known = new Map<Aim, Field>();

  constructor(
    private readonly model: PlannerModel,
    private readonly arrangement: Arrangement,
  ) {
    const cells = buildCells(model, arrangement);
    this.cells = cells;
    const standings = askOf(model, cells, arrangement);
    this.standings = standings.all;
    this.lastOf = (cell) => (cells.isOver[cell] ? standings.lastOver : standings.lastBehind);
    const isShut = (edge: number) => arrangement.shut.has(cells.links[edge] as number);
    this.meeting = listMeetings(cells, standings, this.strengthOf, isShut);
    const dead = [...arrangement.dead].map((section) => cells.cellOf[section] as number);
    const marked = [...cells.isZone.keys()].filter(
      (cell) => cells.isZone[cell] || cells.leaks[cell] || cells.endsIn[cell],
    );
    this.starts = [...new Set([...marked, ...dead])];
    this.possible = listPossible(cells, standings, this.starts, this.meeting, new Set(dead));
    if (model.served.length > 0 && this.possible) {
      this.loss = new CertainLoss(model, cells, this.standings, this.possible);
    }
    this.certainLoss = this.loss?.total ?? 0;
  }

  /** True when it shows at once that no plan passes. */
  isHopeless(aim: Aim): boolean {
    return !this.possible || this.over(aim).least === Infinity;
  }

  private readonly strengthOf = (edge: number): number =>
    strengthOfEdge(this.model, this.cells, edge);

  private listTariff(aim: Aim): Tariff {
    const listed = listPrices(this.model, aim === 'points');
    const applied = new Set(this.arrangement.earths);
    const { shut } = this.arrangement;
    const prices = {
      ...listed,
      // What is shut whatever else is done is paid for already.
      link: (link: number) => (shut.has(link) ? 0 : listed.link(link)),
      outlet: (outlet: number) => (applied.has(outlet) ? 0 : listed.outlet(outlet)),
    };
    let dearestBleed = 0;
    for (const outlets of this.cells.safeOutlets.values()) {
      for (const outlet of outlets) {
        dearestBleed = Math.max(dearestBleed, prices.outlet(outlet));
      }
    }
    return { prices, dearestBleed, atWork: leastAtWork(this.model, this.cells, prices) };
  }

  /** Networks in which a source stands that has to be kept out: there what is itself is what has to be parted. */
  private listSourced(): Uint8Array {
    const { cells } = this;
    const sourced = new Uint8Array(cells.count);
    const queue: number[] = [];
    for (let cell = 0; cell < cells.count; cell++) {
      if (!cells.demanded[cell]) continue;
      sourced[cell] = 1;
      queue.push(cell);
    }
    for (let cell = queue.pop(); cell !== undefined; cell = queue.pop()) {
      for (let at = cells.start[cell] as number; at < (cells.start[cell + 1] as number); at++) {
        const edge = cells.incident[at] as number;
        if (cells.kind[edge] === TIE) continue;
        const first = cells.ends[2 * edge] as number;
        const next = first === cell ? (cells.ends[2 * edge + 1] as number) : first;
        if (sourced[next]) continue;
        sourced[next] = 1;
        queue.push(next);
      }
    }
    return sourced;
  }

  private makeField(aim: Aim, tariff: Tariff, possible: Possible): Field {
    const { prices, atWork } = tariff;
    const { cells } = this;
    const sourced = this.listSourced();
    const floor = computeFloor({
      cells,
      standings: this.standings,
      possible,
      priceOf: (edge) =>
        cells.kind[edge] === BARRIER ? prices.link(cells.links[edge] as number) : 0,
      strengthOf: this.strengthOf,
      bleedPriceOf: (cell) =>
        (cells.safeOutlets.get(cell) ?? []).reduce(
          (least, outlet) => Math.min(least, prices.outlet(outlet)),
          Infinity,
        ),
      layerOf: (edge) => (sourced[cells.ends[2 * edge] as number] ? 0 : 1),
    });
    return {
      aim,
      tariff,
      possible,
      floor,
      least: floor.base + atWork,
      loss: aim === 'points' ? undefined : this.loss,
      leastLoss: this.certainLoss,
    };
  }

  /** The whole plant as the field of an aim. */
  over(aim: Aim): Field {
    const known = this.known.get(aim);
    if (known) return known;
    if (!this.possible) throw new Error('a hopeless problem has no field');
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
    const possible = field.possible.copy();
    const seen = new Set<number>(this.starts);
    for (let round = 0; round < MOST_ROUNDS; round++) {
      let hasChanged = false;
      for (const cell of field.floor.nearCells()) {
        if (seen.has(cell)) continue;
        seen.add(cell);
        for (const n of possible.of(cell)) {
          if (n === this.lastOf(cell) || !isOut(cell, n)) continue;
          possible.clear(cell, n);
          hasChanged = true;
        }
      }
      if (!hasChanged) break;
      field = { ...this.makeField('outage', field.tariff, possible.copy()), isOut };
    }
    return field;
  }

  /** The cells that no plan can leave alone, and so many rings around them. */
  regionNear(rings: number, limits: SearchLimits): Region {
    const possible = this.over('effort').possible;
    const members = new Set<number>();
    for (let cell = 0; cell < this.cells.count; cell++) {
      if (!possible.has(cell, this.lastOf(cell))) members.add(cell);
    }
    for (let ring = 0; ring < rings; ring++) {
      for (const cell of [...members]) {
        for (const next of neighboursOf(this.cells, cell)) members.add(next);
      }
    }
    const standingsOf = (cell: number) =>
      members.has(cell) ? possible.of(cell) : [this.lastOf(cell)];
    return growRegion(this.cells, this.starts, standingsOf, this.lastOf, limits, Infinity);
  }

  /** The cells that may stand otherwise than last in a plan of the field that costs no more than `price`. */
  regionWithin(field: Field, price: number, limits: SearchLimits): Region {
    const room = price - field.least + EQUAL;
    const { cells } = this;
    const standingsOf = (cell: number) => {
      const last = this.lastOf(cell);
      // Standings that are alike for the floor are measured once.
      const measured = new Map<string, boolean>();
      return field.possible.of(cell).filter((n) => {
        if (n === last || cells.isZone[cell]) return true;
        if (field.isOut?.(cell, n)) return false;
        const standing = this.standings[n] as Standing;
        const { near, isDead, itself, driven } = standing;
        const key = `${near} ${isDead} ${itself.bled} ${itself.blanked} ${driven.barriers}`;
        const isIn = measured.get(key) ?? field.floor.leastAbove(cell, standing, room) <= room;
        measured.set(key, isIn);
        return isIn;
      });
    };
    return growRegion(cells, this.starts, standingsOf, this.lastOf, limits, price);
  }

  /** A region with no more than the standings that are left open. */
  private shrink({ reach }: Region, open: Region['open']): Region {
    const standingsOf = (cell: number) => open.get(cell) ?? [this.lastOf(cell)];
    const noLimits = { mostCells: Infinity, isOver: () => false };
    return growRegion(this.cells, this.starts, standingsOf, this.lastOf, noLimits, reach);
  }

  /** Tightens a region until it shrinks no more; undefined when no plan of it is within the room. */
  private tightenAll(
    fixed: Omit<TightenProblem, 'region'>,
    region: Region,
    room: number,
    isOver: () => boolean,
  ): { readonly region: Region; readonly tightened: Tightened } | undefined {
    let within = region;
    let { start } = fixed;
    for (;;) {
      const tightened = tighten({ ...fixed, region: within, start }, room, isOver);
      if (!tightened) return undefined;
      const smaller = this.shrink(within, tightened.open);
      if (smaller.order.length === within.order.length) {
        return { region: { ...within, open: tightened.open }, tightened };
      }
      within = smaller;
      start = tightened.shift;
    }
  }

  /** The shift of prices that the flows of a floor amount to: what they carry over an edge is a sum of a part for each end. */
  private shiftOf({ floor }: Field): Shift {
    const at = (n: number) => this.standings[n] as Standing;
    const lastAt = (edge: number, end: 0 | 1) =>
      at(this.lastOf(this.cells.ends[2 * edge + end] as number));
    return (edge, end, n) => {
      const [a, b] = [lastAt(edge, 0), lastAt(edge, 1)];
      return end === 0
        ? floor.carried(edge, at(n), b)
        : floor.carried(edge, a, at(n)) - floor.carried(edge, a, b);
    };
  }

  /** Makes a region ready to be swept below a ceiling; undefined when no plan of it is. */
  prepare(
    field: Field,
    ceiling: Ceiling,
    region: Region,
    isOver: SearchLimits['isOver'],
  ): Prepared | undefined {
    const { aim, tariff, loss } = field;
    const { cells, standings, lastOf, meeting, model } = this;
    const fixed = { model, cells, standings, lastOf, meeting, prices: tariff.prices };
    // A plan that loses less may cost more than what is attained.
    const mayCostMore =
      aim === 'outage' && ceiling.isAttained && ceiling.lost > field.leastLoss + EQUAL;
    const mayLose = ceiling.lost - this.certainLoss;
    const kept =
      loss && aim === 'outage' && mayLose < Infinity
        ? this.tightenAll(
            { ...fixed, prices: FREE, besides: (cell, n) => loss.ownLoss(cell, n) },
            region,
            mayLose,
            isOver,
          )?.region
        : region;
    const start = this.shiftOf(field);
    const room = mayCostMore ? region.reach : ceiling.price;
    const found = kept && this.tightenAll({ ...fixed, start }, kept, room, isOver);
    return (
      found && {
        ...fixed,
        ...found,
        dearestBleed: tariff.dearestBleed,
        certainLoss: loss?.total ?? 0,
        leastLoss: field.leastLoss,
        lostFirst: aim === 'outage',
        supply: loss && buildSupply(model, cells, found.region, loss.isLost),
        ceiling,
      }
    );
  }

  /** Finds the best plan of a region below a ceiling. */
  sweep(field: Field, ceiling: Ceiling, region: Region, limits: SearchLimits): SweepResult {
    const prepared = this.prepare(field, ceiling, region, limits.isOver);
    if (!prepared) return { best: undefined, dropped: undefined };
    const { mostStates, isOver } = limits;
    return sweepRegion({ ...prepared, mostStates, isOver });
  }
}
