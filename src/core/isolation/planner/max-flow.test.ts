import { Dice } from '../../../../tests/support/random-plant';
import { FlowNetwork } from './max-flow';

interface Arc {
  readonly from: number;
  readonly to: number;
  readonly room: number;
}

function makeNetwork(vertices: number, arcs: readonly Arc[]): FlowNetwork {
  const network = new FlowNetwork(vertices, arcs.length);
  for (const { from, to, room } of arcs) network.addPair(from, to, room, 0);
  return network;
}

const goalOf = (vertices: number, goal: number) =>
  Uint8Array.from({ length: vertices }, (_, vertex) => (vertex === goal ? 1 : 0));

/** The least cut between two vertices by trying every side. */
function leastCut(vertices: number, arcs: readonly Arc[], starts: readonly number[], goal: number) {
  let least = Infinity;
  for (let side = 0; side < 1 << vertices; side++) {
    const isNear = (vertex: number) => ((side >> vertex) & 1) === 1;
    if (!starts.every(isNear) || isNear(goal)) continue;
    const cut = arcs
      .filter(({ from, to }) => isNear(from) && !isNear(to))
      .reduce((sum, { room }) => sum + room, 0);
    least = Math.min(least, cut);
  }
  return least;
}

/** The network of a textbook: 23 goes from 0 to 5. Source: Cormen et al., Introduction to Algorithms, maximum flow; from memory. */
const TEXTBOOK: readonly Arc[] = [
  { from: 0, to: 1, room: 16 },
  { from: 0, to: 2, room: 13 },
  { from: 2, to: 1, room: 4 },
  { from: 1, to: 3, room: 12 },
  { from: 3, to: 2, room: 9 },
  { from: 2, to: 4, room: 14 },
  { from: 4, to: 3, room: 7 },
  { from: 3, to: 5, room: 20 },
  { from: 4, to: 5, room: 4 },
];

function rollArcs(dice: Dice, vertices: number): Arc[] {
  return Array.from({ length: 14 }, () => ({
    from: dice.below(vertices),
    to: dice.below(vertices),
    room: 1 + dice.below(9),
  })).filter(({ from, to }) => from !== to);
}

describe('FlowNetwork', () => {
  it('pushes as much as the textbook does', () => {
    expect(makeNetwork(6, TEXTBOOK).push([0], goalOf(6, 5))).toBe(23);
  });

  it('pushes just as much as the least cut lets through, and finds its near side', () => {
    for (let seed = 1; seed <= 200; seed++) {
      const arcs = rollArcs(new Dice(seed), 7);
      const network = makeNetwork(7, arcs);
      const total = network.push([0], goalOf(7, 6));
      expect({ seed, total }).toEqual({ seed, total: leastCut(7, arcs, [0], 6) });
      const near = new Set(network.reach([0]));
      const crossing = arcs
        .filter(({ from, to }) => near.has(from) && !near.has(to))
        .reduce((sum, { room }) => sum + room, 0);
      expect({ seed, crossing }).toEqual({ seed, crossing: total });
    }
  });

  it('measures what another start adds, and leaves the flow as it was', () => {
    for (let seed = 1; seed <= 200; seed++) {
      const arcs = rollArcs(new Dice(seed), 7);
      const network = makeNetwork(7, arcs);
      const isGoal = goalOf(7, 6);
      const total = network.push([0], isGoal);
      const flows = arcs.map((_, pair) => network.flowOf(pair));
      const added = network.measure([3], isGoal, Infinity);
      expect({ seed, both: total + added }).toEqual({ seed, both: leastCut(7, arcs, [0, 3], 6) });
      expect(arcs.map((_, pair) => network.flowOf(pair))).toEqual(flows);
      expect(network.measure([3], isGoal, Infinity)).toBe(added);
      if (added > 1) expect(network.measure([3], isGoal, added - 1)).toBeGreaterThan(added - 1);
    }
  });

  it('sends no more where room was taken away', () => {
    const network = makeNetwork(6, TEXTBOOK);
    expect(network.occupy(8, 3)).toBe(0);
    expect(network.occupy(8, 3)).toBe(2);
    expect(network.push([0], goalOf(6, 5))).toBe(19);
  });
});
