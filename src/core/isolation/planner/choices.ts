import { openingMinutes, RESTRAIN_MINUTES } from '../cost';
import type { Cells } from './cells';
import type { PlannerModel } from './model';
import { sectionOfOutlet } from '../bodies';

/** What a body of cells has and wants, as bits of one number. */
export const NEEDS_BLEED = 1;
export const IS_BLED = 2;
export const IS_LIVE = 4;
export const HAS_OPENED = 8;
const WANTED_SHIFT = 4;
const GIVEN_SHIFT = 16;
const MOST_TOKENS = 12;

/** Whether a body of this kind may be left as it is. `isWork` for the work's own bodies, else a bled space. */
export function isComplete(flags: number, isWork: boolean): boolean {
  if (!isWork) return (flags & IS_BLED) !== 0;
  if ((flags & NEEDS_BLEED) !== 0 && ((flags & IS_BLED) === 0 || (flags & IS_LIVE) !== 0))
    return false;
  if ((flags & HAS_OPENED) !== 0 && (flags & IS_LIVE) !== 0) return false;
  const wanted = (flags >> WANTED_SHIFT) & ((1 << MOST_TOKENS) - 1);
  const given = (flags >> GIVEN_SHIFT) & ((1 << MOST_TOKENS) - 1);
  return (wanted & ~given) === 0;
}

/** Whether a body of this kind still wants a bleed. */
export const wantsBleed = (flags: number, isWork: boolean): boolean =>
  (flags & IS_BLED) === 0 && (!isWork || (flags & NEEDS_BLEED) !== 0);

/** One way of opening outlets and restraining stores in a cell. */
export interface CellChoice {
  readonly price: number;
  readonly open: readonly number[];
  readonly restrain: readonly number[];
  readonly flags: number;
}

/** Prices of outlets and restraints for one aim. */
export interface Prices {
  readonly link: (link: number) => number;
  readonly outlet: (outlet: number) => number;
  readonly store: (store: number) => number;
}

const minutesOf = (model: PlannerModel): Prices => {
  const { graph, options, closing } = model;
  return {
    link: (link) => (options.paidLinks?.has(link) ? 0 : (closing[link] as number)),
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
    const outlet = model.graph.outletAt.get(release);
    if (outlet === undefined) return undefined;
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

const cheapest = (outlets: readonly number[], prices: Prices): number | undefined =>
  outlets.reduce<number | undefined>(
    (best, one) => (best === undefined || prices.outlet(one) < prices.outlet(best) ? one : best),
    undefined,
  );

/** The ways to deal with a cell in one of the work's own bodies. Empty when its stores cannot be released. */
export function listWorkChoices(
  model: PlannerModel,
  cells: Cells,
  cell: number,
  prices: Prices,
  tokens: Tokens,
): CellChoice[] {
  const releases = listReleases(model, cells, cell, tokens);
  if (!releases) return [];
  const safe = cells.safeOutlets.get(cell) ?? [];
  const bleed = model.bledWork.length > 0 ? cheapest(safe, prices) : undefined;
  const base =
    (cells.needsBleed[cell] ? NEEDS_BLEED : 0) |
    (cells.hasSource[cell] ? IS_LIVE : 0) |
    (releases.wanted << WANTED_SHIFT);
  const given = [...tokens.within(cell, cellOfOutlet(model, cells))];
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
        flags:
          base |
          (all.some((outlet) => safe.includes(outlet)) ? IS_BLED : 0) |
          (all.length > 0 ? HAS_OPENED : 0) |
          (tokenBits << GIVEN_SHIFT),
      });
    }
  }
  return choices;
}

/** The ways to deal with a cell of a bled space: leave it, or open its cheapest safe outlet. */
export function listBledChoices(cells: Cells, cell: number, prices: Prices): CellChoice[] {
  const bleed = cheapest(cells.safeOutlets.get(cell) ?? [], prices);
  const leave = { price: 0, open: [], restrain: [], flags: 0 };
  if (bleed === undefined) return [leave];
  return [
    leave,
    {
      price: prices.outlet(bleed),
      open: [bleed],
      restrain: [],
      flags: IS_BLED,
    },
  ];
}
