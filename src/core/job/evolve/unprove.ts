import type { IsolationRecord, RelitWhy } from '../state';

/** Something came undone: what was proved before no longer proves anything. */
export const unprove = (isolation: IsolationRecord): IsolationRecord => ({
  ...isolation,
  proved: {},
  tried: {},
  waited: {},
});

/** What was proved before no longer counts, for a reason that is said until it is proved again. */
export const relight = (
  isolation: IsolationRecord,
  why: RelitWhy,
  at: string,
): IsolationRecord => ({
  ...unprove(isolation),
  relit: { why, at },
});
