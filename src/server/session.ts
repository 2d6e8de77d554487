import { getIronSession, type SessionOptions } from 'iron-session';
import { cookies, headers } from 'next/headers';
import { findAuthorisation, ROLE_NAMES, type Person, type Role } from '../core/people/people';
import type { Db } from '../db';
import { findAddress, isBehindTls } from './address';
import { readNow } from './clock';
import { sharedDatabase } from './database';
import { findDevice, type Device } from './devices';
import { listSignInChoices } from './people';
import type { PinSource } from './pins';
import { respondError } from './respond';
import { readSessionSecret } from './secrets';
import { findSession } from './sessions';

interface SessionData {
  /** The secret of the session, which lives on the server. */
  secret?: string;
}

interface DeskData {
  /** Who signed in first at this desk. */
  by?: string;
  /** What it was enrolled with by a site manager. */
  device?: string;
}

const YEAR_S = 365 * 24 * 3600;

const options = (db: Db, cookieName: string, ttl: number, secure: boolean): SessionOptions => ({
  password: readSessionSecret(db),
  cookieName,
  ttl,
  cookieOptions: { httpOnly: true, sameSite: 'strict', secure },
});

/** The cookie of the session of the request at hand. */
export async function openSession() {
  const secure = isBehindTls(await headers());
  const sealed = options(sharedDatabase(), 'lantern', 12 * 3600, secure);
  return getIronSession<SessionData>(await cookies(), sealed);
}

/** The cookie of the desk of the request at hand. */
async function openDesk() {
  const secure = isBehindTls(await headers());
  const sealed = options(sharedDatabase(), 'lantern-desk', YEAR_S, secure);
  return getIronSession<DeskData>(await cookies(), sealed);
}

/** From where a PIN comes: a desk at which someone has signed in before, or an address. */
export async function findPinSource(): Promise<PinSource> {
  const { by } = await openDesk();
  return by === undefined
    ? { kind: 'address', name: findAddress(await headers()) }
    : { kind: 'desk', name: by };
}

/** Makes the desk of the request a known one, in the name of whoever has just signed in; a desk that is known stays as it is. */
export async function enrolDesk(person: string): Promise<void> {
  const desk = await openDesk();
  if (desk.by !== undefined) return;
  desk.by = person;
  await desk.save();
}

/** Keeps in the browser what it was enrolled with. */
export async function keepDevice(device: string): Promise<void> {
  const desk = await openDesk();
  desk.device = device;
  await desk.save();
}

/** The device of the request at hand, where it is enrolled. */
export const findOwnDevice = async (): Promise<Device | undefined> =>
  findDevice(sharedDatabase(), (await openDesk()).device);

/**
 * Everybody's name for the pages before anybody has signed in: on an enrolled device, and on the demonstration; undefined elsewhere, where who signs in
 * types their short name.
 */
export const findNamesToShow = async (): Promise<
  ReturnType<typeof listSignInChoices> | undefined
> =>
  process.env.LANTERN_DEMO === '1' || (await findOwnDevice())
    ? listSignInChoices(sharedDatabase())
    : undefined;

/** The secret of the session of the request at hand. */
export const findSecret = async (): Promise<string | undefined> => (await openSession()).secret;

/** Who is signed in, or undefined. */
export async function findMe(): Promise<Person | undefined> {
  const secret = await findSecret();
  return secret === undefined ? undefined : findSession(sharedDatabase(), secret);
}

export type Found =
  | { readonly ok: true; readonly person: Person }
  | { readonly ok: false; readonly response: Response };

/** Whether a person holds one of the roles, in force now. A lapsed authorisation opens nothing. */
export const holdsNow = (person: Person, roles: readonly Role[]): boolean =>
  roles.some((role) => findAuthorisation(person, role, readNow(sharedDatabase())) === 'held');

/** Whoever is signed in and holds one of the roles now, or the response that refuses anyone else with `words`. */
export async function findHolder(roles: readonly Role[], words: string): Promise<Found> {
  const person = await findMe();
  if (!person) return { ok: false, response: respondError(401, 'Sign in first.') };
  if (holdsNow(person, roles)) return { ok: true, person };
  const asked = `Asked for: ${roles.map((role) => ROLE_NAMES[role]).join(' or ')}, in force now.`;
  return { ok: false, response: respondError(403, words, [asked]) };
}

/** The coordinator who is signed in, or the response that refuses anyone else. */
export const findCoordinator = (words = 'Only a coordinator may change the plant.') =>
  findHolder(['coordinator'], words);

/** The site manager who is signed in, or the response that refuses anyone else. */
export const findSiteManager = (words = 'Only a site manager may change the rules of the site.') =>
  findHolder(['site-manager'], words);
