import { z } from 'zod';
import { id, words } from '../job/fields';
import { REPORTED_KINDS } from './kinds';

const number = z.int().min(1);

/** So many devices or sections one change may be about. */
const MOST_PLACES = 50;

/** Commands about changes of the plant and of its drawing. */
export const changeCommandSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('propose-change'),
    change: z.enum(REPORTED_KINDS),
    /** What it is about, by ids of the drawing; for a hose or a jumper the sections that it joins, one where its other end is not drawn. */
    places: z
      .array(id)
      .min(1)
      .max(MOST_PLACES)
      .refine((ids) => new Set(ids).size === ids.length, { message: 'names something twice' }),
    what: words,
    why: words,
    /** The job for which it is made. */
    job: id.optional(),
    /** Until when it is to stand (ISO 8601, UTC). */
    until: z.iso.datetime().optional(),
  }),
  /** Somebody else than the proposer looks at what it can do. */
  z.strictObject({
    kind: z.literal('assess-change'),
    number,
    hazards: words,
    /** What is done about them. */
    measures: words,
  }),
  z.strictObject({
    kind: z.literal('allow-change'),
    number,
    until: z.iso.datetime().optional(),
  }),
  z.strictObject({ kind: z.literal('turn-down-change'), number, why: words }),
  z.strictObject({
    kind: z.literal('tell-change'),
    number,
    /** Who was told, by id. */
    people: z.array(id).min(1).max(200),
    /** How: at the briefing, by radio, in the log. */
    how: words,
  }),
  /** The drawing shows it since a version. */
  z.strictObject({ kind: z.literal('draw-change'), number, version: z.int().min(1) }),
  z.strictObject({ kind: z.literal('undo-change'), number, how: words }),
  /** Somebody else looks whether it is gone. */
  z.strictObject({
    kind: z.literal('see-undone'),
    number,
    found: z.enum(['gone', 'still']),
    how: words,
  }),
]);

export type ChangeCommand = z.infer<typeof changeCommandSchema>;
