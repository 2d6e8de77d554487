import { and, eq, max, ne } from 'drizzle-orm';
import { listOn } from '../core/job';
import { listGrants, refusePerson } from '../core/people/change';
import { hasLeft, ROLE_NAMES, type Person } from '../core/people/people';
import { comparePeople } from '../core/people/sheet';
import { explainIn } from '../core/rules/book';
import { tables, writeAlone, type Db } from '../db';
import { readStream } from '../ledger';
import { readNow } from './clock';
import { readOpenJobs } from './open-jobs';
import { checkSecret, findPinFault, hashPin, type PinAnswer, type PinSource } from './pins';
import {
  appendSite,
  findPerson,
  listPeople,
  PEOPLE_STREAM,
  readNames,
  readSite,
  savePerson,
  savePin,
  type PersonEvent,
} from './registers';
import { digestOfCode, isCode, makeCode } from './secret-code';
import type { Changed } from './respond-change';
import { readValues } from './site-rules';

/** How long a code waits to be used (ms): a week. Source: practice. */
const CODE_MS = 7 * 24 * 3_600_000;

/** Which change to the people of the site was the last: a change is drawn from that one. Whoever sets their PIN changes nothing of it. */
export function readPeopleVersion(db: Db): number {
  const { events } = tables;
  const isSaving = and(eq(events.stream, PEOPLE_STREAM), eq(events.type, 'person-saved'));
  const last = db
    .select({ last: max(events.sequence) })
    .from(events)
    .where(isSaving)
    .get();
  return last?.last ?? 0;
}

/** What a person still holds on open jobs, in words. */
export function listHolds(db: Db, person: string): string[] {
  const locks = [...readSite(db).locks.values()].filter(({ owner }) => owner === person);
  const own = new Set(locks.map(({ id }) => id));
  return readOpenJobs(db).flatMap(({ id, dossier }) => {
    const { permit, duties, team, performer } = dossier;
    const on = listOn(permit)[person];
    const hanging = db
      .select({ item: tables.holdings.item, kind: tables.holdings.kind })
      .from(tables.holdings)
      .where(eq(tables.holdings.job, id))
      .all()
      .filter(({ kind, item }) => kind === 'lock' && own.has(item));
    return [
      ...(on ? [`signed on to ${id}`] : []),
      ...hanging.map(({ item }) => `lock ${item} hangs at ${id}`),
      ...(duties[person] ? [`${duties[person].duty} at ${id}`] : []),
      ...(performer === person ? [`performing authority of ${id}`] : []),
      ...(team.includes(person) ? [`named for the work of ${id}`] : []),
    ];
  });
}

/** A person with who granted what is new. */
const asGranted = (next: Person, before: Person | undefined, by: string): Person => {
  const grants = new Set(listGrants(next, before));
  return {
    ...next,
    authorisations: next.authorisations.map((one) => (grants.has(one) ? { ...one, by } : one)),
  };
};

/** Saves people, all or none: drawn from version `expected` of who is there. Their PINs stay as they are. */
export function changePeople(
  db: Db,
  {
    people,
    expected,
    actor,
  }: { readonly people: readonly Person[]; readonly expected: number; readonly actor: string },
): Changed {
  return writeAlone(db, (tx): Changed => {
    const version = readPeopleVersion(tx);
    if (version !== expected) return { ok: false, kind: 'changed-meanwhile', version };
    const now = readNow(tx);
    const known = new Map(listPeople(tx).map((one) => [one.id, one]));
    const areas = new Set(readSite(tx).graph.plant.areas.map(({ id }) => id));
    const refusals = people.flatMap((next) => {
      const before = known.get(next.id);
      const context = {
        actor,
        now,
        people: [...known.values()],
        areas,
        holds: next.leftAt === undefined ? [] : listHolds(tx, next.id),
      };
      const refused = refusePerson(next, before, context);
      known.set(next.id, next);
      return refused;
    });
    if (refusals.length > 0) {
      const explain = explainIn(readValues(tx).values.zone);
      return { ok: false, kind: 'refused', refusals: refusals.map(explain) };
    }
    for (const next of people) {
      const row = tx.select().from(tables.people).where(eq(tables.people.id, next.id)).get();
      const before = findPerson(tx, next.id);
      savePerson(tx, { ...asGranted(next, before, actor), pinHash: row?.pinHash ?? '' }, actor);
    }
    return { ok: true, version: readPeopleVersion(tx) };
  });
}

/** Whether a person has set a PIN of their own. */
export const hasPin = (db: Db, person: string): boolean =>
  (db.select().from(tables.people).where(eq(tables.people.id, person)).get()?.pinHash ?? '') !== '';

