import { z } from 'zod';
import { id, words } from '../job/fields';
import { ACTIVITIES } from '../plant/schema';
import type { SheetProblem } from '../sheet';

/** A work order as it comes in from outside: what is to be done on which equipment, and when. */
export const workOrderSchema = z.strictObject({
  number: id,
  title: words,
  /** The tag of the equipment on the drawing. */
  equipment: id,
  /** Sections and what is done to each, where the sender knows them. */
  work: z
    .array(z.strictObject({ section: id, activity: z.enum(ACTIVITIES) }))
    .max(50)
    .default([]),
  hours: z.number().gt(0).max(720).optional(),
  /** When it is wanted (ISO 8601, UTC). */
  wantedFrom: z.iso.datetime().optional(),
  wantedUntil: z.iso.datetime().optional(),
  /** Who leads the work, by id. */
  performer: id.optional(),
  note: words.optional(),
});

export type IncomingOrder = z.infer<typeof workOrderSchema>;

/** How many work orders may come in at once. */
export const MOST_ORDERS = 500;
export const workOrdersSchema = z.array(z.unknown()).min(1).max(MOST_ORDERS);

/** What is wrong with one order: which (from 1), which field, and why. */
export type OrderProblem = SheetProblem;
