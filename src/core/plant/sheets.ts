import { strToU8, unzipSync, zipSync } from 'fflate';
import Papa from 'papaparse';
import type { Result } from '../result';
import { decodeText } from '../text';
import { LARGEST_FILE_BYTES, MOST_PROBLEMS, MOST_ROWS, parsePlant } from './parse';
import { showValue, type FileProblem } from './problems';
import type { Plant } from './schema';
import {
  KEPT_EMPTY,
  readCell,
  SHEET_NAMES,
  SHEETS,
  writeCell,
  type Sheet,
  type SheetName,
} from './sheet-cells';

/** Where a problem stands in a sheet: row 1 is the heading. */
export interface SheetProblem extends FileProblem {
  readonly file: string;
  readonly row?: number;
  readonly column?: string;
}

type Row = Readonly<Record<string, unknown>>;

function rowsOf(plant: Plant, name: SheetName): Row[] {
  if (name === 'plant') return [{ ...plant, areas: undefined }];
  if (name === 'stores') {
    return plant.sections.flatMap(({ id, stores }) =>
      (stores ?? []).map((store) => ({ ...store, section: id })),
    );
  }
  if (name === 'surroundings' || name === 'interlocks' || name === 'renamed')
    return plant[name] ?? [];
  if (name !== 'sections') return plant[name];
  return plant.sections.map(({ source, ...rest }) => ({ ...rest, source: source?.name }));
}

function writeSheet(rows: readonly Row[], sheet: Sheet): string {
  const known = Object.keys(sheet.columns);
  const further = sheet.isOpenEnded
    ? [...new Set(rows.flatMap((row) => Object.keys(row)))].filter((key) => !known.includes(key))
    : [];
  const columns = [...known, ...further.sort()];
  const body = rows.map((row) =>
    columns.map((column) => writeCell(row[column], sheet.columns[column] ?? 'number')),
  );
  return Papa.unparse([columns, ...body], { newline: '\r\n' });
}

/** Writes the plant as a zip of CSV sheets, one a table. The same plant gives the same bytes. */
export function writeSheets(plant: Plant): Uint8Array {
  const files = SHEET_NAMES.map((name) => {
    const text = writeSheet(rowsOf(plant, name), SHEETS[name]);
    return [`${name}.csv`, strToU8(text)] as const;
  });
  return zipSync(Object.fromEntries(files), { mtime: new Date('2000-01-01T00:00:00Z') });
}

interface ReadSheet {
  readonly rows: readonly Record<string, unknown>[];
  readonly problems: readonly SheetProblem[];
}

/** Rows of a sheet in a file are counted from 1, the heading being the first. */
const rowNumber = (index: number): number => index + 2;

/** No sheet has more columns than this: what has was made to exhaust whoever reads it. */
const MOST_COLUMNS = 200;
/** The most cells of a sheet. */
const MOST_CELLS = 4_000_000;

/** Why a sheet is not read at all, before anything of it is; undefined when it can be. */
function findOversize(text: string): string | undefined {
  let lines = 1;
  let cells = 1;
  let inLine = 1;
  let widest = 1;
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at);
    if (code === 0x2c) {
      cells += 1;
      widest = Math.max(widest, ++inLine);
    } else if (code === 0x0a) {
      lines += 1;
      cells += 1;
      inLine = 1;
    }
  }
  // A comma within quotes is no cell: a line may hold some, and no line holds thousands.
  if (widest > MOST_COLUMNS * 50)
    return `has a row of about ${widest} cells, at most ${MOST_COLUMNS} are read`;
  if (lines > MOST_ROWS) return `has ${lines} rows, at most ${MOST_ROWS} are read`;
  return cells > MOST_CELLS
    ? `has about ${cells} cells, at most ${MOST_CELLS} are read`
    : undefined;
}

