import type { Explained } from './explain';
import type { Facts } from './rule';
import type { RuleCode } from './tables';

/** A step that is not allowed: which rule, about what, and the facts seen. */
export interface Refusal {
  readonly code: RuleCode;
  readonly facts: Facts;
}

/** A refusal in words. */
export type ExplainedRefusal = Explained<RuleCode>;

export const refuse = (code: RuleCode, facts: Facts = {}): Refusal => ({ code, facts });
