import { showValue } from './problems';

/**
 * How a cell is written: text, number, yes or no, a list parted by ";", points "x y;x y", one point "x y z", or JSON. A list with
 * "none" tells an empty list from one that nobody filled in.
 */
export type Cell =
  'text' | 'number' | 'boolean' | 'list' | 'list-or-none' | 'points' | 'point' | 'json';

export interface Sheet {
  readonly columns: Readonly<Record<string, Cell>>;
  /** Any further column is a number that belongs to the row. */
  readonly isOpenEnded?: true;
}

/** The sheets of a plant and their columns; `stores` are kept apart, each with its section. */
export const SHEETS = {
  plant: { columns: { format: 'text', version: 'number', name: 'text' } },
  areas: { columns: { id: 'text', name: 'text', outline: 'points', zone: 'text' } },
  media: {
    columns: {
      id: 'text',
      name: 'text',
      energy: 'text',
      phase: 'text',
      hazards: 'list-or-none',
      lfl_pct: 'number',
      relative_density: 'number',
      gases: 'list',
      fluid: 'text',
      density_kg_m3: 'number',
      expansion_1_k: 'number',
      compressibility_1_gpa: 'number',
      heat_ratio: 'number',
    },
  },
  sections: {
    columns: {
      id: 'text',
      name: 'text',
      medium: 'text',
      area: 'text',
      at: 'point',
      source: 'text',
      serves: 'number',
      pressure_bar: 'number',
      temperature_c: 'number',
      voltage_v: 'number',
      fault_ka: 'number',
      fault_s: 'number',
      volume_m3: 'number',
      dn_mm: 'number',
    },
  },
  stores: {
    columns: { section: 'text', id: 'text', kind: 'text', release: 'text' },
    isOpenEnded: true,
  },
  links: {
    columns: {
      id: 'text',
      kind: 'text',
      name: 'text',
      between: 'list',
      normal: 'text',
      lockable: 'boolean',
      operated: 'text',
      operated_by: 'text',
      breaks: 'text',
      dn_mm: 'number',
      excludes: 'list',
      fails: 'text',
      powered_by: 'text',
      protects: 'list',
      at: 'point',
      minutes: 'number',
      passing: 'boolean',
      seized: 'boolean',
    },
  },
  outlets: {
    columns: {
      id: 'text',
      section: 'text',
      kind: 'text',
      leads_to: 'text',
      system: 'text',
      non_return: 'boolean',
      dn_mm: 'number',
      minutes: 'number',
      plugged: 'boolean',
    },
  },
  gauges: { columns: { id: 'text', section: 'text', reads: 'text' } },
  equipment: {
    columns: {
      id: 'text',
      name: 'text',
      kind: 'text',
      area: 'text',
      sections: 'list',
      start_stations: 'list',
      space: 'json',
    },
  },
  surroundings: {
    columns: {
      id: 'text',
      name: 'text',
      kind: 'text',
      area: 'text',
      at: 'point',
      section: 'text',
    },
  },
  interlocks: { columns: { id: 'text', name: 'text', open: 'list', closed: 'list' } },
  renamed: { columns: { id: 'text', now: 'text' } },
} as const satisfies Record<string, Sheet>;
export type SheetName = keyof typeof SHEETS;
export const SHEET_NAMES = Object.keys(SHEETS) as SheetName[];

/** Columns that have to be filled though their list may be empty. */
export const KEPT_EMPTY: ReadonlySet<string> = new Set(['outline', 'sections']);

const SEPARATOR = ';';

/** A list that is empty, and known to be. */
const NONE = 'none';

/** What a spreadsheet would run as a formula begins so; an apostrophe before it makes it text, for spreadsheets and for us. */
const RUNS = /^[=@+\-\t\r']/;
const QUOTED = /^'[=@+\-\t\r']/;

const quote = (text: string): string => (RUNS.test(text) ? `'${text}` : text);
const unquote = (text: string): string => (QUOTED.test(text) ? text.slice(1) : text);

/** Figures are written as they are: a sign before a figure runs nothing. */
const IS_FIGURES: ReadonlySet<Cell> = new Set(['number', 'point', 'points']);

/** Writes a value into a cell, so that no spreadsheet runs it; an absent one leaves it empty. */
export const writeCell = (value: unknown, cell: Cell): string =>
  IS_FIGURES.has(cell) ? writeValue(value, cell) : quote(writeValue(value, cell));

function writeValue(value: unknown, cell: Cell): string {
  if (value === undefined) return '';
  switch (cell) {
    case 'text':
    case 'number':
      return String(value as string | number);
    case 'boolean':
      return value === true ? 'yes' : 'no';
    case 'list':
      return (value as readonly string[]).join(SEPARATOR);
    case 'list-or-none':
      return (value as readonly string[]).join(SEPARATOR) || NONE;
    case 'point':
      return (value as readonly number[]).join(' ');
    case 'points':
      return (value as readonly (readonly number[])[]).map((one) => one.join(' ')).join(SEPARATOR);
    case 'json':
      return JSON.stringify(value);
  }
}

interface ReadCell {
  readonly value?: unknown;
  readonly problem?: string;
}

const NUMBER = /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i;
const isNumber = (text: string): boolean => NUMBER.test(text.trim());

function readPoint(text: string): ReadCell {
  const parts = text.trim().split(/\s+/);
  return parts.every(isNumber)
    ? { value: parts.map(Number) }
    : { problem: `must be figures parted by spaces, found ${showValue(text)}` };
}

/** Reads a cell that is not empty: its value, or what is wrong with it. */
export function readCell(written: string, cell: Cell): ReadCell {
  const text = IS_FIGURES.has(cell) ? written : unquote(written);
  const trimmed = text.trim();
  switch (cell) {
    case 'text':
      return { value: text };
    case 'number':
      return isNumber(trimmed)
        ? { value: Number(trimmed) }
        : { problem: `must be a number with a decimal point, found ${showValue(text)}` };
    case 'boolean':
      return trimmed === 'yes' || trimmed === 'no'
        ? { value: trimmed === 'yes' }
        : { problem: `must be yes or no, found ${showValue(text)}` };
    case 'list-or-none':
      if (trimmed === NONE) return { value: [] };
      return { value: trimmed.split(SEPARATOR).map((one) => one.trim()) };
    case 'list':
      return { value: trimmed.split(SEPARATOR).map((one) => one.trim()) };
    case 'point':
      return readPoint(text);
    case 'points': {
      const read = trimmed.split(SEPARATOR).map(readPoint);
      const bad = read.find(({ problem }) => problem !== undefined);
      return bad ?? { value: read.map(({ value }) => value) };
    }
    case 'json':
      try {
        return { value: JSON.parse(trimmed) as unknown };
      } catch {
        return { problem: `must be JSON, found ${showValue(text)}` };
      }
  }
}
