import { refuse, type Refusal } from '../rules/refuse';
import { findAuthorisation, type Person, type Role } from './people';

/** A passphrase has so many characters at least. Source: NIST SP 800-63B-4, 3.1.1.2, a password that stands alone (from memory). */
export const LEAST_PASSPHRASE = 15;

/** Who may be the second at a reset of somebody's PIN. */
const WITNESSES: readonly Role[] = ['site-manager', 'coordinator', 'issuing-authority'];

/** Whether a person may be the second at a reset of a PIN. */
export const mayWitness = (person: Person, now: string): boolean =>
  WITNESSES.some((role) => findAuthorisation(person, role, now) === 'held');

/** What has to be known to make a code with which somebody sets their PIN. */
export interface PinCodeContext {
  readonly actor: string;
  readonly now: string;
  /** Whoever signs for it, the actor among them. */
  readonly signers: readonly Person[];
  /** Whether the person has a PIN already: then it is a reset. */
  readonly isReset: boolean;
}

/** What keeps a code from being made: the actor signs, and a reset is signed by a second who is neither the actor nor whose PIN it is. */
export function refusePinCode(
  person: Person,
  { actor, now, signers, isReset }: PinCodeContext,
): Refusal[] {
  if (!signers.some(({ id }) => id === actor)) return [refuse('pin-code-unsigned')];
  const second = signers.find(({ id }) => id !== actor);
  const isWitnessed = second !== undefined && second.id !== person.id && mayWitness(second, now);
  return isReset && !isWitnessed ? [refuse('pin-reset-alone', { person: person.name })] : [];
}
