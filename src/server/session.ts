import { randomBytes } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { getIronSession, type SessionOptions } from 'iron-session';
import { cookies } from 'next/headers';
import { findAuthorisation, type Person, type Role } from '../core/people/people';
import { tables, type Db } from '../db';
import { readNow } from './clock';
import { sharedDatabase } from './database';
import { listPeople } from './registers';
import { respondError } from './respond';

interface SessionData {
  person?: string;
}

function readSecret(db: Db): string {
  const row = db
    .select()
    .from(tables.settings)
    .where(eq(tables.settings.name, 'session-secret'))
    .get();
  if (row) return row.value;
  const value = randomBytes(32).toString('hex');
  db.insert(tables.settings).values({ name: 'session-secret', value }).run();
  return value;
}

const options = (db: Db): SessionOptions => ({
  password: readSecret(db),
  cookieName: 'lantern',
  ttl: 12 * 3600,
  cookieOptions: { httpOnly: true, sameSite: 'strict', secure: false },
});

/** The session of the request at hand. */
export async function openSession() {
  return getIronSession<SessionData>(await cookies(), options(sharedDatabase()));
}

/** Who is signed in, or undefined. */
export async function findMe(): Promise<Person | undefined> {
  const { person } = await openSession();
  return person === undefined
    ? undefined
    : listPeople(sharedDatabase()).find(({ id }) => id === person);
}

type Found =
  | { readonly ok: true; readonly person: Person }
  | { readonly ok: false; readonly response: Response };

/** Whoever is signed in and holds a role, or the response that refuses anyone else with `words`. */
async function findHolder(role: Role, words: string): Promise<Found> {
  const person = await findMe();
  if (!person) return { ok: false, response: respondError(401, 'Sign in first.') };
  return findAuthorisation(person, role, readNow(sharedDatabase())) === 'held'
    ? { ok: true, person }
    : { ok: false, response: respondError(403, words) };
}

/** The coordinator who is signed in, or the response that refuses anyone else. */
export const findCoordinator = (): Promise<Found> =>
  findHolder('coordinator', 'Only a coordinator may change the plant.');

/** The site manager who is signed in, or the response that refuses anyone else. */
export const findSiteManager = (
  words = 'Only a site manager may change the rules of the site.',
): Promise<Found> => findHolder('site-manager', words);
