import { refuse, type Refusal } from '../rules/refuse';
import type { Person } from './people';

/** A firm whose people work at the site. */
export interface Employer {
  readonly id: string;
  readonly name: string;
  /** The site's own. */
  readonly own?: boolean | undefined;
  /** Works here always, under the site's own rules of energy control: its people are asked for no round of their own. */
  readonly resident?: boolean | undefined;
  readonly contract?: string | undefined;
  readonly contractFrom?: string | undefined;
  readonly contractUntil?: string | undefined;
  readonly exchangedAt?: string | undefined;
  readonly lead?: string | undefined;
}

/** Rules that were exchanged so long before a contract began (ms) still count for it. Source: practice. */
const BEFORE_MS = 90 * 24 * 3_600_000;

/** Why a contract does not count now, in words; undefined when it does. Without an end nobody knows whether it still counts. */
function whyOver({ contractFrom, contractUntil }: Employer, now: string): string | undefined {
  if (contractUntil === undefined) return 'has no end in the register';
  if (Date.parse(contractUntil) < Date.parse(now)) return `ended ${contractUntil.slice(0, 10)}`;
  return contractFrom !== undefined && Date.parse(contractFrom) > Date.parse(now)
    ? `begins ${contractFrom.slice(0, 10)} only`
    : undefined;
}

/** Whether somebody works for a firm: employers are named with people as they are in the register, in any case. */
export const isOf = ({ employer }: Pick<Person, 'employer'>, { name }: Employer): boolean =>
  name.toLowerCase() === employer.toLowerCase();

/** The registered firm of somebody; undefined where it is not registered. */
export const findFirm = (
  someone: Pick<Person, 'employer'>,
  employers: readonly Employer[],
): Employer | undefined => employers.find((firm) => isOf(someone, firm));

/**
 * What keeps somebody of another firm from going to work: the firm is registered, its contract counts, and both have told each other their rules
 * under that contract. A site that has registered no firm at all does not keep the register, and nothing is asked.
 */
export function refuseEmployer(
  someone: Person,
  employers: readonly Employer[],
  now: string,
): Refusal[] {
  if (employers.length === 0) return [];
  const { name: person, employer } = someone;
  const known = findFirm(someone, employers);
  if (!known) return [refuse('employer-unknown', { person, employer })];
  if (known.own === true) return [];
  const over = whyOver(known, now);
  const { contractFrom, exchangedAt } = known;
  const isExchanged =
    exchangedAt !== undefined &&
    Date.parse(exchangedAt) <= Date.parse(now) &&
    (contractFrom === undefined || Date.parse(exchangedAt) >= Date.parse(contractFrom) - BEFORE_MS);
  return [
    ...(over === undefined ? [] : [refuse('contract-over', { person, employer, until: over })]),
    ...(isExchanged ? [] : [refuse('rules-not-exchanged', { person, employer })]),
  ];
}
