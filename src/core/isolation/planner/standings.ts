import { GRADES, type Grade } from '../../plant';
import type { Cells } from './cells';
import { demandBit } from './cells';

/**
 * Where a cell stands towards the work. `barriers` counts what stands between (up to 2 when some source demands `double`, else
 * up to 1); `bled` is 0 on the side of the work, 1 in a bled space between two barriers, 2 beyond it or beyond a positive
 * barrier; `blanked` is 1 beyond a positive barrier. All three are 0 in the work's own bodies.
 */
export interface Standing {
  readonly barriers: 0 | 1 | 2;
  readonly bled: 0 | 1 | 2;
  readonly blanked: 0 | 1;
}

const DOUBLE = demandBit('double');
const DOUBLE_BLED = demandBit('double-bled');
const POSITIVE = demandBit('positive');

/** Lists the standings that a job needs, the work's own first and the one that satisfies every source last. */
export function listStandings(demanded: number): Standing[] {
  const most = (demanded & DOUBLE) !== 0 ? 2 : 1;
  const isBled = (demanded & DOUBLE_BLED) !== 0;
  const standings: Standing[] = [{ barriers: 0, bled: 0, blanked: 0 }];
  for (const bled of isBled ? ([0, 1, 2] as const) : ([0] as const)) {
    for (const barriers of [1, 2] as const) {
      if (barriers <= most && barriers >= Math.min(bled, most)) {
        standings.push({ barriers, bled, blanked: 0 });
      }
    }
  }
  if ((demanded & POSITIVE) !== 0)
    standings.push({ barriers: most, bled: isBled ? 2 : 0, blanked: 1 });
  return standings;
}

/** The least strength of a closed barrier between cells of two standings; 0 when none has to be closed. */
export function strengthBetween(a: Standing, b: Standing): number {
  return Math.max(
    Math.abs(a.barriers - b.barriers),
    Math.abs(a.bled - b.bled),
    a.blanked === b.blanked ? 0 : 2,
  );
}

/** Whether a source of a grade may stand so. */
export function suits(standing: Standing, grade: Grade): boolean {
  if (standing.barriers === 0) return false;
  if (grade === 'double') return standing.barriers === 2;
  if (grade === 'double-bled') return standing.bled === 2;
  return grade !== 'positive' || standing.blanked === 1;
}

/** Whether a cell may have a standing: by the work, the sources that it holds, and whether it can be bled. */
export function mayStand(cells: Cells, cell: number, standing: Standing): boolean {
  const demanded = cells.demanded[cell] as number;
  if (cells.isZone[cell]) return standing.barriers === 0 && demanded === 0;
  if (GRADES.some((grade) => (demanded & demandBit(grade)) !== 0 && !suits(standing, grade)))
    return false;
  return standing.bled !== 1 || cells.canBeBled[cell] === 1;
}
