import type { RegisterName } from './schema';

/** How a cell is written: text, a number, the end or the beginning of a day, yes, words parted by blanks, or JSON. */
export type Cell = 'text' | 'number' | 'day' | 'from-day' | 'yes' | 'list' | 'json';

/** The columns of the sheet of each register, and which have to be there. */
export const SHEETS: Readonly<
  Record<
    RegisterName,
    { readonly columns: Readonly<Record<string, Cell>>; readonly needed: readonly string[] }
  >
> = {
  locks: {
    columns: { id: 'text', set: 'text', use: 'text', owner: 'text' },
    needed: ['id', 'set', 'use'],
  },
  boxes: { columns: { id: 'text', name: 'text' }, needed: ['id', 'name'] },
  hasps: {
    columns: { id: 'text', name: 'text', holes: 'number' },
    needed: ['id', 'name', 'holes'],
  },
  instruments: {
    columns: {
      id: 'text',
      name: 'text',
      reads: 'text',
      contact: 'text',
      rated_v: 'number',
      tip_mm: 'number',
      guarded: 'yes',
      fused: 'yes',
      testedUntil: 'day',
      detector: 'json',
    },
    needed: ['id', 'name', 'reads', 'testedUntil'],
  },
  earths: {
    columns: {
      id: 'text',
      name: 'text',
      rated_ka: 'number',
      rated_s: 'number',
      testedUntil: 'day',
    },
    needed: ['id', 'name', 'testedUntil'],
  },
  kit: {
    columns: {
      id: 'text',
      name: 'text',
      use: 'text',
      kind: 'text',
      rated_v: 'number',
      testedUntil: 'day',
      unsafe: 'text',
    },
    needed: ['id', 'name', 'use'],
  },
  pressure: {
    columns: {
      id: 'text',
      name: 'text',
      of: 'text',
      portable: 'yes',
      at: 'text',
      certificate: 'text',
      inspectedAt: 'from-day',
      testedAt: 'from-day',
      alteredAt: 'from-day',
      altered: 'text',
      unsafe: 'text',
    },
    needed: ['id', 'name', 'of'],
  },
  employers: {
    columns: {
      id: 'text',
      name: 'text',
      own: 'yes',
      resident: 'yes',
      contract: 'text',
      contractFrom: 'from-day',
      contractUntil: 'day',
      exchangedAt: 'from-day',
      lead: 'text',
    },
    needed: ['id', 'name'],
  },
  bundles: {
    columns: { id: 'text', name: 'text', roles: 'list' },
    needed: ['id', 'name', 'roles'],
  },
};
