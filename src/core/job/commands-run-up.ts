import { z } from 'zod';
import { RUN_UP_KINDS } from '../run-up/run-up';
import { id, words } from './fields';

/** Which call of a stop: production gives the plant over, or gets it back. */
export const WINDOW_CALLS = ['ready', 'back'] as const;

/** Commands about what is done before the hour of a stop, and the two calls that begin and end it. */
export const RUN_UP_COMMANDS = [
  z.strictObject({
    kind: z.literal('plan-run-up'),
    step: id,
    what: words,
    of: z.enum(RUN_UP_KINDS),
    who: id,
    /** How long it takes; what has to be ready takes none. */
    minutes: z.number().min(0).max(10_080),
    after: z.array(id).max(50),
  }),
  z.strictObject({ kind: z.literal('drop-run-up'), step: id }),
  z.strictObject({ kind: z.literal('begin-run-up'), step: id }),
  z.strictObject({ kind: z.literal('finish-run-up'), step: id, seen: words }),
  z.strictObject({
    kind: z.literal('call-window'),
    call: z.enum(WINDOW_CALLS),
    /** Who was called. */
    whom: words,
    /** What was said. */
    said: words,
  }),
] as const;
