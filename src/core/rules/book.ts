import { ISOLATING_RULES } from './isolating';
import { PERMIT_RULES } from './permit';
import { PLANNING_RULES } from './planning';
import { PROVING_RULES } from './proving';
import { RESTORING_RULES } from './restoring';
import type { Facts, Place, Rule } from './rule';
import { SITE_RULES } from './site';
import { STANDING_RULES } from './standing';

export type { Facts, Place, Rule } from './rule';

/** Every rule that can refuse a step, by code. Words stand in these tables and nowhere else. */
export const RULES = {
  ...PLANNING_RULES,
  ...ISOLATING_RULES,
  ...PROVING_RULES,
  ...PERMIT_RULES,
  ...RESTORING_RULES,
  ...SITE_RULES,
  ...STANDING_RULES,
} as const satisfies Record<string, Rule>;

export type RuleCode = keyof typeof RULES;

/** A step that is not allowed: which rule, about what, and the facts seen. */
export interface Refusal {
  readonly code: RuleCode;
  readonly facts: Facts;
}

export interface ExplainedRefusal {
  readonly code: RuleCode;
  readonly says: string;
  readonly basis: string;
  readonly clear: string;
  readonly where: Place;
}

export const refuse = (code: RuleCode, facts: Facts = {}): Refusal => ({ code, facts });

/** Puts a refusal into words. */
export function explainRefusal({ code, facts }: Refusal): ExplainedRefusal {
  const found: Rule = RULES[code];
  return {
    code,
    says: found.says(facts),
    basis: found.basis,
    clear: found.clear(facts),
    where: found.where,
  };
}
