import { hash, verify } from '@node-rs/argon2';
import { eq } from 'drizzle-orm';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import { z } from 'zod';
import { hasLeft } from '../core/people/people';
import { LEAST_PASSPHRASE } from '../core/people/pin-code';
import type { SiteValues } from '../core/rules/values';
import { perProcess, tables, type Db } from '../db';
import { readNow } from './clock';

/** A PIN or passphrase as it arrives: whatever is longer than a passphrase may be is none. */
export const pinSchema = z.string().min(1).max(100);

/** What a PIN is given for: signing in and signing are counted apart, so that neither keeps anyone from the other. */
export type PinPurpose = 'sign-in' | 'sign' | 'code' | 'set-up';

/** From where a PIN comes: a desk at which someone has signed in before, known by who that was, or an address. */
export interface PinSource {
  readonly kind: 'desk' | 'address';
  readonly name: string;
}

export type PinAnswer = 'right' | 'wrong' | 'too-many-tries';

/** Over how long wrong PINs are counted (s). */
const WINDOW_S = 600;
/** Wrong PINs of one person from one place, of anyone from one place, and of one person from anywhere but a known desk. */
const MOST = { pair: 5, source: 40, outside: 50 } as const;
type Limit = keyof typeof MOST;

const limiters = perProcess('PIN limits', () => new Map<string, RateLimiterMemory>());

function limiterOf(purpose: PinPurpose, limit: Limit): RateLimiterMemory {
  const key = `${purpose} ${limit}`;
  const known =
    limiters.get(key) ??
    new RateLimiterMemory({ points: MOST[limit], duration: WINDOW_S, keyPrefix: key });
  limiters.set(key, known);
  return known;
}

/** What one try is counted under. Nobody outside can use up the tries of a desk. */
function listCounts(purpose: PinPurpose, person: string, { kind, name }: PinSource) {
  const place = `${kind}/${name}`;
  return [
    { limiter: limiterOf(purpose, 'pair'), key: `${place} ${person}` },
    { limiter: limiterOf(purpose, 'source'), key: place },
    ...(kind === 'address' ? [{ limiter: limiterOf(purpose, 'outside'), key: person }] : []),
  ];
}

/** One PIN of a person is verified at a time; desks do not wait for what comes from elsewhere. */
const lanes = perProcess('PIN lanes', () => new Map<string, Promise<unknown>>());

async function inLane<T>(lane: string, work: () => Promise<T>): Promise<T> {
  const before = lanes.get(lane) ?? Promise.resolve();
  const mine = before.then(work, work);
  lanes.set(lane, mine);
  try {
    return await mine;
  } finally {
    if (lanes.get(lane) === mine) lanes.delete(lane);
  }
}

/** The same letters, however a keyboard puts them together, are the same passphrase. */
const compose = (pin: string): string => pin.normalize('NFKC');

export const hashPin = (pin: string): Promise<string> => hash(compose(pin));

let nobody: Promise<string> | undefined;

/** A hash that no PIN is checked against in earnest: an unknown person takes as long as a known one. */
const hashOfNobody = (): Promise<string> => (nobody ??= hashPin('no person has this'));

/**
 * Checks something secret. A try is counted before it is looked at, so that many at once are no more tries than one after the other; the right
 * one takes its count back.
 */
export async function checkSecret(
  person: string,
  from: { readonly source: PinSource; readonly purpose: PinPurpose },
  isRight: () => Promise<boolean>,
): Promise<PinAnswer> {
  const counts = listCounts(from.purpose, person, from.source);
  for (const { limiter, key } of counts) {
    const isAllowed = await limiter.consume(key).then(
      () => true,
      () => false,
    );
    if (!isAllowed) return 'too-many-tries';
  }
  if (!(await inLane(`${from.source.kind} ${person}`, isRight))) return 'wrong';
  const [pair, ...others] = counts;
  await pair?.limiter.delete(pair.key);
  for (const { limiter, key } of others) await limiter.reward(key);
  return 'right';
}

/** Checks a PIN. The answer for an unknown person is "wrong", so that names cannot be guessed. */
export const checkPin = (
  db: Db,
  person: string,
  pin: string,
  from: { readonly source: PinSource; readonly purpose: PinPurpose },
): Promise<PinAnswer> =>
  checkSecret(person, from, async () => {
    const row = db.select().from(tables.people).where(eq(tables.people.id, person)).get();
    // Who has set no PIN yet has none that could be right, and takes as long as anybody.
    const isHere = row !== undefined && !hasLeft({ leftAt: row.leftAt ?? undefined }, readNow(db));
    const own = isHere ? row.pinHash : '';
    const fits = await verify(own === '' ? await hashOfNobody() : own, compose(pin));
    return own !== '' && fits;
  });

/** Forgets every try that was counted, for tests. */
export const forgetTries = (): void => limiters.clear();

const MOST_PASSPHRASE = 100;

/** Why a new PIN or passphrase cannot be taken; undefined when it can. The shortest length of a PIN is a rule of the site. */
export function findPinFault(pin: string, values: SiteValues): string | undefined {
  const least = values['pin-digits'];
  if (!/^\d+$/.test(pin)) return findPassphraseFault(compose(pin), least);
  if (pin.length < least) return `a PIN has at least ${least} digits; this one has ${pin.length}`;
  if (pin.length > 12) return 'a PIN has at most 12 digits';
  return /^(\d)\1+$/.test(pin) ? 'a PIN is not one digit again and again' : undefined;
}

function findPassphraseFault(text: string, digits: number): string | undefined {
  const { length } = [...text];
  if (length < LEAST_PASSPHRASE) {
    return `a PIN has digits only, at least ${digits}; a passphrase has at least ${LEAST_PASSPHRASE} characters, and this has ${length}`;
  }
  if (length > MOST_PASSPHRASE) return `a passphrase has at most ${MOST_PASSPHRASE} characters`;
  return new Set(text.toLowerCase()).size < 5
    ? 'a passphrase is not a few characters again and again'
    : undefined;
}
