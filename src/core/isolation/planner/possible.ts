import { GRADES } from '../../plant';
import { BARRIER, edgesOf, otherCell, TIE, type Cells } from './cells';
import {
  BEYOND,
  demandBit,
  isBledSpace,
  LEAKED,
  meetOverLoose,
  meetOverTie,
  OWN,
  strengthBetween,
  suits,
  ZONE,
  type Standing,
  type Standings,
} from './standings';

/** How two cells may stand at the ends of an edge: not at all, with the way left open, with it closed. */
export const NOT = 0;
export const AS_OPEN = 1;
export const AS_CLOSED = 2;

/** Tells of standings at both ends of an edge (its first end first) whether they may meet, and how. */
export type Meeting = (edge: number, a: number, b: number) => 0 | 1 | 2;

/** Works out once for each sort of edge which standings may meet over it; what is shut whatever is done is never open. */
export function listMeetings(
  cells: Cells,
  { all }: Standings,
  strengthOf: (edge: number) => number,
  isShut: (edge: number) => boolean,
): Meeting {
  const known = new Map<number, Uint8Array>();
  const count = all.length;
  const isBehind = (edge: number, end: 0 | 1) =>
    cells.isOver[cells.ends[2 * edge + end] as number] === 0;
  const sortOf = (edge: number): number => {
    const kind = cells.kind[edge] as number;
    if (kind === BARRIER) return strengthOf(edge) * 2 + (cells.isSure[edge] as number);
    if (kind !== TIE) return 8;
    return (
      16 +
      (cells.backs[edge] as number) * 4 +
      (isBehind(edge, 0) ? 2 : 0) +
      (isBehind(edge, 1) ? 1 : 0)
    );
  };
  const meet = (edge: number, a: Standing, b: Standing): 0 | 1 | 2 => {
    const kind = cells.kind[edge];
    if (kind === TIE) {
      const behind = [isBehind(edge, 0), isBehind(edge, 1)] as const;
      return meetOverTie(a, b, behind, cells.backs[edge] === 1) ? AS_OPEN : NOT;
    }
    const strength = strengthBetween(a, b);
    if (strength === 0) return AS_OPEN;
    if (!cells.isSure[edge] && meetOverLoose(a, b)) return AS_OPEN;
    return kind === BARRIER && strength <= strengthOf(edge) ? AS_CLOSED : NOT;
  };
  const tableOf = (edge: number): Uint8Array => {
    const sort = sortOf(edge);
    const before = known.get(sort);
    if (before) return before;
    const table = new Uint8Array(count * count);
    all.forEach((a, i) => all.forEach((b, j) => (table[i * count + j] = meet(edge, a, b))));
    known.set(sort, table);
    return table;
  };
  return (edge, a, b) => {
    const how = tableOf(edge)[a * count + b] as 0 | 1 | 2;
    return how === AS_OPEN && isShut(edge) ? AS_CLOSED : how;
  };
}

/** Whether a cell may have a standing: by the work, what it holds, what it brings, and whether it can be bled. */
function mayStand(cells: Cells, cell: number, standing: Standing): boolean {
  const { near, itself, driven, isDead } = standing;
  if (cells.isZone[cell] && near !== ZONE) return false;
  if (near === OWN && !cells.drivesOn[cell]) return false;
  if (cells.leaks[cell] && (near > LEAKED || itself.barriers > 0 || itself.bled > 1)) return false;
  if (cells.endsIn[cell]) {
    if (near > OWN) return false;
    if (!cells.isOver[cell] && (itself.barriers > 0 || itself.bled > 1)) return false;
    if (cells.endsIn[cell] === 2 && (driven.barriers > 0 || driven.bled > 1)) return false;
  }
  if (cells.hasSource[cell] && isDead) return false;
  const demanded = cells.demanded[cell] as number;
  if (demanded !== 0 && near !== BEYOND) return false;
  if (GRADES.some((grade) => (demanded & demandBit(grade)) !== 0 && !suits(itself, grade)))
    return false;
  return !isBledSpace(standing) || cells.canBeBled[cell] === 1;
}

/** What of a cell decides how it may stand, as one number. */
const signatureOf = (cells: Cells, cell: number): number =>
  (cells.isZone[cell] as number) |
  ((cells.leaks[cell] as number) << 1) |
  ((cells.endsIn[cell] as number) << 2) |
  ((cells.hasSource[cell] as number) << 4) |
  ((cells.isOver[cell] as number) << 5) |
  ((cells.canBeBled[cell] as number) << 6) |
  ((cells.drivesOn[cell] as number) << 7) |
  ((cells.demanded[cell] as number) << 8);

/** Which standings are open to each cell, by `cell * standings + standing`. */
export class Possible {
  constructor(
    readonly count: number,
    readonly marks: Uint8Array,
  ) {}

  has(cell: number, standing: number): boolean {
    return this.marks[cell * this.count + standing] === 1;
  }

  clear(cell: number, standing: number): void {
    this.marks[cell * this.count + standing] = 0;
  }

  copy(): Possible {
    return new Possible(this.count, this.marks.slice());
  }

  /** The standings open to a cell. */
  of(cell: number): number[] {
    const open: number[] = [];
    for (let n = 0; n < this.count; n++) if (this.has(cell, n)) open.push(n);
    return open;
  }

  /** Whether every standing open to a cell is of a kind; true when none is open. */
  every(cell: number, isOf: (standing: number) => boolean): boolean {
    for (let n = 0; n < this.count; n++) if (this.has(cell, n) && !isOf(n)) return false;
    return true;
  }
}

/**
 * The standings that are open to each cell: what its sources ask and what its neighbours leave it, worked outwards from the
 * work; no source may stand in the bodies of the `dead` cells. A necessary condition only. Undefined when some cell is left with none: no plan passes.
 */
export function listPossible(
  cells: Cells,
  standings: Standings,
  starts: readonly number[],
  meeting: Meeting,
  dead: ReadonlySet<number>,
): Possible | undefined {
  const { all, over, behind } = standings;
  const possible = new Possible(all.length, new Uint8Array(cells.count * all.length));
  // Cells that are alike in what matters here may stand alike: most of a plant is.
  const rows = new Map<number, Uint8Array>();
  for (let cell = 0; cell < cells.count; cell++) {
    const alike = signatureOf(cells, cell);
    let row = rows.get(alike);
    if (!row) {
      const own = cells.isOver[cell] ? over : behind;
      row = Uint8Array.from(all, (standing, n) =>
        own.has(n) && mayStand(cells, cell, standing) ? 1 : 0,
      );
      rows.set(alike, row);
    }
    if (!row.includes(1)) return undefined;
    possible.marks.set(row, cell * all.length);
    if (!dead.has(cell)) continue;
    all.forEach(({ isDead }, n) => {
      if (!isDead) possible.clear(cell, n);
    });
    if (possible.of(cell).length === 0) return undefined;
  }
  const queue = [...starts];
  for (let cell = queue.pop(); cell !== undefined; cell = queue.pop()) {
    const own = possible.of(cell);
    for (const edge of edgesOf(cells, cell)) {
      const next = otherCell(cells, edge, cell);
      const isFirst = cells.ends[2 * edge] === cell;
      let hasChanged = false;
      let some = false;
      for (const n of possible.of(next)) {
        const fits = own.some(
          (one) => (isFirst ? meeting(edge, one, n) : meeting(edge, n, one)) !== NOT,
        );
        if (fits) {
          some = true;
          continue;
        }
        possible.clear(next, n);
        hasChanged = true;
      }
      if (!some) return undefined;
      if (hasChanged) queue.push(next);
    }
  }
  return possible;
}
