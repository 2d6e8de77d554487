import { createHash } from 'node:crypto';
import { eq, sql } from 'drizzle-orm';
import { believe } from '../core/believed';
import { listStanding } from '../core/defects';
import { policyOf, strengthsOf, trustedBy, type SiteFacts } from '../core/job';
import type { Instrument, Person } from '../core/people/people';
import { authorisationsSchema } from '../core/people/schema';
import { listTakeable } from '../core/procedures/record';
import { changeRegisters, type RegisterChange } from '../core/registers/change';
import { NO_REGISTERS, registerSchema, type Registers } from '../core/registers/schema';
import { onceFor, perProcess, tables, writeAlone, type Db } from '../db';
import { appendEvents, readHead, readLast } from '../ledger';
import { readChanges } from './changes-read';
import { readNow } from './clock';
import { readDefects } from './defects-read';
import { readGraph, readPlantVersion } from './plant';
import { readProcedures } from './procedures-read';
import { readValues } from './site-rules';

function readRegister(db: Db, name: string): { version: number; document: unknown } | undefined {
  const row = db.select().from(tables.registers).where(eq(tables.registers.name, name)).get();
  return row && { version: row.version, document: JSON.parse(row.document) as unknown };
}

export function listPeople(db: Db): Person[] {
  return db.select().from(tables.people).all().map(toPerson);
}

const toPerson = ({
  id,
  name,
  employer,
  authorisations: text,
  leftAt,
}: typeof tables.people.$inferSelect): Person => ({
  id,
  name,
  employer,
  authorisations: readAuthorisations(text),
  ...(leftAt === null ? {} : { leftAt }),
});

const askPerson = onceFor((db) =>
  db
    .select()
    .from(tables.people)
    .where(eq(tables.people.id, sql.placeholder('id')))
    .prepare(),
);

/** One person of the site, or undefined. */
export function findPerson(db: Db, id: string): Person | undefined {
  const row = askPerson(db).get({ id });
  return row && toPerson(row);
}

/** Authorisations as they are kept; what cannot be read authorises nobody to anything, and takes no one else with it. */
function readAuthorisations(text: string): Person['authorisations'] {
  try {
    return authorisationsSchema.parse(JSON.parse(text));
  } catch {
    return [];
  }
}

/** The names of people, by id. */
export const readNames = (db: Db): Readonly<Record<string, string>> =>
  Object.fromEntries(listPeople(db).map(({ id, name }) => [id, name]));

const byId = <Row extends { readonly id: string }>(rows: readonly Row[]) =>
  new Map(rows.map((row) => [row.id, row]));

/** The registers as a document, with their version; empty, version 0, before the first was saved. */
export function readRegisters(db: Db): {
  readonly version: number;
  readonly registers: Registers;
} {
  const read = readRegister(db, 'registers');
  return read === undefined
    ? { version: 0, registers: NO_REGISTERS }
    : { version: read.version, registers: registerSchema.parse(read.document) };
}

type Registered = Pick<
  SiteFacts,
  'locks' | 'boxes' | 'instruments' | 'earths' | 'kit' | 'pressure' | 'employers' | 'reach'
>;

/** The registers as they were read last, with their version: saving makes a new one. */
const registered = new WeakMap<
  Db['$client'],
  { readonly version: number; readonly registers: Registered }
>();

function readRegistered(db: Db): Registered {
  const { registers: table } = tables;
  const { version } =
    db.select({ version: table.version }).from(table).where(eq(table.name, 'registers')).get() ??
    {};
  const known = registered.get(db.$client);
  if (known !== undefined && known.version === (version ?? 0)) return known.registers;
  const read = readRegisters(db);
  const { locks, boxes, instruments, earths, kit, pressure, employers, reach } = read.registers;
  const registers = {
    locks: byId(locks),
    boxes: byId(boxes),
    instruments: byId<Instrument>(instruments),
    earths: byId(earths),
    kit,
    pressure,
    employers,
    ...(reach === undefined ? {} : { reach }),
  };
  registered.set(db.$client, { version: read.version, registers });
  return registers;
}

