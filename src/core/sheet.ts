import Papa from 'papaparse';

/** Something that is wrong with a sheet: the row (1 is the first under the header; 0 the header), the column, what is wrong. */
export interface SheetProblem {
  readonly row: number;
  readonly field: string;
  readonly says: string;
}

/** At most so many problems of a sheet are named. */
export const MOST_NAMED = 200;

export type SheetRow = Readonly<Record<string, string>>;
export type SheetRead =
  | { readonly ok: true; readonly rows: readonly SheetRow[] }
  | { readonly ok: false; readonly problems: readonly SheetProblem[] };

/** What the header of a sheet may hold, and what it has to; and how many rows there may be. */
export interface SheetShape {
  readonly columns: readonly string[];
  readonly needed: readonly string[];
  readonly most: number;
}

/**
 * Reads a sheet (CSV with a header row), its cells without spaces around them. Says which columns are missing or unknown, which rows do not fit the
 * header, and that there are no rows or too many.
 */
export function readSheet(text: string, { columns, needed, most }: SheetShape): SheetRead {
  const { data, errors, meta } = Papa.parse<Record<string, string>>(text, {
    // One more than may come in: then it is said that there are too many.
    preview: most + 1,
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (header) => header.trim(),
  });
  const fields = meta.fields ?? [];
  const at = (row: number, field: string, says: string): SheetProblem => ({ row, field, says });
  const problems = [
    ...needed
      .filter((column) => !fields.includes(column))
      .map((column) => at(0, column, 'the column is missing')),
    ...fields
      .filter((field) => !columns.includes(field))
      .map((field) => at(0, field, `no such column; there are ${columns.join(', ')}`)),
    ...errors
      .filter(({ type }) => type !== 'Delimiter')
      .map(({ row = -1, message }) => at(row + 1, '(row)', message)),
  ];
  if (problems.length > 0) return { ok: false, problems: problems.slice(0, MOST_NAMED) };
  if (data.length === 0) return { ok: false, problems: [at(0, '(sheet)', 'there are no rows')] };
  const trimmed = data.map((row) =>
    Object.fromEntries(Object.entries(row).map(([column, cell]) => [column, cell.trim()])),
  );
  return { ok: true, rows: trimmed };
}

/** Reads a sheet like `readSheet`, and refuses one with too many rows. */
export function readWholeSheet(text: string, shape: SheetShape): SheetRead {
  const read = readSheet(text, shape);
  if (!read.ok || read.rows.length <= shape.most) return read;
  const says = `at most ${shape.most} rows`;
  return { ok: false, problems: [{ row: 0, field: '(sheet)', says }] };
}

/** Writes rows as CSV with a header. A cell that a spreadsheet would take for a formula is kept from being one. */
export const writeSheet = (
  columns: readonly string[],
  rows: readonly Readonly<Record<string, unknown>>[],
): string => Papa.unparse([...rows], { columns: [...columns], escapeFormulae: true });
