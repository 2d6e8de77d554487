import type { RegisterName, RegisterRow } from '../../core/registers/schema';

/** What each register is called, and one thing of it. */
export const TITLES: Readonly<Record<RegisterName, string>> = {
  locks: 'Locks',
  boxes: 'Lock boxes',
  instruments: 'Instruments',
  earths: 'Earthing sets',
};

export const ONE: Readonly<Record<RegisterName, string>> = {
  locks: 'a lock',
  boxes: 'a lock box',
  instruments: 'an instrument',
  earths: 'an earthing set',
};

/** The heads of the columns. */
export const HEADS: Readonly<Record<string, string>> = {
  id: 'Number',
  name: 'Name',
  set: 'Set',
  use: 'Used',
  owner: 'Owner',
  reads: 'Reads',
  contact: 'Touches',
  rated_v: 'Rated (V)',
  rated_ka: 'Carries (kA)',
  rated_s: 'For (s)',
  testedUntil: 'In date until',
};

/** A cell of a row as text; empty where there is none, and where it is no single figure or word. */
export function cellOf(row: RegisterRow | undefined, field: string): string {
  const value = (row as Readonly<Record<string, unknown>> | undefined)?.[field];
  return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
}
