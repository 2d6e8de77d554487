import { explainWith } from './explain';
import type { ExplainedRefusal, Refusal } from './refuse';
import type { Facts, Rule } from './rule';
import { RULES, type RuleCode } from './tables';

export { refuse, type ExplainedRefusal, type Refusal } from './refuse';
export type { Facts, Place, Rule } from './rule';
export { RULES, type RuleCode } from './tables';

/** Puts refusals into words for a site in a time zone, from the whole book. */
export const explainIn = (zone: string): ((refusal: Refusal) => ExplainedRefusal) =>
  explainWith(RULES, zone);

/** A rule in words where no case is at hand: what it would be about stands as "…". */
export function describeRule(code: RuleCode): ExplainedRefusal {
  const { says, basis, clear, where }: Rule = RULES[code];
  const anything: Facts = new Proxy({}, { get: () => '…' });
  return { code, says: says(anything), basis, clear: clear(anything), where };
}
