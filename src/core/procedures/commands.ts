import { z } from 'zod';
import { id, note, words } from '../job/fields';

const number = z.int().min(1);

/** Commands about written procedures. */
export const procedureCommandSchema = z.discriminatedUnion('kind', [
  /** A plan that was carried out becomes the procedure of its equipment and task, or the next version of one. */
  z.strictObject({
    kind: z.literal('write-procedure'),
    job: id,
    task: words,
    note,
    procedure: number.optional(),
  }),
  /** The plant has changed and the procedure still holds on it: it stands on the newest drawing from now on. */
  z.strictObject({ kind: z.literal('renew-procedure'), procedure: number, note: words }),
  z.strictObject({
    kind: z.literal('inspect-procedure'),
    procedure: number,
    /** Those who use it, and with whom it was gone through. */
    users: z.array(id).min(1).max(50),
    found: z.enum(['followed', 'differs']),
    seen: words,
    /** What differed and was put right. */
    putRight: note,
  }),
  z.strictObject({ kind: z.literal('withdraw-procedure'), procedure: number, why: words }),
]);

export type ProcedureCommand = z.infer<typeof procedureCommandSchema>;
