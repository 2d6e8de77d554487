import type { RegisterName, RegisterRow } from '../../core/registers/schema';

/** What each register is called, and one thing of it. */
export const TITLES: Readonly<Record<RegisterName, string>> = {
  locks: 'Locks',
  boxes: 'Lock boxes',
  hasps: 'Hasps',
  instruments: 'Instruments',
  earths: 'Earthing sets',
  kit: 'Kit',
  pressure: 'Pressure equipment',
  employers: 'Employers',
  bundles: 'Role bundles',
};

export const ONE: Readonly<Record<RegisterName, string>> = {
  locks: 'a lock',
  boxes: 'a lock box',
  hasps: 'a hasp',
  instruments: 'an instrument',
  earths: 'an earthing set',
  kit: 'a piece of kit',
  pressure: 'a piece of pressure equipment',
  employers: 'an employer',
  bundles: 'a bundle of roles',
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
  tip_mm: 'Bare tip (mm)',
  guarded: 'Guarded',
  fused: 'Fused leads',
  kind: 'Kind',
  unsafe: 'Out of use',
  of: 'What',
  portable: 'Portable',
  at: 'On the drawing',
  certificate: 'Certificate',
  inspectedAt: 'Inspected',
  testedAt: 'Tested',
  alteredAt: 'Changed on',
  altered: 'Changed how',
  holes: 'Holes',
  own: 'Our own',
  contract: 'Contract',
  contractFrom: 'From',
  contractUntil: 'Until',
  exchangedAt: 'Rules exchanged',
  lead: 'Lead',
  roles: 'Roles',
};

/** A cell of a row as text; empty where there is none, and where it is no single figure or word. */
export function cellOf(row: RegisterRow | undefined, field: string): string {
  const value = (row as Readonly<Record<string, unknown>> | undefined)?.[field];
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return value.join(' ');
  return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
}
