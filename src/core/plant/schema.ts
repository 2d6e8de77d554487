import { z } from 'zod';
import { LIQUID_CODES } from '../energy/liquids';
import { SUBSTANCE_CODES } from '../gas/substances';
import { LINK_KINDS } from './kinds';
import {
  ACTIVITIES,
  ENERGIES,
  GAUGE_READS,
  GRADES,
  HAZARDS,
  SURROUNDING_KINDS,
} from './vocabulary';

export * from './isolation-plan';
export * from './vocabulary';

const id = z.string().min(1, 'an id may not be empty').max(80, 'an id has at most 80 characters');
const name = z.string().min(1, 'may not be empty').max(200, 'has at most 200 characters');
const metres = z.number();
const minutes = z.number().min(0);

const area = z.strictObject({
  id,
  name,
  outline: z.array(z.tuple([metres, metres])),
  zone: z.enum(['none', '0', '1', '2', '20', '21', '22']),
});

const medium = z.strictObject({
  id,
  name,
  energy: z.enum(ENERGIES),
  phase: z.enum(['gas', 'liquid', 'vapour', 'solid', 'none']),
  /** An empty list is "none, says the drawing"; no list at all is not known, and the worst is taken. */
  hazards: z.array(z.enum(HAZARDS)).optional(),
  lfl_pct: z.number().gt(0).max(100).optional(),
  relative_density: z.number().gt(0).optional(),
  /** Gases that it is made of or gives off. */
  gases: z.array(z.enum(SUBSTANCE_CODES)).min(1).optional(),
  /** Which liquid of the table it behaves like when it is shut in and warms. */
  fluid: z.enum(LIQUID_CODES).optional(),
  density_kg_m3: z.number().gt(0).max(25_000).optional(),
  /** Thermal expansion (1/K) and compressibility (1/GPa) as a liquid. */
  expansion_1_k: z.number().min(0).max(0.01).optional(),
  compressibility_1_gpa: z.number().min(0.05).max(20).optional(),
  /** Ratio of specific heats as a gas. */
  heat_ratio: z.number().min(1).max(1.7).optional(),
});

/** Parameters of a store differ by kind and are all numbers in SI units; only `_c` (Celsius) may be negative. */
const store = z
  .object({
    id,
    kind: z.enum([
      'gas',
      'capacitor',
      'accumulator',
      'spring',
      'raised-mass',
      'rotor',
      'hot-body',
      'trapped-liquid',
    ]),
    release: z.string().min(1, 'a store needs a release: an outlet id, "restrain" or "wait"'),
  })
  .catchall(z.number())
  .superRefine((value, context) => {
    for (const [key, parameter] of Object.entries(value)) {
      if (typeof parameter !== 'number') continue;
      const least = key.endsWith('_c') ? -273.15 : 0;
      if (parameter < least) {
        context.addIssue({
          code: 'too_small',
          origin: 'number',
          minimum: least,
          inclusive: true,
          input: parameter,
          path: [key],
        });
      }
    }
  });

const section = z.strictObject({
  id,
  name,
  medium: id,
  area: id,
  at: z.tuple([metres, metres, metres]).optional(),
  source: z.strictObject({ name }).optional(),
  serves: z.number().min(0).optional(),
  /** Gauge: below 0 is a vacuum, down to none at all. */
  pressure_bar: z.number().min(-1.1).optional(),
  temperature_c: z.number().min(-273.15).optional(),
  voltage_v: z.number().min(0).optional(),
  /** The largest fault current here (kA), and how long until it is cut off (s). */
  fault_ka: z.number().gt(0).max(200).optional(),
  fault_s: z.number().gt(0).max(60).optional(),
  volume_m3: z.number().gt(0).optional(),
  dn_mm: z.number().gt(0).optional(),
  stores: z.array(store).optional(),
});

const link = z.strictObject({
  id,
  kind: z.enum(LINK_KINDS),
  name: name.optional(),
  between: z.tuple([id, id]),
  normal: z.enum(['open', 'closed']).optional(),
  lockable: z.boolean().optional(),
  operated: z.enum(['hand', 'remote']).optional(),
  /** Whose people alone operate it, where that is not the site: a grid operator, a neighbour. */
  operated_by: name.optional(),
  /** Whether it may be opened and closed under load. */
  breaks: z.enum(['load', 'off-load']).optional(),
  dn_mm: z.number().gt(0).optional(),
  /** Links that cannot be open while this one is: the other ways of a three-way valve or a changeover. */
  excludes: z.array(id).optional(),
  fails: z.enum(['open', 'closed', 'stay']).optional(),
  /** The section that moves it: air, oil, a cable. */
  powered_by: id.optional(),
  protects: z.array(id).optional(),
  at: z.tuple([metres, metres, metres]).optional(),
  minutes: minutes.optional(),
  /** Known to pass when it is shut. */
  passing: z.boolean().optional(),
  /** Known to be stuck: nobody can move it, nor tell how far it stands open. */
  seized: z.boolean().optional(),
});

