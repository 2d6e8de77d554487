import { z } from 'zod';
import { CLEAR_WAYS } from '../hotwork/surroundings';
import { ROUND_FINDINGS } from '../hotwork/tail';
import { id, words } from './fields';

/** Commands about hot work: whether it has to be, what lies about it, what warns, and the watch after the last spark. */
export const HOT_COMMANDS = [
  z.strictObject({
    kind: z.literal('ask-cold'),
    /** Whether it can be done without flame, sparks or heat, or elsewhere. */
    can: z.enum(['no', 'cold', 'elsewhere']),
    /** Why it cannot be done cold, and why not elsewhere; or how it can. */
    cold: words,
    elsewhere: words,
  }),
  z.strictObject({
    kind: z.literal('clear-neighbour'),
    neighbour: id,
    way: z.enum(CLEAR_WAYS),
    note: words,
    /** Where blanks were fitted behind it, and the job under whose isolation they were. */
    blank: z.strictObject({ links: z.array(id).min(1).max(20), under: id }).optional(),
  }),
  z.strictObject({ kind: z.literal('take-out-blanks'), neighbour: id, seen: words }),
  z.strictObject({
    kind: z.literal('place-monitors'),
    /** The detectors that stand round the work. */
    devices: z.array(id).min(1).max(60),
    /** Where the wind comes from (degrees from north), and how fast it is (m/s). */
    from_deg: z.number().min(0).lt(360),
    wind_m_s: z.number().min(0).max(40),
  }),
  /** What the watch knows of the place before the first spark. */
  z.strictObject({
    kind: z.literal('brief-watch'),
    /** Nearest alarm point, hose or hydrant, extinguisher, telephone, eyewash: where each is. */
    alarm: words,
    water: words,
    extinguisher: words,
    telephone: words,
    eyewash: words,
    /** Two ways out. */
    exits: z.array(words).min(2).max(10),
    /** How many people work there. */
    people: z.int().min(0).max(500),
    /** Whether one watch sees everything that sparks can reach. */
    sees: z.enum(['all', 'not-all']),
  }),
  /** The unbroken watch is over: the control room knows, and somebody in operations takes the checks over. */
  z.strictObject({
    kind: z.literal('end-fire-watch'),
    /** Who in the control room was told. */
    told: words,
    /** Who in operations goes on looking. */
    operator: id,
  }),
  z.strictObject({
    kind: z.literal('make-round'),
    person: id,
    found: z.enum(ROUND_FINDINGS),
    seen: words,
    /** The last look, once the tail is over. */
    final: z.boolean().default(false),
  }),
  z.strictObject({ kind: z.literal('hand-over-watch'), to: id }),
] as const;