/** The site as it was read last: everything that it is made of stands in the ledger, so it is worked out once for each event. */
const sites = perProcess(
  'sites',
  () =>
    new WeakMap<
      Db['$client'],
      { readonly head: number; readonly byPlant: Map<number, SiteFacts> }
    >(),
);
const NEWEST = 0;

/**
 * Everything of the site that a decision needs. `tiedTo` is the version of the drawing that counts for a job whose plan is
 * accepted; without it the newest counts.
 */
export function readSite(db: Db, tiedTo?: number): SiteFacts {
  // What a transaction has written may be rolled back, and its numbers given to something else.
  if (db.$client.inTransaction) return workOutSite(db, tiedTo);
  const head = readHead(db);
  const before = sites.get(db.$client);
  const known = before?.head === head ? before : { head, byPlant: new Map<number, SiteFacts>() };
  sites.set(db.$client, known);
  const key = tiedTo ?? NEWEST;
  const site = known.byPlant.get(key) ?? workOutSite(db, tiedTo);
  known.byPlant.set(key, site);
  return site;
}

function workOutSite(db: Db, tiedTo: number | undefined): SiteFacts {
  const newest = readPlantVersion(db);
  const { version: valuesVersion, values } = readValues(db);
  const plantVersion = tiedTo ?? newest;
  const defects = listStanding(readDefects(db).record);
  const changes = readChanges(db).record;
  const { plant } = readGraph(db, newest);
  // As it is to be believed with what is wrong and changed, and as if nothing were wrong where that is another.
  const trust = (version: number) => {
    const sound = trustedBy(readGraph(db, version), values);
    const graph = believe(sound, { defects, changes }, plant, strengthsOf(values));
    return graph === sound ? { graph } : { graph, sound };
  };
  return {
    ...trust(plantVersion),
    plantVersion,
    ...(plantVersion === newest ? {} : { newest: { version: newest, ...trust(newest) } }),
    defects,
    changes,
    procedures: listTakeable(readProcedures(db).record, values['procedure-inspect-d']),
    policy: policyOf(values),
    values,
    valuesVersion,
    people: byId(listPeople(db)),
    ...readRegistered(db),
  };
}

export const REGISTER_STREAM = 'site/registers';
export const PEOPLE_STREAM = 'site/people';

/** A register as it was saved, whole: the newest counts. */
export interface RegisterSaved {
  readonly kind: 'register-saved';
  readonly name: string;
  readonly version: number;
  readonly document: string;
}

/** Rows that were put into a register and taken out: the ledger grows by what changed, however long the register is. */
export interface RegisterRowsChanged {
  readonly kind: 'register-changed';
  readonly name: 'registers';
  readonly version: number;
  readonly change: RegisterChange;
}

export type RegisterEvent = RegisterSaved | RegisterRowsChanged;

/** The registers once an event of theirs has happened, as they are kept. */
export function nextRegister(
  before: { readonly document: string } | undefined,
  event: RegisterEvent,
): { readonly name: string; readonly version: number; readonly document: string } {
  const { name, version } = event;
  if (event.kind === 'register-saved') return { name, version, document: event.document };
  // It was checked when it was written.
  const registers = {
    ...NO_REGISTERS,
    ...(before ? (JSON.parse(before.document) as Partial<Registers>) : {}),
  };
  return { name, version, document: JSON.stringify(changeRegisters(registers, event.change)) };
}

/** A person as they were saved, with the digest of their PIN's hash: the hash itself never stands in the ledger. */
export interface PersonSaved extends Omit<typeof tables.people.$inferSelect, 'pinHash'> {
  readonly kind: 'person-saved';
  readonly pinDigest: string;
}

/** A code was made with which somebody sets a PIN of their own: by whom, and whether they had one before. */
export interface PinCodeMade {
  readonly kind: 'pin-code-made';
  readonly person: string;
  readonly by: readonly string[];
  readonly isReset: boolean;
}

/** Somebody set their own PIN: the digest of its hash. */
export interface PinSet {
  readonly kind: 'pin-set';
  readonly person: string;
  readonly pinDigest: string;
}

