import { openingMinutes, RESTRAIN_MINUTES, standingMinutes } from '../cost';
import { findUsableOutlet, type Outlet } from '../../plant';
import type { Cells } from './cells';
import type { PlannerModel } from './model';
import { isBledSpace, isHandled, type Standing } from './standings';
import { findBackPressure, sectionOfOutlet } from '../bodies';

/** What a part of cells has and wants, as bits of one number. */
export const NEEDS_BLEED = 1;
export const IS_BLED = 2;
export const HAS_OUTLET = 4;
export const IS_PRESSED = 8;

/** What a body of cells has and wants, as bits of one number, besides the outlets wanted and given. */
export const COMES_AT_PEOPLE = 1;
export const HAS_SHUT_IN = 2;
const WANTED_SHIFT = 4;
const GIVEN_SHIFT = 16;
const MOST_TOKENS = 12;

/** Whether a part may be left as it is: what has to be let down is. */
export const isPartComplete = (flags: number): boolean =>
  (flags & NEEDS_BLEED) === 0 || (flags & IS_BLED) !== 0;

/** Whether a part keeps something shut in that an outlet of its own could let down. */
export const keepsShutIn = (flags: number): boolean =>
  (flags & IS_BLED) === 0 && (flags & IS_PRESSED) !== 0 && (flags & HAS_OUTLET) !== 0;

/** Whether a body may be left as it is: every store that comes at the work has its outlet, and nothing shut in comes at people. */
export function isBodyComplete(flags: number): boolean {
  if ((flags & COMES_AT_PEOPLE) !== 0 && (flags & HAS_SHUT_IN) !== 0) return false;
  const wanted = (flags >> WANTED_SHIFT) & ((1 << MOST_TOKENS) - 1);
  const given = (flags >> GIVEN_SHIFT) & ((1 << MOST_TOKENS) - 1);
  return (wanted & ~given) === 0;
}

/** Whether a part of this kind still wants a bleed. */
export const wantsBleed = (flags: number): boolean => !isPartComplete(flags);

/** One way of opening outlets and restraining stores in a cell. */
export interface CellChoice {
  readonly price: number;
  readonly open: readonly number[];
  readonly restrain: readonly number[];
  /** What it makes of the part and of the body of the cell. */
  readonly part: number;
  readonly body: number;
}

/** Prices of outlets and restraints for one aim. */
export interface Prices {
  readonly link: (link: number) => number;
  readonly stand: (link: number) => number;
  readonly outlet: (outlet: number) => number;
  readonly store: (store: number) => number;
}

/** Prices nearer than this count as equal: they are sums of minutes. */
export const EQUAL = 1e-6;

/** Everything for nothing. */
export const FREE: Prices = { link: () => 0, stand: () => 0, outlet: () => 0, store: () => 0 };

const minutesOf = (model: PlannerModel): Prices => {
  const { graph, options, closing } = model;
  return {
    link: (link) => (options.paidLinks?.has(link) ? 0 : (closing[link] as number)),
    stand: (link) => {
      const row = graph.links[link];
      return options.paidStands?.has(link) || !row ? 0 : standingMinutes(row);
    },
    outlet: (outlet) => {
      const row = graph.outlets[outlet];
      return options.paidOutlets?.has(outlet) || !row ? 0 : openingMinutes(row);
    },
    store: (store) => (options.paidStores?.has(store) ? 0 : RESTRAIN_MINUTES),
  };
};

/** Prices in minutes; or in points with minutes breaking ties, when `countsPoints`. */
export function listPrices(model: PlannerModel, countsPoints: boolean): Prices {
  const minutes = minutesOf(model);
  if (!countsPoints) return minutes;
  const { options } = model;
  const point = model.allMinutes + 1;
  return {
    link: (link) => (options.paidLinks?.has(link) ? 0 : point + minutes.link(link)),
    stand: (link) => (options.paidStands?.has(link) ? 0 : point + minutes.stand(link)),
    outlet: (outlet) => (options.paidOutlets?.has(outlet) ? 0 : point + minutes.outlet(outlet)),
    store: (store) => (options.paidStores?.has(store) ? 0 : point + minutes.store(store)),
  };
}

/** Outlets that release a store of another cell: told from each other by a bit. */
export class Tokens {
  private readonly bits = new Map<number, number>();

  /** The bit of an outlet, given out on first use; undefined when there are more than can be told apart. */
  bitOf(outlet: number): number | undefined {
    const known = this.bits.get(outlet);
    if (known !== undefined) return known;
    if (this.bits.size >= MOST_TOKENS) return undefined;
    this.bits.set(outlet, this.bits.size);
    return this.bits.size - 1;
  }

  *within(cell: number, cellOfOutlet: (outlet: number) => number): Generator<[number, number]> {
    for (const [outlet, bit] of this.bits) if (cellOfOutlet(outlet) === cell) yield [outlet, bit];
  }
}

/** Whether an outlet may be opened at all: not one that leads into pressure, nor one that an interlock keeps shut. */
const mayOpen = ({ graph, notOpened }: PlannerModel, outlet: number): boolean =>
  !notOpened.has(outlet) && findBackPressure(graph, graph.outlets[outlet] as Outlet) === undefined;

const cellOfOutlet = (model: PlannerModel, cells: Cells) => (outlet: number) =>
  cells.cellOf[sectionOfOutlet(model.graph, outlet)] as number;

