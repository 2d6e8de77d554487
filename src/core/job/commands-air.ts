import { z } from 'zod';
import { CONCENTRATION_UNITS } from '../gas/concentration';
import { SUBSTANCE_CODES } from '../gas/substances';
import { AIR_USES } from '../gas/verdict';
import { LEVELS } from '../gas/where';
import { id, words } from './fields';

const reading = z.strictObject({
  gas: z.enum(SUBSTANCE_CODES),
  shown: z.number().min(-1000).max(1_000_000),
  unit: z.enum(CONCENTRATION_UNITS),
});

/** What can be wrong with a detector that stands at a job: nothing comes from it, or what comes cannot be believed. */
export const DETECTOR_FAULTS = ['silent', 'refused'] as const;

/** Commands that only a device gives, never a person. */
export const DEVICE_COMMANDS: readonly string[] = ['report-air', 'report-fault', 'hear-detector'];

/** Commands about the air at the work. */
export const AIR_COMMANDS = [
  z.strictObject({
    kind: z.literal('test-air'),
    use: z.enum(AIR_USES),
    instrument: id,
    /** When the instrument was bump-tested. */
    bumpedAt: z.iso.datetime(),
    hose: z
      .strictObject({ length_m: z.number().min(0).max(200), bore_mm: z.number().gt(0).max(50) })
      .optional(),
    samples: z
      .array(
        z.strictObject({
          level: z.enum(LEVELS),
          /** Where: from outside, a corner, a duct. */
          place: words,
          drawnFrom: z.iso.datetime(),
          readAt: z.iso.datetime(),
          readings: z.array(reading).min(1).max(20),
        }),
      )
      .min(1)
      .max(40),
    /** Places besides where it was tested: the readings are the worst of all. */
    places: z.array(words).max(200).optional(),
    /** What was found out about bodies of which the drawing does not say what they give off, by name. */
    known: z.record(words, words).default({}),
  }),
  z.strictObject({
    kind: z.literal('place-detector'),
    device: id,
    use: z.enum(AIR_USES),
    place: words,
  }),
  z.strictObject({ kind: z.literal('take-detector'), device: id }),
  /** Given by a detector itself when what it reads is not fit. */
  z.strictObject({
    kind: z.literal('report-air'),
    device: id,
    /** When it was read (ISO 8601, UTC, in the site's time). */
    readAt: z.iso.datetime(),
    readings: z.array(reading).min(1).max(20),
  }),
  /** Given by the server in a detector's name: it has sent nothing for too long, or something that cannot be believed. */
  z.strictObject({
    kind: z.literal('report-fault'),
    device: id,
    why: z.enum(DETECTOR_FAULTS),
    /** What is wrong, in words. */
    words,
    /** The newest moment at which it was heard (ISO 8601, UTC). */
    since: z.iso.datetime(),
  }),
  /** Given by a detector itself when it can be believed again. */
  z.strictObject({ kind: z.literal('hear-detector'), device: id }),
] as const;
