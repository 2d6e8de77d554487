import { sectionOfOutlet } from '../bodies';
import { barriersOf, otherCell, type Cells } from './cells';
import { listBledChoices, listWorkChoices, Tokens, type CellChoice, type Prices } from './choices';
import { giveBack, leastGivenBack, type Floor } from './floor';
import type { PlannerModel } from './model';
import type { Region } from './region';
import { strengthBetween, type Standing } from './standings';
import type { SupplyNet } from './supply';

/** Prices nearer than this count as equal: they are sums of minutes. */
export const EQUAL = 1e-6;

/** What is known to be attainable, or how far to look when nothing is. */
export interface Ceiling {
  readonly price: number;
  readonly lost: number;
  /** False when this is only how far to look. */
  readonly isAttained: boolean;
}

export interface SweepProblem {
  readonly model: PlannerModel;
  readonly cells: Cells;
  readonly standings: readonly Standing[];
  readonly floor: Floor;
  readonly prices: Prices;
  readonly strengthOf: (barrier: number) => number;
  readonly region: Region;
  /** Absent when lost supply plays no part. */
  readonly supply: SupplyNet | undefined;
  /** Loss that no plan can save; the supply net leaves it out. */
  readonly certainLoss: number;
  /** What any bleed costs at least. */
  readonly leastBleed: number;
  readonly lostFirst: boolean;
  readonly ceiling: Ceiling;
  readonly mostStates: number;
  readonly isOver: () => boolean;
}

export interface Join {
  readonly barrier: number;
  /** Slot of the cell that was swept before; -1 when it lies outside the region, where all stand last. */
  readonly slot: number;
  /** What the barrier adds by standings, [earlier * count + later]; Infinity where it is too weak. */
  readonly terms: Float64Array;
  readonly blocks: readonly [number, number] | undefined;
}

export interface Step {
  readonly cell: number;
  readonly joins: readonly Join[];
  /** Slots that stay after this step, the new cell being the last. */
  readonly keep: readonly number[];
  readonly bornBlocks: readonly { readonly isFed: boolean; readonly loss: number }[];
  readonly keepBlocks: readonly number[];
  /** Slots of the blocks that are lost when the cell comes to stand in a body without source. */
  readonly ownBlocks: readonly number[];
  readonly ways: readonly { readonly as: number; readonly choices: readonly CellChoice[] }[];
  /** By standing: the least that is given back at neighbours of the cell that come later, when it is a spool. */
  readonly pending: Float64Array;
}

/** What is done in a cell where nothing has to be done. */
export const NOTHING: CellChoice = {
  price: 0,
  open: [],
  restrain: [],
  flags: 0,
};

function tableOf(
  problem: SweepProblem,
  barrier: number,
  isForward: boolean,
  cell: number,
  isOutside: boolean,
): Float64Array {
  const { standings, floor } = problem;
  const strength = problem.strengthOf(barrier);
  const count = standings.length;
  const last = standings[count - 1] as Standing;
  const spools = floor.spoolsAt.get(barrier) ?? [];
  const terms = new Float64Array(count * count);
  standings.forEach((earlier, i) => {
    standings.forEach((later, j) => {
      const [a, b] = isForward ? [earlier, later] : [later, earlier];
      const back = spools.reduce(
        (sum, spool) =>
          sum +
          (spool.cell === cell
            ? giveBack(spool, earlier)
            : giveBack(spool, later) -
              (isOutside ? giveBack(spool, last) : leastGivenBack(spool, earlier))),
        0,
      );
      terms[i * count + j] =
        strengthBetween(a, b) > strength ? Infinity : floor.barrierTerm(barrier, a, b) + back;
    });
  });
  return terms;
}

