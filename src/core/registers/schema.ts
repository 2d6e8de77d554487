import { z } from 'zod';
import { gasDetectorSchema } from '../gas/instrument';

const id = z
  .string()
  .trim()
  .min(1)
  .max(40)
  .regex(/^[A-Za-z0-9][\w./-]*$/, 'begins with a letter or digit, then letters, digits, - _ . /');
const name = z.string().trim().min(1).max(120);
const instant = z.iso.datetime();

/** A lock, with whose it is where it is somebody's own. */
const lock = z.strictObject({
  id,
  set: name,
  use: z.enum(['point', 'control', 'crew', 'personal']),
  owner: id.optional(),
});
const box = z.strictObject({ id, name });
const instrument = z.strictObject({
  id,
  name,
  reads: z.enum(['voltage', 'pressure', 'level', 'motion', 'temperature', 'gas']),
  contact: z.enum(['two-pole', 'non-contact', 'plug-in']).optional(),
  rated_v: z.number().gt(0).max(1_000_000).optional(),
  testedUntil: instant,
  detector: gasDetectorSchema.optional(),
});
const earth = z.strictObject({
  id,
  name,
  rated_ka: z.number().gt(0).max(200).optional(),
  rated_s: z.number().gt(0).max(60).optional(),
  testedUntil: instant,
});

/** What one row of each register is. */
export const REGISTER_ROWS = { locks: lock, boxes: box, instruments: instrument, earths: earth };
export type RegisterName = keyof typeof REGISTER_ROWS;
export const REGISTER_NAMES = Object.keys(REGISTER_ROWS) as [RegisterName, ...RegisterName[]];
export type RegisterRow<Name extends RegisterName = RegisterName> = z.infer<
  (typeof REGISTER_ROWS)[Name]
>;

/** Locks, boxes, instruments and earthing sets of a site, as a document. */
export const registerSchema = z.strictObject({
  locks: z.array(lock),
  boxes: z.array(box),
  instruments: z.array(instrument),
  earths: z.array(earth).default([]),
  reach: z.string().max(120).optional(),
});
export type Registers = z.infer<typeof registerSchema>;

export const NO_REGISTERS: Registers = { locks: [], boxes: [], instruments: [], earths: [] };
