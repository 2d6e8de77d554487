import { hasLeft, type Person } from '../people/people';
import { refuse, type Refusal } from '../rules/refuse';
import type { RegisterName, RegisterRow, Registers } from './schema';

/** Rows that are put into a register, new or instead of those of the same id, and rows that are taken out. */
export interface RegisterChange {
  readonly name: RegisterName;
  readonly put: readonly RegisterRow[];
  readonly remove: readonly string[];
}

/** What is in use now: rows by id, each with where. */
export type InUse = Readonly<Record<RegisterName, ReadonlyMap<string, string>>>;

const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** A personal lock has one owner, who is there; any other lock has none. */
function refuseOwner(
  row: RegisterRow,
  people: ReadonlyMap<string, Person>,
  now: string,
): Refusal[] {
  if (!('set' in row)) return [];
  const { id, use, owner } = row;
  if (use !== 'personal')
    return owner === undefined ? [] : [refuse('lock-has-owner', { lock: id })];
  const known = owner === undefined ? undefined : people.get(owner);
  return known && !hasLeft(known, now)
    ? []
    : [refuse('lock-without-owner', { lock: id, owner: owner ?? 'nobody' })];
}

/** Whoever leads the people of a firm is there. */
function refuseLead(row: RegisterRow, people: ReadonlyMap<string, Person>, now: string): Refusal[] {
  if (!('lead' in row) || row.lead === undefined) return [];
  const known = people.get(row.lead);
  return known && !hasLeft(known, now)
    ? []
    : [refuse('employer-lead-unknown', { employer: row.name, lead: row.lead })];
}

/** Pressure equipment is tied to something that is on the drawing: what is tied to nothing would hold up no job. */
function refusePlace(row: RegisterRow, drawn: ReadonlySet<string> | undefined): Refusal[] {
  if (drawn === undefined || !('of' in row) || row.at === undefined || drawn.has(row.at)) return [];
  return [refuse('pressure-not-drawn', { item: `${row.id} (${row.name})`, at: row.at })];
}

/** What keeps a register from being changed so: what hangs or is in use stays as it is, and a personal lock has an owner. */
export function refuseRegisterChange(
  registers: Registers,
  { name, put, remove }: RegisterChange,
  {
    inUse,
    people,
    now,
    drawn,
  }: {
    readonly inUse: InUse;
    readonly people: ReadonlyMap<string, Person>;
    readonly now: string;
    /** Ids of the newest drawing, where there is one. */
    readonly drawn?: ReadonlySet<string> | undefined;
  },
): Refusal[] {
  const before = new Map<string, RegisterRow>(registers[name].map((row) => [row.id, row]));
  const used = inUse[name];
  const changed = put.filter((row) => before.has(row.id) && !isSame(before.get(row.id), row));
  // A test that is put in date, or a better name, harms nobody: of a lock every change does.
  const touched = name === 'locks' || name === 'boxes' ? changed.map(({ id }) => id) : [];
  return [
    ...[...remove, ...touched].flatMap((id) => {
      const where = used.get(id);
      return where === undefined ? [] : [refuse('register-in-use', { id, where })];
    }),
    ...remove
      .filter((id) => !before.has(id))
      .map((id) => refuse('register-unknown', { id, register: name })),
    ...put.flatMap((row) => [
      ...refuseOwner(row, people, now),
      ...refuseLead(row, people, now),
      ...refusePlace(row, drawn),
    ]),
  ];
}

/** 2 comes before 10. */
const BY_NUMBER = new Intl.Collator('en', { numeric: true });

/** The registers once they are changed; rows in the order of their ids. */
export function changeRegisters(
  registers: Registers,
  { name, put, remove }: RegisterChange,
): Registers {
  const rows = new Map<string, RegisterRow>(registers[name].map((row) => [row.id, row]));
  for (const row of put) rows.set(row.id, row);
  for (const id of remove) rows.delete(id);
  const sorted = [...rows.values()].sort((a, b) => BY_NUMBER.compare(a.id, b.id));
  return { ...registers, [name]: sorted };
}