/** Everybody who has set a PIN of their own. */
export const listWithPin = (db: Db): string[] =>
  db
    .select({ id: tables.people.id, pinHash: tables.people.pinHash })
    .from(tables.people)
    .all()
    .filter(({ pinHash }) => pinHash !== '')
    .map(({ id }) => id);

/** Everybody who may sign in, with what each is, for the pages before that. */
export const listSignInChoices = (db: Db): { readonly id: string; readonly label: string }[] =>
  listPeople(db)
    .filter((person) => !hasLeft(person, readNow(db)))
    .map(({ id, name, employer, authorisations: [first] }) => ({
      id,
      label: `${name}, ${first ? ROLE_NAMES[first.role] : employer}`,
    }));

/** Makes a code with which a person sets a PIN of their own; it is answered this once and kept nowhere. */
export function makePinCode(db: Db, person: string, by: readonly string[]): string {
  const code = makeCode();
  writeAlone(db, (tx) => {
    const row = {
      person,
      digest: digestOfCode(code),
      ends_ms: Date.now() + CODE_MS,
      by: JSON.stringify(by),
      at: readNow(tx),
    };
    const event = { kind: 'pin-code-made' as const, person, by, isReset: hasPin(tx, person) };
    appendSite(tx, PEOPLE_STREAM, event, by[0] ?? '');
    tx.insert(tables.pinCodes)
      .values(row)
      .onConflictDoUpdate({ target: tables.pinCodes.person, set: row })
      .run();
  });
  return code;
}

export type PinSet =
  | { readonly ok: true; readonly by: readonly string[]; readonly at: string }
  | { readonly ok: false; readonly answer: Exclude<PinAnswer, 'right'> }
  | { readonly ok: false; readonly answer: 'unfit'; readonly fault: string };

/** Sets the PIN of a person with the code that was made for them; the code is used up by that. */
export async function setOwnPin(
  db: Db,
  given: { readonly person: string; readonly code: string; readonly pin: string },
  source: PinSource,
): Promise<PinSet> {
  const { person, code, pin } = given;
  const { pinCodes } = tables;
  const row = db.select().from(pinCodes).where(eq(pinCodes.person, person)).get();
  const known = findPerson(db, person);
  const answer = await checkSecret(person, { source, purpose: 'code' }, () =>
    Promise.resolve(
      isCode(code, row?.digest ?? digestOfCode('')) &&
        row !== undefined &&
        known !== undefined &&
        Date.now() <= row.ends_ms,
    ),
  );
  if (answer !== 'right' || !row || !known) {
    return { ok: false, answer: answer === 'right' ? 'wrong' : answer };
  }
  const fault = findPinFault(pin, readValues(db).values);
  if (fault !== undefined) return { ok: false, answer: 'unfit', fault };
  const pinHash = await hashPin(pin);
  return writeAlone(db, (tx): PinSet => {
    const gone = tx.delete(pinCodes).where(eq(pinCodes.digest, row.digest)).run();
    // Somebody else used it up while this one was looked at.
    if (gone.changes === 0) return { ok: false, answer: 'wrong' };
    savePin(tx, person, pinHash);
    return { ok: true, by: JSON.parse(row.by) as string[], at: row.at };
  });
}

/** What was changed about a person, the newest first: each saving with what is new and what went, and each code that was made. */
export function listPersonPast(
  db: Db,
  person: string,
): { readonly at: string; readonly by: string; readonly words: string }[] {
  const names = readNames(db);
  let before: Person | undefined;
  return readStream(db, PEOPLE_STREAM)
    .flatMap(({ payload, actor, at }) => {
      const event = payload as PersonEvent;
      const by = names[actor] ?? actor;
      if (event.kind === 'pins-ended') return [{ at, by, words: 'PIN ended: the site was moved' }];
      if (event.kind !== 'person-saved') {
        if (event.person !== person) return [];
        if (event.kind === 'pin-set') return [{ at, by, words: 'PIN set' }];
        const makers = event.by.map((id) => names[id] ?? id).join(' and ');
        return [
          { at, by, words: `code for a ${event.isReset ? 'new ' : ''}PIN made by ${makers}` },
        ];
      }
      if (event.id !== person) return [];
      const { id, name, employer, authorisations, leftAt } = event;
      const next: Person = {
        id,
        name,
        employer,
        authorisations: JSON.parse(authorisations) as Person['authorisations'],
        ...(leftAt ? { leftAt } : {}),
      };
      const [change] = comparePeople([next], new Map(before ? [[id, before]] : []));
      before = next;
      return change ? [{ at, by, words: change.words.join('; ') }] : [];
    })
    .reverse();
}

/** Ends every session of a person, or of everybody but one; answers how many ended. */
export function endSessionsOf(db: Db, person: string | undefined, but: string): number {
  const { sessions } = tables;
  const of = person === undefined ? ne(sessions.person, but) : eq(sessions.person, person);
  return db.delete(sessions).where(of).run().changes;
}