const outlet = z.strictObject({
  id,
  section: id,
  kind: z.enum(['vent', 'drain', 'bleed', 'earth']),
  leads_to: z.enum(['safe', 'closed-system', 'atmosphere', 'earth']),
  /** Which closed system: a name, or the id of its section where that is drawn. */
  system: z.string().min(1).optional(),
  /** Whether something in the outlet's own line surely stops what stands in the system from coming back. */
  non_return: z.boolean().optional(),
  /** Free bore, from which the time of letting down is computed. */
  dn_mm: z.number().gt(0).optional(),
  minutes: minutes.optional(),
  /** Known to be blocked, or an earth known to be unfit: opened or applied, it does nothing. */
  plugged: z.boolean().optional(),
});

const gauge = z.strictObject({ id, section: id, reads: z.enum(GAUGE_READS) });

const equipment = z.strictObject({
  id,
  name,
  kind: z.string().min(1),
  area: id,
  sections: z.array(id),
  start_stations: z.array(z.string().min(1)).optional(),
  space: z.record(z.string(), z.json()).optional(),
});

const surrounding = z.strictObject({
  id,
  name,
  kind: z.enum(SURROUNDING_KINDS),
  area: id,
  at: z.tuple([metres, metres, metres]),
  /** The body that opens into the air here: it stands open in normal running. */
  section: id.optional(),
});

/**
 * Positions that never stand at once: all of `open` open while all of `closed` are closed. A key, a trip or a linkage sees to that
 * at the plant. Closed means that nothing passes; an outlet may be named among those that are open.
 */
const interlock = z
  .strictObject({
    id,
    name: name.optional(),
    open: z.array(id).default([]),
    closed: z.array(id).default([]),
  })
  .refine(({ open, closed }) => open.length + closed.length > 1, {
    message: 'must name two positions at least: what is open (open) and what is closed (closed)',
    path: ['closed'],
  });

/** What has another id now: the old one is kept, so that whoever has it on paper, or in a job, finds what it is called today. */
const rename = z.strictObject({ id, now: id });

/** The plant file, format "heavy-lantern/plant", version 1. Pressures are gauge. */
export const plantSchema = z.strictObject({
  format: z.literal('heavy-lantern/plant'),
  version: z.literal(1),
  name,
  areas: z.array(area),
  media: z.array(medium),
  sections: z.array(section),
  links: z.array(link),
  outlets: z.array(outlet).default([]),
  gauges: z.array(gauge).default([]),
  equipment: z.array(equipment).default([]),
  surroundings: z.array(surrounding).optional(),
  interlocks: z.array(interlock).optional(),
  renamed: z.array(rename).optional(),
});

export type Plant = z.infer<typeof plantSchema>;
export type Area = Plant['areas'][number];
export type Medium = Plant['media'][number];
export type Section = Plant['sections'][number];
export type Store = NonNullable<Section['stores']>[number];
export type Link = Plant['links'][number];
export type Outlet = Plant['outlets'][number];
export type Gauge = Plant['gauges'][number];
export type Equipment = Plant['equipment'][number];
export type Surrounding = NonNullable<Plant['surroundings']>[number];
export type Interlock = NonNullable<Plant['interlocks']>[number];
export type SurroundingKind = Surrounding['kind'];
export type Energy = Medium['energy'];

/** What a job does, where, and for how long (hours, above 0). */
export const scopeSchema = z.strictObject({
  work: z
    .array(z.strictObject({ section: id, activity: z.enum(ACTIVITIES) }))
    .min(1, 'a job works on at least one section'),
  hours: z.number().gt(0).max(8784),
  /** Sources that are run empty before anything is isolated, such as a tank that is entered. */
  emptied: z.array(id).max(50).optional(),
});
export type Scope = z.infer<typeof scopeSchema>;
export type Activity = Scope['work'][number]['activity'];

export const gradesSchema = z.record(id, z.enum(GRADES));

/** A plan as a file; the answer of `plan` may be handed back as it is, its figures are computed anew. */
export const planSchema = z.strictObject({
  close: z.array(id),
  open: z.array(id).default([]),
  restrain: z.array(id).default([]),
  stand: z.array(id).default([]),
  seen_open: z.unknown().optional(),
  partial: z.unknown().optional(),
  cost: z.unknown().optional(),
  passes: z.unknown().optional(),
  findings: z.unknown().optional(),
  extra_measures: z.unknown().optional(),
  stages: z.unknown().optional(),
  optimal: z.unknown().optional(),
  gap: z.unknown().optional(),
});
