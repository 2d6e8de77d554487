import { z } from 'zod';
import { id, words } from './fields';

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
] as const;
