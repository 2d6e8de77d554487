import { momentsIn } from '../moments';
import { ProgrammerFault } from '../result';
import type { Facts, Place, Rule } from './rule';

/** A rule in words. */
export interface Explained<Code extends string> {
  readonly code: Code;
  readonly says: string;
  readonly basis: string;
  readonly clear: string;
  readonly where: Place;
}

const INSTANT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/;

/**
 * Puts refusals into words for a site in a time zone, from the rules given: a screen that needs a few of them need not load the whole book.
 * Instants among their facts are read to the minute, by the clock on the site's wall.
 */
export function explainWith<Code extends string>(
  rules: Readonly<Partial<Record<Code, Rule>>>,
  zone: string,
): (refusal: { readonly code: Code; readonly facts: Facts }) => Explained<Code> {
  const { instant } = momentsIn(zone);
  const readable = <Fact>(fact: Fact): Fact | string =>
    typeof fact === 'string' && INSTANT.test(fact) ? instant(fact) : fact;
  return ({ code, facts: seen }) => {
    const found = rules[code];
    if (!found) throw new ProgrammerFault(`no words are at hand for the rule ${code}`);
    const facts: Facts = Object.fromEntries(
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
