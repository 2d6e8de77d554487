import { endOfDay, isDay, startOfDay } from '../days';
import { MOST_NAMED, readWholeSheet, writeSheet, type SheetProblem } from '../sheet';
import { PEOPLE_COLUMNS } from './columns';
import { personSchema } from './schema';
import { ROLE_NAMES, type Person } from './people';

const NEEDED = ['id', 'name', 'employer', 'role', 'until'];

/** The most rows that a sheet of people may have. */
const MOST_ROWS = 20_000;

/** Cells that a person has in each of their rows. */
const SAME = ['name', 'employer', 'left'] as const;

export type PeopleRead =
  | { readonly ok: true; readonly people: readonly Person[] }
  | { readonly ok: false; readonly problems: readonly SheetProblem[] };

type Cells = Readonly<Record<string, string>>;

const asDay = (text: string | undefined, toInstant: (day: string) => string) =>
  text === undefined || text === '' ? undefined : isDay(text) ? toInstant(text) : text;

/** The authorisation of a row as a document; none where it names no role. */
function toAuthorisation(cells: Cells, zone: string): Record<string, unknown>[] {
  const { role = '', from, until, up_to_v = '', areas = '', evidence = '' } = cells;
  if (role === '') return [];
  const volts = Number.isFinite(Number(up_to_v)) ? Number(up_to_v) : up_to_v;
  return [
    Object.fromEntries(
      Object.entries({
        role,
        from: asDay(from, (day) => startOfDay(day, zone)),
        until: asDay(until, (day) => endOfDay(day, zone)),
        up_to_v: up_to_v === '' ? undefined : volts,
        areas: areas === '' ? undefined : areas.split(/[\s;]+/).filter((one) => one !== ''),
        evidence: evidence === '' ? undefined : evidence,
      }).filter(([, value]) => value !== undefined),
    ),
  ];
}

/** Which row and column of a person's rows a problem lies in. */
function locate(
  path: readonly PropertyKey[],
  rows: readonly number[],
  withRole: readonly number[],
) {
  const [first, at, field] = path;
  if (first !== 'authorisations') {
    return { row: rows[0] ?? 0, field: first === 'leftAt' ? 'left' : String(first ?? '(row)') };
  }
  return { row: withRole[Number(at)] ?? rows[0] ?? 0, field: String(field ?? 'role') };
}

/** Reads a sheet of people; every error by row and column. A day alone means its beginning for `from`, its end for the others, by the clock of the site. */
export function readPeopleSheet(text: string, zone: string): PeopleRead {
  const sheet = readWholeSheet(text, { columns: PEOPLE_COLUMNS, needed: NEEDED, most: MOST_ROWS });
  if (!sheet.ok) return sheet;
  const byId = new Map<string, { readonly cells: Cells; readonly row: number }[]>();
  sheet.rows.forEach((cells, n) => {
    const id = cells['id'] ?? '';
    byId.set(id, [...(byId.get(id) ?? []), { cells, row: n + 1 }]);
  });
  const problems: SheetProblem[] = [];
  const people = [...byId].flatMap(([id, rows]) => {
    const [first] = rows;
    if (!first) return [];
    for (const { cells, row } of rows.slice(1)) {
      for (const field of SAME.filter((one) => (cells[one] ?? '') !== (first.cells[one] ?? ''))) {
        problems.push({ row, field, says: `${id} has another ${field} in row ${first.row}` });
      }
    }
    const { name, employer } = first.cells;
    const leftAt = asDay(first.cells['left'], (day) => endOfDay(day, zone));
    const document = {
      id,
      name,
      employer,
      authorisations: rows.flatMap(({ cells }) => toAuthorisation(cells, zone)),
      ...(leftAt === undefined ? {} : { leftAt }),
    };
    const read = personSchema.safeParse(document);
    if (read.success) return [read.data];
    const withRole = rows.filter(({ cells }) => cells['role'] !== '').map(({ row }) => row);
    for (const { path, message } of read.error.issues) {
      const { row, field } = locate(
        path,
        rows.map((one) => one.row),
        withRole,
      );
      const found = sheet.rows[row - 1]?.[field];
      problems.push({
        row,
        field,
        says: found ? `${message}, found ${JSON.stringify(found)}` : message,
      });
    }
    return [];
  });
  return problems.length > 0
    ? { ok: false, problems: problems.slice(0, MOST_NAMED) }
    : { ok: true, people };
}

/** Writes people as a sheet that can be read again. */
export const writePeopleSheet = (people: readonly Person[]): string =>
  writeSheet(
    PEOPLE_COLUMNS,
    people.flatMap(({ id, name, employer, authorisations, leftAt }) => {
      const person = { id, name, employer, left: leftAt };
      return authorisations.length === 0
        ? [person]
        : authorisations.map(({ role, from, until, up_to_v, areas, evidence }) => ({
            ...person,
            role,
            from,
            until,
            up_to_v,
            areas: areas?.join(' '),
            evidence,
          }));
    }),
  );

/** What a sheet would change of the people of a site. */
export interface PeopleDifference {
  readonly id: string;
  readonly became: 'new' | 'changed';
  /** What is new and what goes, in words. */
  readonly words: readonly string[];
}

const sayAll = ({ name, employer, leftAt, authorisations }: Person): string[] => [
  `name ${name}`,
  `employer ${employer}`,
  ...(leftAt === undefined ? [] : [`left ${leftAt.slice(0, 10)}`]),
  ...authorisations.map(
    ({ role, from, until, up_to_v, areas = [], evidence }) =>
      `${ROLE_NAMES[role]}${up_to_v === undefined ? '' : ` up to ${up_to_v} V`}${from === undefined ? '' : ` from ${from.slice(0, 10)}`}${areas.length === 0 ? '' : ` in ${areas.join(', ')}`} until ${until.slice(0, 10)}${evidence === undefined ? '' : `: ${evidence}`}`,
  ),
];

/** Lists what saving people would change; who is the same is left out, and nobody who is not named goes. */
export function comparePeople(
  next: readonly Person[],
  before: ReadonlyMap<string, Person>,
): PeopleDifference[] {
  return next.flatMap((person) => {
    const known = before.get(person.id);
    const [now, then] = [sayAll(person), known ? sayAll(known) : []];
    const words = [
      ...now.filter((one) => !then.includes(one)).map((one) => `+ ${one}`),
      ...then.filter((one) => !now.includes(one)).map((one) => `− ${one}`),
    ];
    if (words.length === 0) return [];
    return [{ id: person.id, became: known ? ('changed' as const) : ('new' as const), words }];
  });
}
