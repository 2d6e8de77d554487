import Papa from 'papaparse';
import { MOST_ORDERS, type OrderProblem } from './schema';

/** At most so many problems of a sheet are named. */
const MOST_NAMED = 200;

/** The columns of a sheet of work orders; the first three have to be there. */
export const ORDER_COLUMNS = [
  'number',
  'title',
  'equipment',
  'work',
  'hours',
  'wantedFrom',
  'wantedUntil',
  'performer',
  'note',
] as const;

const NEEDED = ORDER_COLUMNS.slice(0, 3);

type Row = Readonly<Record<string, string>>;

/** "P201-CAS open; P201-PSH touch" as places of work. */
const readWork = (text: string) =>
  text
    .split(';')
    .map((place) => place.trim())
    .filter((place) => place !== '')
    .map((place) => {
      const [section = '', activity = ''] = place.split(/\s+/);
      return { section, activity };
    });

/** A row as a document; empty cells are left out. A number that is none stays as it is, so that it is refused with its value. */
function toDocument(row: Row): Readonly<Record<string, unknown>> {
  const cells = Object.entries(row)
    .map(([column, text]) => [column, text.trim()] as const)
    .filter(([, text]) => text !== '');
  return Object.fromEntries(
    cells.map(([column, text]): [string, unknown] => {
      if (column === 'work') return [column, readWork(text)];
      if (column === 'hours') return [column, Number.isFinite(Number(text)) ? Number(text) : text];
      return [column, text];
    }),
  );
}

export type OrdersRead =
  | { readonly ok: true; readonly documents: readonly unknown[] }
  | { readonly ok: false; readonly problems: readonly OrderProblem[] };

/** Reads a sheet of work orders (CSV with a header row). Says which columns are missing or unknown, and which rows do not fit the header. */
export function readOrderSheet(text: string): OrdersRead {
  const { data, errors, meta } = Papa.parse<Row>(text, {
    // One more than may come in: then it is said that there are too many.
    preview: MOST_ORDERS + 1,
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (header) => header.trim(),
  });
  const fields = meta.fields ?? [];
  const problems = [
    ...NEEDED.filter((column) => !fields.includes(column)).map((column) => {
      return { row: 0, field: column, says: 'the column is missing' };
    }),
    ...fields
      .filter((field) => !ORDER_COLUMNS.some((column) => column === field))
      .map((field) => {
        return { row: 0, field, says: `no such column; there are ${ORDER_COLUMNS.join(', ')}` };
      }),
    ...errors
      .filter(({ type }) => type !== 'Delimiter')
      .map(({ row = -1, message }) => ({ row: row + 1, field: '(row)', says: message })),
  ];
  if (problems.length > 0) return { ok: false, problems: problems.slice(0, MOST_NAMED) };
  if (data.length === 0) {
    return { ok: false, problems: [{ row: 0, field: '(sheet)', says: 'there are no rows' }] };
  }
  return { ok: true, documents: data.map(toDocument) };
}
