import { isComplete, type CellChoice } from './choices';
import { EQUAL, type Join, type Step } from './sweep-steps';

/** Part of a plan: the cells swept so far have their standings, the rest is open. */
export interface State {
  readonly price: number;
  readonly lost: number;
  /** The price, and what a body that still wants a bleed will add to it at least. */
  readonly least: number;
  readonly standing: readonly number[];
  readonly body: readonly number[];
  readonly flags: readonly number[];
  readonly supplied: Supplied;
  readonly before: State | undefined;
  readonly at: number;
  readonly as: number;
  readonly choice: CellChoice;
}

/** Blocks of supply at the edge of what is swept: which hold together, whether each is fed, and what hangs on it. */
export interface Supplied {
  readonly group: readonly number[];
  readonly fed: readonly boolean[];
  readonly loss: readonly number[];
}

/** Joins blocks of supply over what stays open; answers the edge that is left and the loss that is then certain. */
export function supplyAfter(
  before: Supplied,
  step: Step,
  isDead: boolean,
  isOpen: (join: Join) => boolean,
) {
  if (before.group.length + step.bornBlocks.length === 0) return { supplied: before, lost: 0 };
  const group = [...before.group, ...step.bornBlocks.map((_, n) => before.fed.length + n)];
  const fed = [...before.fed, ...step.bornBlocks.map(({ isFed }) => isFed)];
  const loss = [...before.loss, ...step.bornBlocks.map((block) => block.loss)];
  let lost = 0;
  if (isDead) {
    for (const slot of step.ownBlocks) {
      const one = group[slot] as number;
      lost += loss[one] as number;
      loss[one] = 0;
    }
  }
  for (const join of step.joins) {
    if (!join.blocks || !isOpen(join)) continue;
    const a = group[join.blocks[0]] as number;
    const b = group[join.blocks[1]] as number;
    if (a === b) continue;
    fed[a] = (fed[a] as boolean) || (fed[b] as boolean);
    loss[a] = (loss[a] as number) + (loss[b] as number);
    for (let n = 0; n < group.length; n++) if (group[n] === b) group[n] = a;
    loss[b] = 0;
    fed[b] = true;
  }
  const kept = step.keepBlocks.map((slot) => group[slot] as number);
  const number = new Map<number, number>();
  for (const one of kept) if (!number.has(one)) number.set(one, number.size);
  fed.forEach((isFed, one) => {
    if (!isFed && !number.has(one)) lost += loss[one] as number;
  });
  const ids = [...number.keys()];
  return {
    supplied: {
      group: kept.map((one) => number.get(one) as number),
      fed: ids.map((one) => fed[one] as boolean),
      loss: ids.map((one) => (fed[one] ? 0 : (loss[one] as number))),
    },
    lost,
  };
}

/** Bodies after a cell is added, renumbered; undefined when a body is left that may not be left as it is. */
export function bodiesAfter(
  state: State,
  step: Step,
  as: number,
  flags: number,
  isBody: readonly boolean[],
) {
  const standing = [...state.standing, as];
  const body = [...state.body, -1];
  const all = [...state.flags];
  if (isBody[as]) {
    const own = all.length;
    all.push(flags);
    body[body.length - 1] = own;
    for (const join of step.joins) {
      if (join.slot < 0 || state.standing[join.slot] !== as) continue;
      const met = body[join.slot] as number;
      if (met === own) continue;
      all[own] = (all[own] as number) | (all[met] as number);
      for (let n = 0; n < body.length; n++) if (body[n] === met) body[n] = own;
      all[met] = -1;
    }
  }
  const number = new Map<number, number>();
  for (const slot of step.keep) {
    const one = body[slot] as number;
    if (one >= 0 && !number.has(one)) number.set(one, number.size);
  }
  for (let slot = 0; slot < body.length; slot++) {
    const one = body[slot] as number;
    if (one < 0 || number.has(one)) continue;
    if (!isComplete(all[one] as number, standing[slot] === 0)) return undefined;
  }
  return {
    standing: step.keep.map((slot) => standing[slot] as number),
    body: step.keep.map((slot) => number.get(body[slot] as number) ?? -1),
    flags: [...number.keys()].map((one) => all[one] as number),
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
  edgeOf({ standing, body, flags }: Pick<State, 'standing' | 'body' | 'flags'>) {
    const { codes } = this;
    let at = 0;
    for (let n = 0; n < standing.length; n++) {
      codes[at++] = (standing[n] as number) * 4096 + (body[n] as number) + 1;
    }
    for (let n = 0; n < flags.length; n++) {
      codes[at++] = (flags[n] as number) & 0xffff;
      codes[at++] = (flags[n] as number) >> 16;
    }
    codes.length = at;
    return String.fromCharCode.apply(undefined, codes);
  }

  /** Whether a state of the same look costs less already, so that one of this price need not be kept. */
  hasCheaper(edge: string, price: number): boolean {
    return !this.lostFirst && price > (this.byEdge.get(edge)?.price ?? Infinity) + EQUAL;
  }

  private supplyOf({ group, fed, loss }: Supplied): string {
    if (group.length === 0) return '';
    const { codes } = this;
    let at = 0;
    for (const one of group) codes[at++] = one;
    for (let n = 0; n < loss.length; n++)
      codes[at++] = fed[n] ? 0 : this.numberOf(loss[n] as number);
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
