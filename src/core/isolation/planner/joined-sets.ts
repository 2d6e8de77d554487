/** Sets that are joined two by two; the lowest number stands for each. */
export class JoinedSets {
  private readonly parent: Int32Array;

  constructor(count: number) {
    this.parent = Int32Array.from({ length: count }, (_, n) => n);
  }

  find(one: number): number {
    const { parent } = this;
    let root = one;
    while (parent[root] !== root) {
      parent[root] = parent[parent[root] as number] as number;
      root = parent[root] as number;
    }
    return root;
  }

  join(a: number, b: number): void {
    const one = this.find(a);
    const other = this.find(b);
    if (one < other) this.parent[other] = one;
    else this.parent[one] = other;
  }
}