/** Lays out the steps of a sweep: for each cell in turn what it meets and what is done with after it. */
export function layOut(problem: SweepProblem): Step[] {
  const { cells, region, supply, standings, model, prices } = problem;
  const last = standings.length - 1;
  const placeOf = new Map(region.order.map((cell, place) => [cell, place]));
  const lastPlace = (cell: number) =>
    barriersOf(cells, cell).reduce(
      (latest, barrier) => Math.max(latest, placeOf.get(otherCell(cells, barrier, cell)) ?? -1),
      placeOf.get(cell) ?? -1,
    );
  const blockEnds = new Map<number, number>();
  for (const [barrier, blocks] of supply?.joined ?? []) {
    const place = Math.max(
      placeOf.get(cells.ends[2 * barrier] as number) ?? -1,
      placeOf.get(cells.ends[2 * barrier + 1] as number) ?? -1,
    );
    for (const block of blocks) blockEnds.set(block, Math.max(blockEnds.get(block) ?? -1, place));
  }
  const tokens = new Tokens();
  const workChoices = region.order.map((cell) =>
    listWorkChoices(model, cells, cell, prices, tokens),
  );
  let slots: number[] = [];
  let blocks: number[] = [];
  return region.order.map((cell, place) => {
    const joins: Join[] = [];
    const pending = new Float64Array(standings.length);
    const born: number[] = [];
    for (const barrier of barriersOf(cells, cell)) {
      const next = otherCell(cells, barrier, cell);
      const isOutside = !placeOf.has(next);
      if ((placeOf.get(next) ?? -1) >= place) {
        for (const spool of problem.floor.spoolsAt.get(barrier) ?? []) {
          if (spool.cell !== cell) continue;
          standings.forEach((own, as) => {
            pending[as] = (pending[as] as number) + leastGivenBack(spool, own);
          });
        }
        continue;
      }
      const pair = supply?.joined.get(barrier);
      for (const block of pair ?? []) {
        if (blocks.includes(block)) continue;
        blocks = [...blocks, block];
        born.push(block);
      }
      joins.push({
        barrier,
        slot: isOutside ? -1 : slots.indexOf(next),
        terms: tableOf(problem, barrier, cells.ends[2 * barrier] === next, cell, isOutside),
        blocks: pair && [blocks.indexOf(pair[0]), blocks.indexOf(pair[1])],
      });
    }
    const own = supply?.within.get(cell) ?? [];
    for (const block of own) {
      if (blocks.includes(block)) continue;
      blocks = [...blocks, block];
      born.push(block);
    }
    const ownBlocks = own.map((block) => blocks.indexOf(block));
    const all = [...slots, cell];
    const keep = [...all.keys()].filter((slot) => lastPlace(all[slot] as number) > place);
    const keepBlocks = [...blocks.keys()].filter(
      (slot) => (blockEnds.get(blocks[slot] as number) ?? -1) > place,
    );
    slots = keep.map((slot) => all[slot] as number);
    blocks = keepBlocks.map((slot) => blocks[slot] as number);
    const choicesFor = (as: number): readonly CellChoice[] => {
      if (as === 0) {
        // A second pass, so that outlets that release a store of a later cell are known.
        return tokens.within(cell, (outlet) => outletCell(problem, outlet)).next().done
          ? (workChoices[place] ?? [])
          : listWorkChoices(model, cells, cell, prices, tokens);
      }
      return standings[as]?.bled === 1 ? listBledChoices(cells, cell, prices) : [NOTHING];
    };
    return {
      cell,
      joins,
      keep,
      bornBlocks: born.map((block) => supply?.blocks.get(block) ?? { isFed: false, loss: 0 }),
      keepBlocks,
      ownBlocks,
      pending,
      ways: [...standings.keys()]
        .filter((as) => ((region.open.get(cell) ?? 0) >> as) & 1)
        .sort((a, b) => (a === last ? -1 : b === last ? 1 : a - b))
        .map((as) => ({ as, choices: choicesFor(as) })),
    };
  });
}

const outletCell = ({ model, cells }: SweepProblem, outlet: number): number =>
  cells.cellOf[sectionOfOutlet(model.graph, outlet)] ?? -1;
