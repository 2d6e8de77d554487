import {
  COMES_AT_PEOPLE,
  EQUAL,
  HAS_SHUT_IN,
  isBodyComplete,
  isPartComplete,
  keepsShutIn,
  type CellChoice,
} from './choices';
import { AS_OPEN } from './possible';
import type { Extra, Step } from './sweep-steps';
import type { Supplied } from './sweep-supply';

/** Which cells at the edge hang together, and what each piece has and wants. */
export interface Edge {
  readonly standing: readonly number[];
  /** Part and body of each slot; -1 where these do not matter. */
  readonly part: readonly number[];
  readonly body: readonly number[];
  readonly partFlags: readonly number[];
  readonly bodyFlags: readonly number[];
}

/** Part of a plan: the cells swept so far have their standings, the rest is open. */
export interface State extends Edge {
  readonly price: number;
  readonly lost: number;
  /** No plan that goes on from here costs less. */
  readonly least: number;
  readonly supplied: Supplied;
  readonly before: State | undefined;
  readonly at: number;
  readonly as: number;
  readonly choice: CellChoice;
  /** What is done to ways between cells that stand alike. */
  readonly extras: readonly DoneExtra[];
}

export interface DoneExtra {
  readonly edge: number;
  readonly kind: Extra['kind'];
}

/** What of each standing has to be kept apart: parts of what is let down, bodies of what may come at the work. */
export interface Kept {
  readonly part: readonly boolean[];
  readonly body: readonly boolean[];
}

/** Joins pieces: all slots of one are those of the other, and so are the flags. */
function merge(of: number[], flags: number[], into: number, from: number): void {
  if (into === from) return;
  flags[into] = (flags[into] as number) | (flags[from] as number);
  for (let n = 0; n < of.length; n++) if (of[n] === from) of[n] = into;
  flags[from] = -1;
}

/** Numbers the pieces that are left in the order of the slots. */
function renumber(of: readonly number[], keep: readonly number[]): Map<number, number> {
  const number = new Map<number, number>();
  for (const slot of keep) {
    const one = of[slot] as number;
    if (one >= 0 && !number.has(one)) number.set(one, number.size);
  }
  return number;
}

/**
 * The edge after a cell is added, pieces renumbered; undefined when a piece is left that may not be left as it is. `extras` says what is
 * done to each join between cells that stand alike.
 */
export function edgeAfter(
  state: State,
  step: Step,
  as: number,
  choice: CellChoice,
  kept: Kept,
  extras: readonly (Extra['kind'] | undefined)[],
  count: number,
): Edge | undefined {
  const standing = [...state.standing, as];
  const part = [...state.part, -1];
  const body = [...state.body, -1];
  const partFlags = [...state.partFlags];
  const bodyFlags = [...state.bodyFlags];
  const own = part.length - 1;
  if (kept.part[as]) part[own] = partFlags.push(choice.part) - 1;
  if (kept.body[as]) body[own] = bodyFlags.push(choice.body) - 1;
  step.joins.forEach((join, n) => {
    const met = join.slot < 0 ? join.outside : (state.standing[join.slot] as number);
    const at = met * count + as;
    if (join.drives) {
      const drives = join.drives[at] as number;
      if ((drives & 2) !== 0 && body[own] !== -1) {
        bodyFlags[body[own] as number] =
          (bodyFlags[body[own] as number] as number) | COMES_AT_PEOPLE;
      }
      const other = join.slot < 0 ? -1 : (body[join.slot] as number);
      if ((drives & 1) !== 0 && other !== -1) {
        bodyFlags[other] = (bodyFlags[other] as number) | COMES_AT_PEOPLE;
      }
      return;
    }
    if (join.slot < 0 || join.meets[at] !== AS_OPEN || extras[n] === 'close') return;
    const [otherPart, otherBody] = [part[join.slot] as number, body[join.slot] as number];
    const isOnePart = met === as && (join.isSure || extras[n] === 'stand');
    if (isOnePart && otherPart >= 0) merge(part, partFlags, part[own] as number, otherPart);
    if (otherBody >= 0 && body[own] !== -1) merge(body, bodyFlags, body[own] as number, otherBody);
  });
  const partNumber = renumber(part, step.keep);
  for (let slot = 0; slot < part.length; slot++) {
    const one = part[slot] as number;
    if (one < 0 || partNumber.has(one)) continue;
    const flags = partFlags[one] as number;
    if (!isPartComplete(flags)) return undefined;
    const home = body[slot] as number;
    if (home >= 0 && keepsShutIn(flags)) {
      bodyFlags[home] = (bodyFlags[home] as number) | HAS_SHUT_IN;
    }
  }
  const bodyNumber = renumber(body, step.keep);
  for (let slot = 0; slot < body.length; slot++) {
    const one = body[slot] as number;
    if (one < 0 || bodyNumber.has(one)) continue;
    if (!isBodyComplete(bodyFlags[one] as number)) return undefined;
  }
  return {
    standing: step.keep.map((slot) => standing[slot] as number),
    part: step.keep.map((slot) => partNumber.get(part[slot] as number) ?? -1),
    body: step.keep.map((slot) => bodyNumber.get(body[slot] as number) ?? -1),
    partFlags: [...partNumber.keys()].map((one) => partFlags[one] as number),
    bodyFlags: [...bodyNumber.keys()].map((one) => bodyFlags[one] as number),
  };
}