function readSheet(name: SheetName, text: string): ReadSheet {
  const sheet: Sheet = SHEETS[name];
  const file = `${name}.csv`;
  const oversize = findOversize(text);
  if (oversize !== undefined) {
    return { rows: [], problems: [{ path: file, file, message: oversize }] };
  }
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [heading = [], ...body] = parsed.data;
  const columns = heading.map((column) => column.trim());
  if (columns.length > MOST_COLUMNS) {
    const message = `has ${columns.length} columns, at most ${MOST_COLUMNS} are read`;
    return { rows: [], problems: [{ path: file, file, row: 1, message }] };
  }
  const problems: SheetProblem[] = parsed.errors
    .filter(({ type }) => type === 'Quotes')
    .slice(0, MOST_PROBLEMS)
    .map(({ message, row }) => ({
      path: file,
      file,
      row: (row ?? 0) + 1,
      message: `cannot be read: ${message}`,
    }));
  columns.forEach((column, at) => {
    const known = column in sheet.columns || (sheet.isOpenEnded && column !== '');
    const twice = columns.indexOf(column) !== at;
    if (known && !twice) return;
    const message = twice
      ? `column ${showValue(column)} stands twice`
      : `unknown column ${showValue(column)}: this sheet has ${Object.keys(sheet.columns).join(', ')}`;
    problems.push({ path: file, file, row: 1, column, message });
  });
  const rows = body.map((cells, index) => {
    const row: Record<string, unknown> = {};
    // Once there is enough to mend, more of the same helps nobody.
    if (problems.length > MOST_PROBLEMS) return row;
    if (cells.length > columns.length) {
      const message = `has ${cells.length} cells, the heading has ${columns.length}`;
      problems.push({ path: file, file, row: rowNumber(index), message });
    }
    columns.forEach((column, at) => {
      const text = cells[at] ?? '';
      if (text === '') {
        if (KEPT_EMPTY.has(column)) row[column] = [];
        return;
      }
      const { value, problem } = readCell(text, sheet.columns[column] ?? 'number');
      if (problem === undefined) row[column] = value;
      else problems.push({ path: file, file, row: rowNumber(index), column, message: problem });
    });
    return row;
  });
  return { rows, problems };
}

/** Where a row of the document stands in the sheets, so that a problem found by path is told by row and column. */
interface Origins {
  readonly stores: ReadonlyMap<string, number>;
}

const PATH = /^(\w+)\[(\d+)\](?:\.stores\[(\d+)\])?(?:\.(\w+))?/;

function locate(problem: FileProblem, origins: Origins): SheetProblem {
  const found = PATH.exec(problem.path);
  if (!found) return { ...problem, file: 'plant.csv', row: 2, column: problem.path };
  const [, table = '', row = '0', store, column] = found;
  if (store !== undefined) {
    const at = origins.stores.get(`${row}.${store}`) ?? 0;
    return { ...problem, file: 'stores.csv', row: rowNumber(at), column };
  }
  return { ...problem, file: `${table}.csv`, row: rowNumber(Number(row)), column };
}

function hangStores(
  sections: readonly Record<string, unknown>[],
  stores: readonly Record<string, unknown>[],
) {
  const at = new Map(sections.map(({ id }, index) => [id, index]));
  const origins = new Map<string, number>();
  const held = new Map<number, unknown[]>();
  const problems: SheetProblem[] = [];
  stores.forEach(({ section, ...store }, index) => {
    const owner = at.get(section);
    if (owner === undefined) {
      problems.push({
        path: 'stores.csv',
        file: 'stores.csv',
        row: rowNumber(index),
        column: 'section',
        message: `leads to ${showValue(section)}, which is not in sections`,
      });
      return;
    }
    const own = held.get(owner) ?? [];
    origins.set(`${owner}.${own.length}`, index);
    held.set(owner, [...own, store]);
  });
  const rows = sections.map(({ source, ...section }, index) => ({
    ...section,
    ...(source === undefined ? {} : { source: { name: source } }),
    ...(held.has(index) ? { stores: held.get(index) } : {}),
  }));
  return { rows, origins, problems };
}

const inFile = (message: string, file = '(file)'): SheetProblem => ({
  path: '(file)',
  file,
  message,
});