/** The site was moved without the PINs of its people: everybody sets one anew. */
export interface PinsEnded {
  readonly kind: 'pins-ended';
}

export type PersonEvent = PersonSaved | PinCodeMade | PinSet | PinsEnded;

export function appendSite(
  tx: Db,
  stream: string,
  event: RegisterEvent | PersonEvent,
  actor: string,
): void {
  const after = readLast(tx, stream)?.sequence ?? 0;
  appendEvents(tx, stream, after, [event], { actor, at: readNow(tx), policy: 'none' });
}

/** Stores what became of a register, in the ledger and as what counts now. */
function storeRegister(
  db: Db,
  name: string,
  toEvent: (version: number) => RegisterEvent,
  actor: string,
): void {
  writeAlone(db, (tx) => {
    const old = tx.select().from(tables.registers).where(eq(tables.registers.name, name)).get();
    const event = toEvent((old?.version ?? 0) + 1);
    const row = nextRegister(old, event);
    appendSite(tx, REGISTER_STREAM, event, actor);
    tx.insert(tables.registers)
      .values(row)
      .onConflictDoUpdate({ target: tables.registers.name, set: row })
      .run();
  });
}

/** Stores a register as a new version, whole. */
export const saveRegister = (
  db: Db,
  name: 'registers' | 'stand-in-faults',
  document: unknown,
  actor = 'site set-up',
): void =>
  storeRegister(
    db,
    name,
    (version) => ({ kind: 'register-saved', name, version, document: JSON.stringify(document) }),
    actor,
  );

/** Stores a change of the registers as a new version: rows that were put in and taken out. */
export const saveRegisterChange = (db: Db, change: RegisterChange, actor: string): void =>
  storeRegister(
    db,
    'registers',
    (version) => ({ kind: 'register-changed', name: 'registers', version, change }),
    actor,
  );

/** What the ledger keeps of the hash of a PIN. */
export const digestOfPin = (pinHash: string): string =>
  createHash('sha256').update(pinHash).digest('hex');

/** Stores a person with their authorisations, in the ledger and as what counts now. */
export function savePerson(
  db: Db,
  { authorisations: held, ...person }: Person & { readonly pinHash: string },
  actor = 'site set-up',
): void {
  writeAlone(db, (tx) => {
    const row = {
      ...person,
      leftAt: person.leftAt ?? null,
      authorisations: JSON.stringify(held),
    };
    const { pinHash, ...shown } = row;
    appendSite(
      tx,
      PEOPLE_STREAM,
      { kind: 'person-saved', ...shown, pinDigest: digestOfPin(pinHash) },
      actor,
    );
    tx.insert(tables.people)
      .values(row)
      .onConflictDoUpdate({ target: tables.people.id, set: row })
      .run();
  });
}

/** Stores the hash of the PIN that a person has set, in the ledger by its digest. */
export function savePin(db: Db, person: string, pinHash: string): void {
  writeAlone(db, (tx) => {
    const event = { kind: 'pin-set' as const, person, pinDigest: digestOfPin(pinHash) };
    appendSite(tx, PEOPLE_STREAM, event, person);
    tx.update(tables.people).set({ pinHash }).where(eq(tables.people.id, person)).run();
  });
}

/** Takes people and registers that a database from before has into the ledger, as they stand. */
export function adoptSite(db: Db): void {
  writeAlone(db, (tx) => {
    if (!readLast(tx, PEOPLE_STREAM)) {
      for (const { pinHash, ...person } of tx.select().from(tables.people).all()) {
        const event = { kind: 'person-saved' as const, ...person, pinDigest: digestOfPin(pinHash) };
        appendSite(tx, PEOPLE_STREAM, event, 'as it stood before');
      }
    }
    if (!readLast(tx, REGISTER_STREAM)) {
      for (const row of tx.select().from(tables.registers).all()) {
        appendSite(tx, REGISTER_STREAM, { kind: 'register-saved', ...row }, 'as it stood before');
      }
    }
  });
}
