import { mayBeSure, type Cells } from './cells';
import { IS_BLED, listOwnChoices, Tokens, type Prices } from './choices';
import { JoinedSets } from './joined-sets';
import type { PlannerModel } from './model';

/** Which cells may ever be one part: joined over ways that are sure or can be locked open. */
function groupParts(model: PlannerModel, cells: Cells): JoinedSets {
  const sets = new JoinedSets(cells.count);
  for (let edge = 0; edge < cells.links.length; edge++) {
    if (mayBeSure(model, cells, edge))
      sets.join(cells.ends[2 * edge] as number, cells.ends[2 * edge + 1] as number);
  }
  return sets;
}

/**
 * What has to be spent at the work whatever else is done: what is released and restrained in each of its cells, and a bleed for each
 * group of cells that need one. Cells of two groups are never one part.
 */
export function leastAtWork(model: PlannerModel, cells: Cells, prices: Prices): number {
  let sum = 0;
  const isServed = new Set<number>();
  const wanting = new Set<number>();
  const sets = groupParts(model, cells);
  for (let cell = 0; cell < cells.count; cell++) {
    if (!cells.isZone[cell]) continue;
    const choices = listOwnChoices(model, cells, cell, prices, new Tokens());
    const price = Math.min(...choices.map((choice) => choice.price));
    sum += price;
    const group = sets.find(cell);
    if (choices.some((one) => one.price === price && (one.part & IS_BLED) !== 0)) {
      isServed.add(group);
    }
    if (cells.needsBleed[cell]) wanting.add(group);
  }
  const cheapest = new Map<number, number>();
  for (const [cell, outlets] of cells.safeOutlets) {
    const group = sets.find(cell);
    const least = Math.min(...outlets.map((outlet) => prices.outlet(outlet)));
    cheapest.set(group, Math.min(least, cheapest.get(group) ?? Infinity));
  }
  for (const group of wanting) {
    if (!isServed.has(group)) sum += cheapest.get(group) ?? Infinity;
  }
  return sum;
}
