import type { RegisterName } from './schema';

export type Cell = 'text' | 'number' | 'day' | 'json';

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
  instruments: {
    columns: {
      id: 'text',
      name: 'text',
      reads: 'text',
      contact: 'text',
      rated_v: 'number',
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
};
