import type { Plant } from './schema';

export const TABLES = [
  'areas',
  'media',
  'sections',
  'links',
  'outlets',
  'gauges',
  'equipment',
  'surroundings',
  'interlocks',
  'renamed',
] as const;
export type Table = (typeof TABLES)[number];

/** One row that differs between two plants. `fields` names what changed in it; empty when the row came or went. */
export interface PlantChange {
  readonly table: Table;
  readonly id: string;
  readonly kind: 'added' | 'removed' | 'changed';
  readonly fields: readonly {
    readonly name: string;
    readonly before: unknown;
    readonly after: unknown;
  }[];
}

type Row = Readonly<Record<string, unknown>> & { readonly id: string };

/** JSON with the keys in order, so that the order in a file makes no difference. */
const canonical = (value: unknown): string =>
  JSON.stringify(value, (_key, one: unknown) =>
    typeof one === 'object' && one !== null && !Array.isArray(one)
      ? Object.fromEntries(Object.entries(one).sort(([a], [b]) => (a < b ? -1 : 1)))
      : one,
  ) ?? '';

function compareRows(before: Row, after: Row): PlantChange['fields'] {
  const names = [...new Set([...Object.keys(before), ...Object.keys(after)])].sort();
  return names
    .filter((name) => canonical(before[name]) !== canonical(after[name]))
    .map((name) => ({ name, before: before[name], after: after[name] }));
}

/** Every row that differs between two plants, table by table, in the order of ids. Empty when they say the same. */
export function diffPlants(before: Plant, after: Plant): PlantChange[] {
  return TABLES.flatMap((table): PlantChange[] => {
    const old = new Map(((before[table] ?? []) as readonly Row[]).map((row) => [row.id, row]));
    const fresh = new Map(((after[table] ?? []) as readonly Row[]).map((row) => [row.id, row]));
    const ids = [...new Set([...old.keys(), ...fresh.keys()])].sort();
    return ids.flatMap((id): PlantChange[] => {
      const a = old.get(id);
      const b = fresh.get(id);
      if (!a) return [{ table, id, kind: 'added', fields: [] }];
      if (!b) return [{ table, id, kind: 'removed', fields: [] }];
      const fields = compareRows(a, b);
      return fields.length > 0 ? [{ table, id, kind: 'changed', fields }] : [];
    });
  });
}

const ONE: Readonly<Record<Table, string>> = {
  areas: 'area',
  media: 'medium',
  sections: 'section',
  links: 'link',
  outlets: 'outlet',
  gauges: 'gauge',
  equipment: 'equipment',
  surroundings: 'surrounding',
  interlocks: 'interlock',
  renamed: 'old id',
};

const show = (value: unknown) => (value === undefined ? 'nothing' : JSON.stringify(value));

/** A change in words: "link HV-2001 changed: normal from nothing to "closed"". */
export function describeChange({ table, id, kind, fields }: PlantChange): string {
  const details = fields.map(
    ({ name, before, after }) => `${name} from ${show(before)} to ${show(after)}`,
  );
  return `${ONE[table]} ${id} ${kind}${details.length > 0 ? `: ${details.join('; ')}` : ''}`;
}
