import { BRIEFING_RULES } from './briefing';
import { CHANGE_RULES } from './changes';
import { CLEARING_RULES } from './clearing';
import { CLASH_RULES } from './clashes';
import { DEFECT_RULES } from './defects';
import { ENTRY_RULES } from './entry';
import { GAS_RULES } from './gas';
import { HOT_WORK_RULES } from './hot-work';
import { ISOLATING_RULES } from './isolating';
import { KIT_RULES } from './kit';
import { OUTSIDE_RULES } from './outside';
import { PERMIT_RULES } from './permit';
import { PLANNING_RULES } from './planning';
import { PROCEDURE_RULES } from './procedures';
import { PROVING_RULES } from './proving';
import { RESTORING_RULES } from './restoring';
import type { Rule } from './rule';
import { RUN_UP_RULES } from './run-up';
import { SITE_RULES } from './site';
import { STANDING_RULES } from './standing';
import { AUDIT_RULES, HANDOVER_RULES } from './watching';

/** Every rule that can refuse a step, by code. Words stand in these tables and nowhere else. */
export const RULES = {
  ...PLANNING_RULES,
  ...ISOLATING_RULES,
  ...PROVING_RULES,
  ...PERMIT_RULES,
  ...OUTSIDE_RULES,
  ...RUN_UP_RULES,
  ...KIT_RULES,
  ...BRIEFING_RULES,
  ...CLEARING_RULES,
  ...RESTORING_RULES,
  ...SITE_RULES,
  ...STANDING_RULES,
  ...DEFECT_RULES,
  ...CHANGE_RULES,
  ...PROCEDURE_RULES,
  ...CLASH_RULES,
  ...AUDIT_RULES,
  ...GAS_RULES,
  ...HOT_WORK_RULES,
  ...ENTRY_RULES,
  ...HANDOVER_RULES,
} as const satisfies Record<string, Rule>;

export type RuleCode = keyof typeof RULES;
