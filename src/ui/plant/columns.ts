import type { Plant } from '../../core/plant';
import { LINK_KINDS } from '../../core/plant/kinds';
import { SURROUNDING_KINDS } from '../../core/plant/vocabulary';

/** Tables of the plant that are edited by hand. */
export const EDITED = [
  'sections',
  'links',
  'outlets',
  'surroundings',
  'interlocks',
  'renamed',
] as const;
export type Edited = (typeof EDITED)[number];

/** How a column is typed: free text, a figure, one of several words, yes or no, two section ids, some ids, a place in metres. */
export interface Column {
  readonly name: string;
  readonly label: string;
  readonly type: 'text' | 'number' | 'choice' | 'yes-no' | 'pair' | 'list' | 'place' | 'source';
  readonly options?: readonly string[];
  readonly isNeeded?: boolean;
  /** Shown in the list as well. */
  readonly isListed?: boolean;
}

const id: Column = { name: 'id', label: 'Tag', type: 'text', isNeeded: true, isListed: true };

/** The columns of a table, with the choices that this plant offers. */
export function listColumns(table: Edited, plant: Plant): readonly Column[] {
  switch (table) {
    case 'sections':
      return [
        id,
        { name: 'name', label: 'Name', type: 'text', isNeeded: true, isListed: true },
        {
          name: 'medium',
          label: 'Medium',
          type: 'choice',
          options: plant.media.map((one) => one.id),
          isNeeded: true,
          isListed: true,
        },
        {
          name: 'area',
          label: 'Area',
          type: 'choice',
          options: plant.areas.map((one) => one.id),
          isNeeded: true,
          isListed: true,
        },
        { name: 'source', label: 'Source (its name, when it is one)', type: 'source' },
        { name: 'pressure_bar', label: 'Pressure (bar gauge)', type: 'number' },
        { name: 'temperature_c', label: 'Temperature (°C)', type: 'number' },
        { name: 'voltage_v', label: 'Voltage (V)', type: 'number' },
        { name: 'fault_ka', label: 'Largest fault current (kA)', type: 'number' },
        { name: 'fault_s', label: 'Fault cut off after (s)', type: 'number' },
        { name: 'volume_m3', label: 'Volume (m³)', type: 'number' },
        { name: 'dn_mm', label: 'Bore (mm)', type: 'number' },
        { name: 'serves', label: 'What an hour without it costs', type: 'number' },
        { name: 'at', label: 'Place (x y z in m)', type: 'place' },
      ];
    case 'links':
      return [
        id,
        {
          name: 'kind',
          label: 'Kind',
          type: 'choice',
          options: LINK_KINDS,
          isNeeded: true,
          isListed: true,
        },
        { name: 'between', label: 'Between', type: 'pair', isNeeded: true, isListed: true },
        { name: 'name', label: 'Name', type: 'text' },
        {
          name: 'normal',
          label: 'Normal position',
          type: 'choice',
          options: ['open', 'closed'],
          isListed: true,
        },
        { name: 'lockable', label: 'Can be locked', type: 'yes-no' },
        { name: 'operated', label: 'Operated', type: 'choice', options: ['hand', 'remote'] },
        { name: 'operated_by', label: 'Operated by another firm alone', type: 'text' },
        { name: 'breaks', label: 'Opened under', type: 'choice', options: ['load', 'off-load'] },
        { name: 'fails', label: 'Fails', type: 'choice', options: ['open', 'closed', 'stay'] },
        { name: 'powered_by', label: 'Moved by (section)', type: 'text' },
        { name: 'protects', label: 'Protects (sections)', type: 'list' },
        { name: 'excludes', label: 'Never open together with', type: 'list' },
        { name: 'dn_mm', label: 'Bore (mm)', type: 'number' },
        { name: 'passing', label: 'Known to pass', type: 'yes-no' },
        { name: 'seized', label: 'Known to be stuck', type: 'yes-no' },
        { name: 'minutes', label: 'Minutes to close', type: 'number' },
        { name: 'at', label: 'Place (x y z in m)', type: 'place' },
      ];
    case 'outlets':
      return [
        id,
        { name: 'section', label: 'Section', type: 'text', isNeeded: true, isListed: true },
        {
          name: 'kind',
          label: 'Kind',
          type: 'choice',
          options: ['vent', 'drain', 'bleed', 'earth'],
          isNeeded: true,
          isListed: true,
        },
        {
          name: 'leads_to',
          label: 'Leads to',
          type: 'choice',
          options: ['safe', 'closed-system', 'atmosphere', 'earth'],
          isNeeded: true,
          isListed: true,
        },
        { name: 'system', label: 'Closed system', type: 'text' },
        { name: 'non_return', label: 'Nothing comes back by it', type: 'yes-no' },
        { name: 'dn_mm', label: 'Bore (mm)', type: 'number' },
        { name: 'plugged', label: 'Known to be blocked', type: 'yes-no' },
        { name: 'minutes', label: 'Minutes to open', type: 'number' },
      ];
    case 'surroundings':
      return [
        id,
        { name: 'name', label: 'Name', type: 'text', isNeeded: true, isListed: true },
        {
          name: 'kind',
          label: 'Kind',
          type: 'choice',
          options: SURROUNDING_KINDS,
          isNeeded: true,
          isListed: true,
        },
        {
          name: 'area',
          label: 'Area',
          type: 'choice',
          options: plant.areas.map((one) => one.id),
          isNeeded: true,
          isListed: true,
        },
        { name: 'at', label: 'Place (x y z in m)', type: 'place', isNeeded: true },
        { name: 'section', label: 'Opens into section, when it stands open', type: 'text' },
      ];
    case 'interlocks':
      return [
        id,
        { name: 'name', label: 'Name', type: 'text', isListed: true },
        { name: 'open', label: 'Never all of these open', type: 'list', isListed: true },
        { name: 'closed', label: 'while all of these are closed', type: 'list', isListed: true },
      ];
    case 'renamed':
      return [
        { ...id, label: 'Old id' },
        { name: 'now', label: 'Called today', type: 'text', isNeeded: true, isListed: true },
      ];
  }
}

export type Row = Readonly<Record<string, unknown>> & { readonly id: string };

/** What stands in a field for a value of the row. */
export function showField(column: Column, value: unknown): string {
  if (value === undefined) return '';
  switch (column.type) {
    case 'yes-no':
      return value === true ? 'yes' : 'no';
    case 'pair':
    case 'list':
    case 'place':
      return (value as readonly unknown[]).join(' ');
    case 'source':
      return (value as { name: string }).name;
    case 'text':
    case 'number':
    case 'choice':
      return String(value as string | number);
  }
}

/** The value of what was typed; undefined when the field is empty. What does not fit is left for the parser to refuse. */
export function readField(column: Column, text: string): unknown {
  const typed = text.trim();
  if (typed === '') return undefined;
  switch (column.type) {
    case 'number':
      return Number.isFinite(Number(typed)) ? Number(typed) : typed;
    case 'yes-no':
      return typed === 'yes';
    case 'pair':
    case 'list':
      return typed.split(/[\s;,]+/);
    case 'place':
      return typed.split(/[\s;,]+/).map(Number);
    case 'source':
      return { name: typed };
    case 'text':
    case 'choice':
      return typed;
  }
}
