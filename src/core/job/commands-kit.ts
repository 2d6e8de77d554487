import { z } from 'zod';
import { APART_WAYS, CYLINDER_LIFTS, type ApartWay, type CylinderLift } from '../kit/cylinders';
import { id, words } from './fields';

const aparts = Object.keys(APART_WAYS) as [ApartWay, ...ApartWay[]];
const lifts = Object.keys(CYLINDER_LIFTS) as [CylinderLift, ...CylinderLift[]];
/** m. */
const distance = z.number().min(0).max(10_000);

/** Commands about what people use on a job: looked at before use, found unfit, hose joints counted. */
export const KIT_COMMANDS = [
  z.strictObject({
    kind: z.literal('check-kit'),
    kit: z.array(id).min(1).max(40),
    /** What is worn against voltage was blown up and listened to. */
    air: z.boolean(),
    seen: words,
  }),
  z.strictObject({ kind: z.literal('fail-kit'), kit: id, seen: words }),
  z.strictObject({
    kind: z.literal('count-joints'),
    joints: z.int().min(0).max(500),
    lashed: z.int().min(0).max(500),
    /** What the lashings are fixed to. */
    fixed: words,
  }),
  z.strictObject({
    kind: z.literal('check-cylinders'),
    here: z.boolean(),
    where: words,
    upright: z.boolean().optional(),
    capped: z.boolean().optional(),
    clean: z.boolean().optional(),
    apart: z.enum(aparts).optional(),
    apart_m: distance.optional(),
    off_m: distance.optional(),
    lift: z.enum(lifts).optional(),
    leaking: z
      .strictObject({ outdoors: z.boolean(), tagged: z.boolean(), clear_m: distance })
      .optional(),
  }),
  /** Something is repaired under pressure, within written limits. */
  z.strictObject({
    kind: z.literal('allow-pressure-repair'),
    what: words,
    bar: z.number().gt(0).max(10_000),
    why: words,
    limits: words,
    until: z.iso.datetime(),
  }),
] as const;
