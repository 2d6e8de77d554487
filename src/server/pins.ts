import { hash, verify } from '@node-rs/argon2';
import { eq } from 'drizzle-orm';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import { tables, type Db } from '../db';

/** Five wrong PINs lock a person's PIN for ten minutes. */
const attempts = new RateLimiterMemory({ points: 5, duration: 600 });

export const hashPin = (pin: string): Promise<string> => hash(pin);

export type PinAnswer = 'right' | 'wrong' | 'too-many-tries';

/** Checks a PIN. The answer for an unknown person is "wrong", so that names cannot be guessed. */
export async function checkPin(db: Db, person: string, pin: string): Promise<PinAnswer> {
  const state = await attempts.get(person);
  if (state !== null && state.remainingPoints <= 0) return 'too-many-tries';
  const row = db.select().from(tables.people).where(eq(tables.people.id, person)).get();
  const right = row !== undefined && (await verify(row.pinHash, pin));
  if (right) {
    await attempts.delete(person);
    return 'right';
  }
  await attempts.consume(person).catch(() => undefined);
  return 'wrong';
}
