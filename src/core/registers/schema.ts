import { z } from 'zod';
import { KIT_KIND_NAMES, PRESSURE_KIND_NAMES } from '../kit/kit';
import { gasDetectorSchema } from '../gas/instrument';
import { ROLES } from '../people/people';

const id = z
  .string()
  .trim()
  .min(1)
  .max(40)
  .regex(/^[A-Za-z0-9][\w./-]*$/, 'begins with a letter or digit, then letters, digits, - _ . /');
const name = z.string().trim().min(1).max(120);
const instant = z.iso.datetime();
const words = z.string().trim().min(1).max(500);

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
  tip_mm: z.number().min(0).max(100).optional(),
  guarded: z.boolean().optional(),
  fused: z.boolean().optional(),
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

/** A clasp that takes several locks at one place. */
const hasp = z.strictObject({ id, name, holes: z.number().int().min(2).max(100) });
/** What people work with and wear that is looked over: gloves, rods, harnesses, radios. */
const kit = z.strictObject({
  id,
  name,
  use: name,
  kind: z.enum(KIT_KIND_NAMES).optional(),
  rated_v: z.number().gt(0).max(1_000_000).optional(),
  testedUntil: instant.optional(),
  /** Why it is out of use. */
  unsafe: words.optional(),
});
/** Vessels, receivers, boilers, hoses, relief valves, gauges: inspected and tested. */
const pressure = z.strictObject({
  id,
  name,
  of: z.enum(PRESSURE_KIND_NAMES),
  portable: z.boolean().optional(),
  /** The equipment, section or point of the drawing that it is. */
  at: id.optional(),
  certificate: z.string().trim().min(1).max(80).optional(),
  inspectedAt: instant.optional(),
  testedAt: instant.optional(),
  alteredAt: instant.optional(),
  altered: name.optional(),
  unsafe: words.optional(),
});
/** A firm whose people work here: the site's own, or one with a contract. */
const employer = z.strictObject({
  id,
  /** As it stands with its people. */
  name,
  own: z.boolean().optional(),
  /** Works here always, under the site's own rules of energy control. */
  resident: z.boolean().optional(),
  contract: z.string().trim().min(1).max(80).optional(),
  contractFrom: instant.optional(),
  contractUntil: instant.optional(),
  /** When both told each other their rules of energy control. */
  exchangedAt: instant.optional(),
  /** Who leads its people here. */
  lead: id.optional(),
});
/** Roles that are granted together. */
const bundle = z.strictObject({ id, name, roles: z.array(z.enum(ROLES)).min(1).max(ROLES.length) });

/** What one row of each register is. */
export const REGISTER_ROWS = {
  locks: lock,
  boxes: box,
  hasps: hasp,
  instruments: instrument,
  earths: earth,
  kit,
  pressure,
  employers: employer,
  bundles: bundle,
};
export type RegisterName = keyof typeof REGISTER_ROWS;
export const REGISTER_NAMES = Object.keys(REGISTER_ROWS) as [RegisterName, ...RegisterName[]];
export type RegisterRow<Name extends RegisterName = RegisterName> = z.infer<
  (typeof REGISTER_ROWS)[Name]
>;

/** The registers of a site, as a document. */
export const registerSchema = z.strictObject({
  locks: z.array(lock),
  boxes: z.array(box),
  instruments: z.array(instrument),
  earths: z.array(earth).default([]),
  hasps: z.array(hasp).default([]),
  kit: z.array(kit).default([]),
  pressure: z.array(pressure).default([]),
  employers: z.array(employer).default([]),
  bundles: z.array(bundle).default([]),
  reach: z.string().max(120).optional(),
});
export type Registers = z.infer<typeof registerSchema>;

export const NO_REGISTERS: Registers = registerSchema.parse({
  locks: [],
  boxes: [],
  instruments: [],
});
