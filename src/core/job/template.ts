import type { IsolationPlan } from '../plant';

/** A plan used before, as it may be taken over, and what the plant has become since. */
export interface Template {
  readonly job: string;
  readonly title: string;
  /** The version of the plant that it was made on, and the one in force. */
  readonly version: number;
  readonly newest: number;
  /** Its points, without those that are no longer in the plant. */
  readonly plan: IsolationPlan;
  /** Points of it that are no longer in the plant. */
  readonly gone: readonly string[];
  /** What has changed in the plant; `touches` when it lies on the plan, the work or a route to it. */
  readonly changes: readonly { readonly words: string; readonly touches: boolean }[];
}
