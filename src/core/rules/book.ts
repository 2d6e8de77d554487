import { momentsIn } from '../moments';
import { CLASH_RULES } from './clashes';
import { ENTRY_RULES } from './entry';
import { GAS_RULES } from './gas';
import { HOT_WORK_RULES } from './hot-work';
import { ISOLATING_RULES } from './isolating';
import { PERMIT_RULES } from './permit';
import { PLANNING_RULES } from './planning';
import { PROVING_RULES } from './proving';
import { RESTORING_RULES } from './restoring';
import type { Facts, Place, Rule } from './rule';
import { SITE_RULES } from './site';
import { STANDING_RULES } from './standing';
import { AUDIT_RULES, HANDOVER_RULES } from './watching';

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
  ...CLASH_RULES,
  ...AUDIT_RULES,
  ...GAS_RULES,
  ...HOT_WORK_RULES,
  ...ENTRY_RULES,
  ...HANDOVER_RULES,
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

const INSTANT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/;

/** Puts refusals into words for a site in a time zone. Instants among their facts are read to the minute, by the clock on its wall. */
export function explainIn(zone: string): (refusal: Refusal) => ExplainedRefusal {
  const { instant } = momentsIn(zone);
  const readable = <Fact>(fact: Fact): Fact | string =>
    typeof fact === 'string' && INSTANT.test(fact) ? instant(fact) : fact;
  return ({ code, facts: seen }) => {
    const found: Rule = RULES[code];
    const facts = Object.fromEntries(
      Object.entries(seen).map(([name, fact]) => [name, readable(fact)]),
    );
    return {
      code,
      says: found.says(facts),
      basis: found.basis,
      clear: found.clear(facts),
      where: found.where,
    };
  };
}

/** A rule in words where no case is at hand: what it would be about stands as "…". */
export function describeRule(code: RuleCode): ExplainedRefusal {
  const { says, basis, clear, where }: Rule = RULES[code];
  const anything: Facts = new Proxy({}, { get: () => '…' });
  return { code, says: says(anything), basis, clear: clear(anything), where };
}
