import { refuseEmployer } from '../../people/employers';
import { type Refusal } from '../../rules/refuse';
import { type Context } from '../site';

/** Refuses somebody of a firm without a contract that counts, or with which the rules have not been exchanged. */
export function requireContract(person: string, { site, now }: Context): Refusal[] {
  const known = site.people.get(person);
  return known ? refuseEmployer(known, site.employers ?? [], now) : [];
}
