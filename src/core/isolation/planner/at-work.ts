import { mayBeSure, type Cells } from './cells';
import { IS_BLED, listOwnChoices, Tokens, type Prices } from './choices';
import { JoinedSets } from './joined-sets';
import type { PlannerModel } from './model';

/** What a cell of the work costs by itself at least, and the group of cells that one bleed may serve. */
export interface AtWork {
  /** Least price of what is released and restrained in each cell of the work. */
  readonly own: ReadonlyMap<number, number>;
  /** Groups that need a bleed of their own, with what it costs at least: cells of two groups are never one part. */
  readonly groups: readonly { readonly cells: readonly number[]; readonly bleed: number }[];
}

/** Which cells may ever be one part: joined over ways that are sure or can be locked open. */
function groupParts(model: PlannerModel, cells: Cells): JoinedSets {
  const sets = new JoinedSets(cells.count);
  for (let edge = 0; edge < cells.links.length; edge++) {
    if (mayBeSure(model, cells, edge))
      sets.join(cells.ends[2 * edge] as number, cells.ends[2 * edge + 1] as number);
  }
  return sets;
}

/** Works out what has to be spent at the work whatever else is done. */
export function listAtWork(model: PlannerModel, cells: Cells, prices: Prices): AtWork {
  const own = new Map<number, number>();
  const isServed = new Set<number>();
  const wanting = new Map<number, number[]>();
  const sets = groupParts(model, cells);
  for (let cell = 0; cell < cells.count; cell++) {
    if (!cells.isZone[cell]) continue;
    const choices = listOwnChoices(model, cells, cell, prices, new Tokens());
    const price = Math.min(...choices.map((choice) => choice.price));
    own.set(cell, price);
    const group = sets.find(cell);
    if (choices.some((one) => one.price === price && (one.part & IS_BLED) !== 0)) {
      isServed.add(group);
    }
    if (cells.needsBleed[cell]) wanting.set(group, [...(wanting.get(group) ?? []), cell]);
  }
  const cheapest = new Map<number, number>();
  for (const [cell, outlets] of cells.safeOutlets) {
    const group = sets.find(cell);
    const least = Math.min(...outlets.map((outlet) => prices.outlet(outlet)));
    cheapest.set(group, Math.min(least, cheapest.get(group) ?? Infinity));
  }
  const groups = [...wanting].flatMap(([group, members]) =>
    isServed.has(group) ? [] : [{ cells: members, bleed: cheapest.get(group) ?? Infinity }],
  );
  return { own, groups };
}

/** What has to be spent at the work in all. */
export const sumAtWork = ({ own, groups }: AtWork): number =>
  [...own.values()].reduce((sum, price) => sum + price, 0) +
  groups.reduce((sum, { bleed }) => sum + bleed, 0);

/** For each place in an order of cells: what is still to be spent at the work after it, at least. */
export function listAhead({ own, groups }: AtWork, order: readonly number[]): Float64Array {
  const ahead = new Float64Array(order.length);
  const placeOf = new Map(order.map((cell, place) => [cell, place]));
  const until = (place: number, price: number) => {
    for (let n = 0; n < place; n++) ahead[n] = (ahead[n] as number) + price;
  };
  for (const [cell, price] of own) until(placeOf.get(cell) ?? 0, price);
  // A bleed of a group may be opened as soon as the first of its cells is swept.
  for (const { cells, bleed } of groups) {
    until(Math.min(...cells.map((cell) => placeOf.get(cell) ?? 0)), bleed);
  }
  return ahead;
}