/** What the stores of a cell of the work's bodies ask for; undefined when one cannot be released at all. */
function listReleases(model: PlannerModel, cells: Cells, cell: number, tokens: Tokens) {
  const open = new Set<number>();
  const restrain: number[] = [];
  let wanted = 0;
  for (const store of cells.stores.get(cell) ?? []) {
    const release = model.graph.stores[store]?.store.release ?? '';
    if (release === 'restrain') {
      restrain.push(store);
      continue;
    }
    const outlet = findUsableOutlet(model.graph, release);
    if (outlet === undefined || !mayOpen(model, outlet)) return undefined;
    if (cellOfOutlet(model, cells)(outlet) === cell) open.add(outlet);
    else {
      const bit = tokens.bitOf(outlet);
      if (bit === undefined) return undefined;
      wanted |= 1 << bit;
    }
  }
  return { open, restrain, wanted };
}

function* subsets<T>(all: readonly T[]): Generator<T[]> {
  for (let bits = 0; bits < 1 << all.length; bits++) yield all.filter((_, n) => (bits >> n) & 1);
}

/** The cheapest of some outlets that may be opened. */
const findBleed = (
  { notOpened }: PlannerModel,
  outlets: readonly number[],
  prices: Prices,
): number | undefined =>
  outlets.reduce<number | undefined>((best, one) => {
    if (notOpened.has(one)) return best;
    return best === undefined || prices.outlet(one) < prices.outlet(best) ? one : best;
  }, undefined);

const partOf = (cells: Cells, cell: number): number =>
  (cells.isPressed[cell] ? IS_PRESSED : 0) | (cells.safeOutlets.has(cell) ? HAS_OUTLET : 0);

/**
 * The ways to deal with a cell that may come at the work. `isBledSpace`: its part has to be let down as a space between barriers;
 * `isLive`: a source stands in its body, so nothing may be opened there. Empty when its stores cannot be released.
 */
export function listOwnChoices(
  model: PlannerModel,
  cells: Cells,
  cell: number,
  prices: Prices,
  tokens: Tokens,
  { isBledSpace = false, isLive = false } = {},
): CellChoice[] {
  const releases = listReleases(model, cells, cell, tokens);
  if (!releases || (isLive && releases.open.size > 0)) return [];
  const safe = isLive ? [] : (cells.safeOutlets.get(cell) ?? []);
  const bleed = findBleed(model, safe, prices);
  const part = partOf(cells, cell) | (cells.needsBleed[cell] || isBledSpace ? NEEDS_BLEED : 0);
  const comes = cells.isOpened[cell] || (cells.isFluid[cell] && cells.endsIn[cell]);
  const body = (comes ? COMES_AT_PEOPLE : 0) | (releases.wanted << WANTED_SHIFT);
  const given = isLive ? [] : [...tokens.within(cell, cellOfOutlet(model, cells))];
  const choices: CellChoice[] = [];
  for (const some of subsets(given)) {
    const open = new Set([...releases.open, ...some.map(([outlet]) => outlet)]);
    const tokenBits = given
      .filter(([outlet]) => open.has(outlet))
      .reduce((bits, [, bit]) => bits | (1 << bit), 0);
    for (const withBleed of [false, true]) {
      if (withBleed && (bleed === undefined || safe.some((outlet) => open.has(outlet)))) continue;
      const all = [...(withBleed && bleed !== undefined ? [...open, bleed] : open)];
      choices.push({
        price:
          all.reduce((sum, outlet) => sum + prices.outlet(outlet), 0) +
          releases.restrain.reduce((sum, store) => sum + prices.store(store), 0),
        open: all,
        restrain: releases.restrain,
        part: part | (all.some((outlet) => safe.includes(outlet)) ? IS_BLED : 0),
        body: body | (tokenBits << GIVEN_SHIFT),
      });
    }
  }
  return choices;
}

/** The ways to deal with a cell of a bled space: leave it, or open its cheapest safe outlet. */
function listBledChoices(
  model: PlannerModel,
  cells: Cells,
  cell: number,
  prices: Prices,
): CellChoice[] {
  const bleed = findBleed(model, cells.safeOutlets.get(cell) ?? [], prices);
  const leave = { price: 0, open: [], restrain: [], part: NEEDS_BLEED, body: 0 };
  if (bleed === undefined) return [leave];
  return [
    leave,
    { ...leave, price: prices.outlet(bleed), open: [bleed], part: NEEDS_BLEED | IS_BLED },
  ];
}

/** What is done in a cell where nothing has to be done. */
export const NOTHING: CellChoice = {
  price: 0,
  open: [],
  restrain: [],
  part: 0,
  body: 0,
};

/** The ways to deal with a cell that has a standing. */
export function listChoices(
  model: PlannerModel,
  cells: Cells,
  cell: number,
  prices: Prices,
  tokens: Tokens,
  standing: Standing,
): readonly CellChoice[] {
  const isSpace = isBledSpace(standing);
  if (isHandled(standing)) {
    const isLive = !standing.isDead;
    return listOwnChoices(model, cells, cell, prices, tokens, { isBledSpace: isSpace, isLive });
  }
  return isSpace ? listBledChoices(model, cells, cell, prices) : [NOTHING];
}
