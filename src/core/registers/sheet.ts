import type { z } from 'zod';
import { endOfDay, isDay, startOfDay } from '../days';
import { MOST_NAMED, readWholeSheet, writeSheet, type SheetProblem } from '../sheet';
import { readJsonText } from '../text';
import { SHEETS, type Cell } from './columns';
import { REGISTER_ROWS, type RegisterName, type RegisterRow } from './schema';

/** The most rows that a sheet of a register may have. */
const MOST_ROWS = 25_000;

/** A cell that is not empty as what it is; what cannot be read stays as it was typed, so that it is refused with its value. */
export function readCell(text: string, cell: Cell, zone: string): unknown {
  switch (cell) {
    case 'text':
      return text;
    case 'number':
      return Number.isFinite(Number(text)) ? Number(text) : text;
    case 'day':
      return isDay(text) ? endOfDay(text, zone) : text;
    case 'from-day':
      return isDay(text) ? startOfDay(text, zone) : text;
    case 'yes':
      return text === 'yes' ? true : text === 'no' ? false : text;
    case 'list':
      return text.split(/[\s,;]+/).filter((one) => one !== '');
    case 'json': {
      const read = readJsonText(text);
      return read.ok ? read.document : text;
    }
  }
}

/** A value as its cell is written. */
export function writeCell(value: unknown, cell: Cell): string {
  if (value === undefined) return '';
  if (cell === 'json') return JSON.stringify(value);
  if (cell === 'yes') return value === true ? 'yes' : 'no';
  return Array.isArray(value) ? value.join(' ') : String(value as string | number);
}

export type RegisterSheetRead =
  | { readonly ok: true; readonly rows: readonly RegisterRow[] }
  | { readonly ok: false; readonly problems: readonly SheetProblem[] };

/** Reads the sheet of a register, row by row; a day alone means its end by the clock of the site. */
export function readRegisterSheet(
  name: RegisterName,
  text: string,
  zone: string,
): RegisterSheetRead {
  const { columns, needed } = SHEETS[name];
  const sheet = readWholeSheet(text, { columns: Object.keys(columns), needed, most: MOST_ROWS });
  if (!sheet.ok) return sheet;
  const schema: z.ZodType<RegisterRow> = REGISTER_ROWS[name];
  const seen = new Map<string, number>();
  const problems: SheetProblem[] = [];
  const rows = sheet.rows.flatMap((cells, n) => {
    const row = n + 1;
    const document = Object.fromEntries(
      Object.entries(cells)
        .filter(([, cell]) => cell !== '')
        .map(([column, cell]) => [column, readCell(cell, columns[column] ?? 'text', zone)]),
    );
    const before = seen.get(cells['id'] ?? '');
    if (before !== undefined) {
      problems.push({
        row,
        field: 'id',
        says: `${cells['id'] ?? ''} stands in row ${before} as well`,
      });
    }
    seen.set(cells['id'] ?? '', row);
    const read = schema.safeParse(document);
    if (read.success) return [read.data];
    for (const issue of read.error.issues) {
      const field = String(issue.path[0] ?? '(row)');
      const found = cells[field];
      const says = found ? `${issue.message}, found ${JSON.stringify(found)}` : issue.message;
      problems.push({ row, field, says });
    }
    return [];
  });
  return problems.length > 0
    ? { ok: false, problems: problems.slice(0, MOST_NAMED) }
    : { ok: true, rows };
}

/** A row that a sheet would put into a register, and what it would be. */
export interface RegisterDifference {
  readonly id: string;
  readonly became: 'new' | 'changed';
  readonly words: readonly string[];
}

const sayCell = (value: unknown): string =>
  typeof value === 'string' ? value : JSON.stringify(value);

/** Rows that are new or not as they stand, and the same in words; what the sheet does not name stays. */
export function compareRegister(
  next: readonly RegisterRow[],
  before: readonly RegisterRow[],
): { readonly put: readonly RegisterRow[]; readonly differences: readonly RegisterDifference[] } {
  const known = new Map(before.map((row) => [row.id, JSON.stringify(row)]));
  const put = next.filter((row) => known.get(row.id) !== JSON.stringify(row));
  const differences = put.map((row) => ({
    id: row.id,
    became: known.has(row.id) ? ('changed' as const) : ('new' as const),
    words: Object.entries(row)
      .filter(([field]) => field !== 'id')
      .map(([field, value]) => `${field} ${sayCell(value)}`),
  }));
  return { put, differences };
}

/** Writes a register as a sheet that can be read again. */
export const writeRegisterSheet = (name: RegisterName, rows: readonly RegisterRow[]): string => {
  const { columns } = SHEETS[name];
  return writeSheet(
    Object.keys(columns),
    rows.map((row) =>
      Object.fromEntries(
        Object.entries(row).map(([column, value]) => [
          column,
          writeCell(value, columns[column] ?? 'text'),
        ]),
      ),
    ),
  );
};
