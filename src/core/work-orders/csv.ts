import { readSheet, type SheetRow } from '../sheet';
import { MOST_ORDERS, type OrderProblem } from './schema';

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
function toDocument(row: SheetRow): Readonly<Record<string, unknown>> {
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
  const read = readSheet(text, { columns: ORDER_COLUMNS, needed: NEEDED, most: MOST_ORDERS });
  return read.ok ? { ok: true, documents: read.rows.map(toDocument) } : read;
}
