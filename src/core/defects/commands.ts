import { z } from 'zod';
import { id, note, words } from '../job/fields';
import { DEFECT_KINDS } from './kinds';

const number = z.int().min(1);
const digest = z.string().regex(/^[0-9a-f]{64}$/, 'is not the digest of a picture');

/** Commands about defects of devices. */
export const defectCommandSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('report-defect'),
    device: id,
    defect: z.enum(DEFECT_KINDS),
    /** What was seen, where and how. */
    seen: words,
    photo: digest.optional(),
    /** The job on which it was found. */
    job: id.optional(),
    /** When it is expected to be put right, as far as the reporter knows. */
    until: z.iso.datetime().optional(),
    /** What stands in for it meanwhile. */
    standsIn: note.optional(),
  }),
  /** Somebody with authority says what stands in for it, and until when. */
  z.strictObject({
    kind: z.literal('guard-defect'),
    number,
    standsIn: words,
    until: z.iso.datetime(),
  }),
  z.strictObject({ kind: z.literal('repair-defect'), number, done: words }),
  /** Somebody else tries it after the repair: it does what it should, or it still does not. */
  z.strictObject({
    kind: z.literal('prove-defect'),
    number,
    found: z.enum(['sound', 'still']),
    /** How it was tried, and what was read or seen. */
    how: words,
  }),
]);

export type DefectCommand = z.infer<typeof defectCommandSchema>;
