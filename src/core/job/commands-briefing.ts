import { z } from 'zod';
import { LOAD_WAY_CODES, LOOK_CODES, MOST_PRESENT } from '../briefing/briefing';
import { EFFORTS, SUN_CODES } from '../space/climate';
import { id, words } from './fields';

/** A hazard talked about: what was asked, of whom, and what they answered. */
const POINT = { topic: words, question: words, answer: words };

/** Commands about the briefing before the work. */
export const BRIEFING_COMMANDS = [
  z.strictObject({
    kind: z.literal('hold-briefing'),
    present: z.array(id).min(1).max(MOST_PRESENT),
    points: z
      .array(z.strictObject({ ...POINT, of: id }))
      .min(1)
      .max(60),
    looked: z
      .array(z.strictObject({ what: z.enum(LOOK_CODES), by: id.optional(), seen: words }))
      .max(LOOK_CODES.length),
    loads: z
      .array(
        z.strictObject({
          what: words,
          kg: z.number().gt(0).max(1_000_000),
          way: z.enum(LOAD_WAY_CODES),
        }),
      )
      .max(40),
    weather: z.strictObject({
      air_c: z.number().min(-70).max(60),
      humidity: z.number().min(0).max(100).optional(),
      wind_m_s: z.number().min(0).max(60).optional(),
      sun: z.enum(SUN_CODES).optional(),
      effort: z.enum(EFFORTS).optional(),
    }),
    beside: words,
  }),
  /** Somebody who comes later is briefed. */
  z.strictObject({ kind: z.literal('brief-latecomer'), person: id, ...POINT }),
] as const;
