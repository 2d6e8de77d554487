import { computePlantState, type PlantState } from '../core/isolation';
import type { PlantGraph } from '../core/plant';
import { hasFault, type Fault } from './faults';
import type { Positions } from './positions';

/** The plant as it really stands: what people did to it, and what is wrong with it. */
export interface AsIs {
  readonly graph: PlantGraph;
  readonly positions: Positions;
  readonly faults: readonly Fault[];
  /** The moment at which it is looked at (ms since 1970). */
  readonly now: number;
  /** With every closed valve tight. */
  readonly tight: PlantState;
  /** With the passing ones open. */
  readonly leaking: PlantState;
}

/** Works out how the plant stands. A plugged outlet counts as shut. */
export function lookAt(
  graph: PlantGraph,
  positions: Positions,
  faults: readonly Fault[],
  now: number,
): AsIs {
  const open = [...positions.opened.keys()].filter((id) => !hasFault(faults, 'plugged', id));
  const restrain = [...positions.restrained.keys()];
  const closed = [...positions.closed.keys()];
  const held = closed.filter((id) => !hasFault(faults, 'passing', id));
  return {
    graph,
    positions,
    faults,
    now,
    tight: computePlantState(graph, { close: closed, open, restrain }),
    leaking: computePlantState(graph, { close: held, open, restrain }),
  };
}

/** Seconds from a moment to now; 0 when it has not come. */
export const secondsSince = ({ now }: AsIs, moment: number): number =>
  Math.max(0, (now - moment) / 1000);

/** A curve read off at `x`, straight between its points and level beyond its ends. */
export function readOff(points: readonly (readonly [number, number])[], x: number): number {
  const next = points.findIndex(([at]) => at >= x);
  if (next === 0) return points[0]?.[1] ?? 0;
  const [b, a] = [points[next], points[next < 0 ? points.length - 1 : next - 1]];
  if (!a) return 0;
  if (!b) return a[1];
  return a[1] + ((b[1] - a[1]) * (x - a[0])) / (b[0] - a[0]);
}
