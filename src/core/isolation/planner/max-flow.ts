/** More than any sum of prices: an arc of this capacity is never cut. */
export const UNCUTTABLE = 1e15;

const TINY = 1e-9;

/**
 * A largest flow through a network, found by shortest augmenting paths (Dinic). Arcs come in pairs 2n and 2n + 1, one each
 * way. Only the surroundings of the starts are looked at as long as the flow stays there.
 * Source: Dinic's algorithm, as in Ahuja, Magnanti, Orlin, Network Flows (1993), chapter 7; from memory.
 */
export class FlowNetwork {
  private readonly head: Int32Array;
  private readonly next: Int32Array;
  private readonly to: Int32Array;
  private readonly room: Float64Array;
  private readonly flow: Float64Array;
  private readonly level: Int32Array;
  private readonly cursor: Int32Array;
  private arcs = 0;
  /** What was sent since a measurement began, when one is going on. */
  private sentSo: { readonly path: readonly number[]; readonly sent: number }[] | undefined;

  constructor(vertices: number, pairs: number) {
    this.head = new Int32Array(vertices).fill(-1);
    this.next = new Int32Array(2 * pairs);
    this.to = new Int32Array(2 * pairs);
    this.room = new Float64Array(2 * pairs);
    this.flow = new Float64Array(pairs);
    this.level = new Int32Array(vertices).fill(-1);
    this.cursor = new Int32Array(vertices);
  }

  /** Adds a pair of arcs between two vertices with a capacity each way; answers the number of the pair. */
  addPair(a: number, b: number, forth: number, back: number): number {
    const pair = this.arcs >> 1;
    this.addArc(a, b, forth);
    this.addArc(b, a, back);
    return pair;
  }

  private addArc(from: number, to: number, room: number): void {
    const arc = this.arcs++;
    this.to[arc] = to;
    this.room[arc] = room;
    this.next[arc] = this.head[from] as number;
    this.head[from] = arc;
  }

  /** Net flow of a pair from its first vertex to its second. */
  flowOf(pair: number): number {
    return this.flow[pair] as number;
  }

  /** Pushes as much as goes from the starts to the goals; Infinity when no cut of finite capacity stands between. */
  push(starts: readonly number[], isGoal: Uint8Array): number {
    return this.pushUpTo(starts, isGoal, Infinity);
  }

  /** How much more would go from other starts, up to a little over `limit`; the flow stays as it is. */
  measure(starts: readonly number[], isGoal: Uint8Array, limit: number): number {
    this.sentSo = [];
    const total = this.pushUpTo(starts, isGoal, limit);
    for (const { path, sent } of this.sentSo) this.send(path, -sent);
    this.sentSo = undefined;
    return total;
  }

  private pushUpTo(starts: readonly number[], isGoal: Uint8Array, limit: number): number {
    if (starts.some((start) => isGoal[start])) return Infinity;
    let total = 0;
    for (;;) {
      const seen = this.levelFrom(starts, isGoal);
      if (seen === undefined) return total;
      for (const start of starts) {
        for (let sent = this.augment(start, isGoal); sent > 0; sent = this.augment(start, isGoal)) {
          total += sent >= UNCUTTABLE / 2 ? Infinity : sent;
          if (total > limit || total === Infinity) break;
        }
      }
      for (const vertex of seen) this.level[vertex] = -1;
      if (total > limit || total === Infinity) return total;
    }
  }

  /** The vertices on the near side of the least cut: those to which more could still go. */
  reach(starts: readonly number[]): Iterable<number> {
    const seen = new Set(starts);
    for (const vertex of seen) {
      for (let arc = this.head[vertex] as number; arc !== -1; arc = this.next[arc] as number) {
        if ((this.room[arc] as number) > TINY) seen.add(this.to[arc] as number);
      }
    }
    return seen;
  }

  /** Makes a pair hold more (or less) both ways; what flows through it already must still fit. */
  resize(pair: number, more: number): void {
    for (const arc of [2 * pair, 2 * pair + 1]) this.room[arc] = (this.room[arc] as number) + more;
  }

  /** Takes away room of a pair in the direction of the sign of `amount`, down to none; answers what was left to take. */
  occupy(pair: number, amount: number): number {
    const arc = amount > 0 ? 2 * pair : 2 * pair + 1;
    const taken = Math.min(this.room[arc] as number, Math.abs(amount));
    this.room[arc] = (this.room[arc] as number) - taken;
    return Math.sign(amount) * (Math.abs(amount) - taken);
  }

  /** Numbers the vertices by their distance from the starts, as far as the nearest goals. */
  private levelFrom(starts: readonly number[], isGoal: Uint8Array): number[] | undefined {
    const queue: number[] = [];
    for (const start of starts) {
      if (this.level[start] !== -1) continue;
      this.level[start] = 0;
      queue.push(start);
    }
    let last = Infinity;
    for (let at = 0; at < queue.length; at++) {
      const vertex = queue[at] as number;
      const level = this.level[vertex] as number;
      this.cursor[vertex] = this.head[vertex] as number;
      if (level >= last) continue;
      for (let arc = this.head[vertex] as number; arc !== -1; arc = this.next[arc] as number) {
        const other = this.to[arc] as number;
        if ((this.room[arc] as number) <= TINY || this.level[other] !== -1) continue;
        this.level[other] = level + 1;
        if (isGoal[other]) last = level + 1;
        queue.push(other);
      }
    }
    if (last !== Infinity) return queue;
    for (const vertex of queue) this.level[vertex] = -1;
    return undefined;
  }

  /** Sends flow along one path of rising levels from `start`; 0 when there is none left. */
  private augment(start: number, isGoal: Uint8Array): number {
    const path: number[] = [];
    let vertex = start;
    while (!isGoal[vertex]) {
      const arc = this.cursor[vertex] as number;
      if (arc === -1) {
        const back = path.pop();
        if (back === undefined) return 0;
        vertex = this.to[back ^ 1] as number;
        this.cursor[vertex] = this.next[back] as number;
        continue;
      }
      const other = this.to[arc] as number;
      if (
        (this.room[arc] as number) > TINY &&
        this.level[other] === (this.level[vertex] as number) + 1
      ) {
        path.push(arc);
        vertex = other;
      } else {
        this.cursor[vertex] = this.next[arc] as number;
      }
    }
    const sent = path.reduce((least, arc) => Math.min(least, this.room[arc] as number), Infinity);
    this.send(path, sent);
    this.sentSo?.push({ path, sent });
    return sent;
  }

  private send(path: readonly number[], amount: number): void {
    for (const arc of path) {
      this.room[arc] = (this.room[arc] as number) - amount;
      this.room[arc ^ 1] = (this.room[arc ^ 1] as number) + amount;
      this.flow[arc >> 1] = (this.flow[arc >> 1] as number) + (arc & 1 ? -amount : amount);
    }
  }
}