/** The states after a step that none of the others is sure to be as good as. */
export class Frontier {
  private readonly byEdge = new Map<string, { price: number; bySupply: Map<string, State> }>();
  private readonly codes: number[] = [];
  /** Losses by number, so that a key holds them in one letter each. */
  private readonly lossNumber = new Map<number, number>();
  size = 0;

  constructor(private readonly lostFirst: boolean) {}

  /** How a state looks from what is still to come, but for supply. */
  edgeOf({ standing, part, body, partFlags, bodyFlags }: Edge) {
    const { codes } = this;
    let at = 0;
    for (let n = 0; n < standing.length; n++) {
      codes[at++] = standing[n] as number;
      codes[at++] = ((part[n] as number) + 1) * 256 + (body[n] as number) + 1;
    }
    for (let n = 0; n < partFlags.length; n++) codes[at++] = partFlags[n] as number;
    for (let n = 0; n < bodyFlags.length; n++) {
      codes[at++] = (bodyFlags[n] as number) & 0xffff;
      codes[at++] = (bodyFlags[n] as number) >> 16;
    }
    codes.length = at;
    return String.fromCharCode.apply(undefined, codes);
  }

  /** Whether a state of the same look costs less already, so that one of this price need not be kept. */
  hasCheaper(edge: string, price: number): boolean {
    return !this.lostFirst && price > (this.byEdge.get(edge)?.price ?? Infinity) + EQUAL;
  }

  private supplyOf({ group, fed, loss, feeds }: Supplied): string {
    if (group.length === 0) return '';
    const { codes } = this;
    let at = 0;
    for (const one of group) codes[at++] = one;
    // How many pieces there are, so that what feeds what is never read as a loss.
    codes[at++] = loss.length;
    for (let n = 0; n < loss.length; n++)
      codes[at++] = fed[n] ? 0 : this.numberOf(loss[n] as number);
    for (const [a, b] of feeds) codes[at++] = a * 256 + b;
    codes.length = at;
    return String.fromCharCode.apply(undefined, codes);
  }

  private numberOf(loss: number): number {
    const known = this.lossNumber.get(loss);
    if (known !== undefined) return known;
    this.lossNumber.set(loss, this.lossNumber.size + 1);
    return this.lossNumber.size;
  }

  add(edge: string, state: State): void {
    const supply = this.supplyOf(state.supplied);
    const known = this.byEdge.get(edge);
    if (!known) {
      this.byEdge.set(edge, { price: state.price, bySupply: new Map([[supply, state]]) });
      this.size++;
      return;
    }
    if (!this.lostFirst) {
      if (state.price > known.price + EQUAL) return;
      if (state.price < known.price - EQUAL) {
        this.size -= known.bySupply.size;
        known.bySupply.clear();
        known.price = state.price;
      }
    }
    const rival = known.bySupply.get(supply);
    if (!rival) this.size++;
    if (!rival || this.isBetter(state, rival)) known.bySupply.set(supply, state);
  }

  private isBetter(a: State, b: State): boolean {
    if (
      Math.abs(a.lost - b.lost) > EQUAL &&
      (this.lostFirst || Math.abs(a.price - b.price) <= EQUAL)
    ) {
      return a.lost < b.lost;
    }
    return a.price < b.price - EQUAL;
  }

  *states(): Generator<State> {
    for (const { bySupply } of this.byEdge.values()) yield* bySupply.values();
  }
}