/** Unpacks no more than the largest plant file, whatever a zip claims to hold. */
function unpack(bytes: Uint8Array): Result<Readonly<Record<string, Uint8Array>>, SheetProblem> {
  let size = 0;
  try {
    const files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (!name.endsWith('.csv')) return false;
        size += originalSize;
        return size <= LARGEST_FILE_BYTES;
      },
    });
    if (size > LARGEST_FILE_BYTES) {
      const most = LARGEST_FILE_BYTES / 1048576;
      return {
        ok: false,
        problems: [inFile(`unpacks to more than ${most} MB, which is not read`)],
      };
    }
    return { ok: true, value: files };
  } catch {
    return { ok: false, problems: [inFile('is not a zip file')] };
  }
}

/**
 * Reads a plant from a zip of CSV sheets. Answers the plant, or every problem with file, row (the heading is row 1) and column.
 * Sheets may lie in one folder of the zip; outlets, gauges, equipment, surroundings, interlocks, renamed and stores may be left out.
 */
export function parseSheets(bytes: Uint8Array): Result<Plant, SheetProblem> {
  const unpacked = unpack(bytes);
  if (!unpacked.ok) return unpacked;
  const byName = new Map(
    Object.entries(unpacked.value).map(([path, data]) => [path.split('/').at(-1) ?? path, data]),
  );
  const optional: ReadonlySet<SheetName> = new Set([
    'stores',
    'outlets',
    'gauges',
    'equipment',
    'surroundings',
    'interlocks',
    'renamed',
  ]);
  const problems: SheetProblem[] = [...byName.keys()]
    .filter((file) => !SHEET_NAMES.some((name) => `${name}.csv` === file))
    .slice(0, MOST_PROBLEMS)
    .map((file) => inFile(`unknown sheet: a plant has ${SHEET_NAMES.join(', ')}`, file));
  const read = new Map<SheetName, ReadSheet>();
  for (const name of SHEET_NAMES) {
    const data = byName.get(`${name}.csv`);
    const text = data && decodeText(data);
    if (text !== undefined) read.set(name, readSheet(name, text));
    else if (data) problems.push(inFile('is not text in UTF-8', `${name}.csv`));
    else if (!optional.has(name)) problems.push(inFile('is missing', `${name}.csv`));
  }
  const rows = (name: SheetName) => read.get(name)?.rows ?? [];
  const hung = hangStores(rows('sections'), rows('stores'));
  problems.push(...[...read.values()].flatMap((sheet) => sheet.problems), ...hung.problems);
  if (problems.length > MOST_PROBLEMS) {
    const more = inFile(`and more problems like these; the first ${MOST_PROBLEMS} are listed`);
    return { ok: false, problems: [...problems.slice(0, MOST_PROBLEMS), more] };
  }
  if (problems.length > 0) return { ok: false, problems };
  const parsed = parsePlant({
    ...rows('plant')[0],
    areas: rows('areas'),
    media: rows('media'),
    sections: hung.rows,
    links: rows('links'),
    outlets: rows('outlets'),
    gauges: rows('gauges'),
    equipment: rows('equipment'),
    ...(rows('surroundings').length > 0 ? { surroundings: rows('surroundings') } : {}),
    ...(rows('interlocks').length > 0 ? { interlocks: rows('interlocks') } : {}),
    ...(rows('renamed').length > 0 ? { renamed: rows('renamed') } : {}),
  });
  if (parsed.ok) return parsed;
  return {
    ok: false,
    problems: parsed.problems.map((problem) => locate(problem, { stores: hung.origins })),
  };
}

/** A problem of a sheet with where it stands: "links.csv row 12, column kind: must be ...". */
export function describeSheetProblem({ file, row, column, path, message }: SheetProblem): string {
  if (row === undefined) return file === '(file)' ? `${path} ${message}` : `${file} ${message}`;
  return `${file} row ${row}${column ? `, column ${column}` : ''}: ${message}`;
}
