import { createHash, randomBytes } from 'node:crypto';
import { eq, lt, sql } from 'drizzle-orm';
import { findAuthorisation, hasLeft, type Person, type Role } from '../core/people/people';
import { onceFor, tables, type Db } from '../db';
import { readNow } from './clock';
import { digestOfPin, findPerson } from './registers';
import { readValues } from './site-rules';

const { sessions, people } = tables;

/** How often it is written down that a session is in use (ms). */
const SEEN_EVERY_MS = 60_000;

const digest = (text: string): string => createHash('sha256').update(text).digest('hex');

const askPinHash = onceFor((db) =>
  db
    .select({ pinHash: people.pinHash })
    .from(people)
    .where(eq(people.id, sql.placeholder('person')))
    .prepare(),
);
const askSession = onceFor((db) =>
  db
    .select()
    .from(sessions)
    .where(eq(sessions.id, sql.placeholder('id')))
    .prepare(),
);

function readPinDigest(db: Db, person: string): string | undefined {
  const row = askPinHash(db).get({ person });
  return row && digestOfPin(row.pinHash);
}

const listHeldRoles = (person: Person, now: string): Role[] => [
  ...new Set(
    person.authorisations
      .map(({ role }) => role)
      .filter((role) => findAuthorisation(person, role, now) === 'held'),
  ),
];

type DeviceKind = NonNullable<(typeof sessions.$inferSelect)['device']>;

/** How long a session may lie idle (ms), by where it began. A browser that nobody has enrolled counts as a desk. */
function idleMs(db: Db, device: DeviceKind | null): number {
  const { values } = readValues(db);
  const minutes = {
    desk: values['session-idle-min'],
    gate: values['session-idle-gate-min'],
    phone: values['session-idle-phone-min'],
  };
  return minutes[device ?? 'desk'] * 60_000;
}

/** The longest that any session may lie idle (ms). */
const longestIdleMs = (db: Db): number =>
  Math.max(...(['desk', 'gate', 'phone'] as const).map((kind) => idleMs(db, kind)));

/** Begins a session of a person who has given their PIN; answers the secret that its cookie holds. It is kept nowhere. */
export function beginSession(db: Db, personId: string, device?: DeviceKind): string {
  const secret = randomBytes(32).toString('hex');
  const person = findPerson(db, personId);
  const now = Date.now();
  // Those that nobody will use any more make room.
  db.delete(sessions)
    .where(lt(sessions.seen_ms, now - longestIdleMs(db)))
    .run();
  db.insert(sessions)
    .values({
      id: digest(secret),
      person: personId,
      pin: readPinDigest(db, personId) ?? '',
      roles: JSON.stringify(person ? listHeldRoles(person, readNow(db)) : []),
      device: device ?? null,
      began_ms: now,
      seen_ms: now,
    })
    .run();
  return secret;
}

/** Ends a session. What still carries its cookie is signed out. */
export const endSession = (db: Db, secret: string): void => {
  db.delete(sessions)
    .where(eq(sessions.id, digest(secret)))
    .run();
};

/** How long what was under way at a desk may still finish after someone else has signed in there (ms). */
const FINISH_MS = 5000;

/** Ends a session soon: someone else has signed in at its desk, and what it had asked for is still on its way. */
export const replaceSession = (db: Db, secret: string): void => {
  db.update(sessions)
    .set({ ends_ms: Date.now() + FINISH_MS })
    .where(eq(sessions.id, digest(secret)))
    .run();
};

/** Who a session is of; undefined when it is over. */
function judge(db: Db, row: typeof sessions.$inferSelect): Person | undefined {
  const person = findPerson(db, row.person);
  const now_ms = Date.now();
  if (!person || hasLeft(person, readNow(db)) || now_ms - row.seen_ms > idleMs(db, row.device))
    return undefined;
  if (row.ends_ms !== null && now_ms > row.ends_ms) return undefined;
  if (readPinDigest(db, row.person) !== row.pin) return undefined;
  const now = readNow(db);
  const held = JSON.parse(row.roles) as Role[];
  return held.every((role) => findAuthorisation(person, role, now) === 'held') ? person : undefined;
}

const findRow = (db: Db, secret: string) => askSession(db).get({ id: digest(secret) });

/** Whether a session goes on. Asking does not keep it alive: a screen that nobody touches ends. */
export function isSessionLive(db: Db, secret: string): boolean {
  const row = findRow(db, secret);
  return row !== undefined && judge(db, row) !== undefined;
}

/**
 * The person of a session that goes on; undefined when it was ended, lay idle, or the person, their PIN or an authorisation that they held
 * has ended since it began. Using it keeps it alive.
 */
export function findSession(db: Db, secret: string): Person | undefined {
  const row = findRow(db, secret);
  if (!row) return undefined;
  const person = judge(db, row);
  try {
    if (!person) db.delete(sessions).where(eq(sessions.id, row.id)).run();
    else if (Date.now() - row.seen_ms > SEEN_EVERY_MS) {
      db.update(sessions).set({ seen_ms: Date.now() }).where(eq(sessions.id, row.id)).run();
    }
  } catch {
    // A full disk signs nobody out: it is written down at the next use.
  }
  return person;
}
