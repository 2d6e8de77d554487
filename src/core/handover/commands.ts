import { z } from 'zod';
import { id, note, words } from '../job/fields';

/** Commands about handing over a shift. */
export const handoverCommandSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('hand-over-shift'),
    incoming: id,
    notes: note,
    /** What the outgoing shift promises: what, who does it, by when. */
    promises: z.array(z.strictObject({ what: words, who: id, until: z.iso.datetime() })).max(30),
  }),
  z.strictObject({ kind: z.literal('read-handover'), handover: z.int().min(1), person: id }),
  z.strictObject({
    kind: z.literal('keep-promise'),
    /** Which promise, by its number. */
    promise: z.int().min(1),
    done: words,
  }),
]);

export type HandoverCommand = z.infer<typeof handoverCommandSchema>;
