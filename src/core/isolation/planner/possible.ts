import { barriersOf, otherCell, type Cells } from './cells';
import { mayStand, strengthBetween, type Standing } from './standings';

/**
 * The standings that are open to each cell, bit n for the nth: what its sources ask and what its neighbours leave it, worked
 * outwards from the work. A necessary condition only.
 */
export function listPossible(
  cells: Cells,
  standings: readonly Standing[],
  zone: readonly number[],
  strengthOf: (barrier: number) => number,
): Uint16Array {
  const possible = Uint16Array.from({ length: cells.count }, (_, cell) =>
    standings.reduce(
      (bits, standing, n) => bits | (mayStand(cells, cell, standing) ? 1 << n : 0),
      0,
    ),
  );
  // By strength of the barrier between: the standings that go with each standing.
  const beside = [1, 2].map((strength) =>
    standings.map((one) =>
      standings.reduce(
        (bits, other, n) => bits | (strengthBetween(one, other) <= strength ? 1 << n : 0),
        0,
      ),
    ),
  );
  const queue = [...zone];
  for (let cell = queue.pop(); cell !== undefined; cell = queue.pop()) {
    for (const barrier of barriersOf(cells, cell)) {
      const next = otherCell(cells, barrier, cell);
      const fits = beside[strengthOf(barrier) - 1] ?? [];
      let allowed = 0;
      for (let n = 0; n < standings.length; n++) {
        if (((possible[cell] as number) >> n) & 1) allowed |= fits[n] ?? 0;
      }
      const left = (possible[next] as number) & allowed;
      if (left === possible[next]) continue;
      possible[next] = left;
      queue.push(next);
    }
  }
  return possible;
}
