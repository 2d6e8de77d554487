import { z } from 'zod';
import { AUDIT_CODES, FOUND } from '../audit/checks';
import { id, note, words } from './fields';

const answer = z.strictObject({
  found: z.enum(FOUND),
  seen: words.optional(),
  /** What was put right at once. */
  putRight: words.optional(),
  followUp: z.strictObject({ what: words, who: id, until: z.iso.datetime() }).optional(),
});

/** How a copy of a permit is accounted for. */
export const COPY_ENDS = ['back', 'lost'] as const;

/** Commands that look a live permit over at the place, and account for its copies. */
export const AUDIT_COMMANDS = [
  z.strictObject({
    kind: z.literal('audit-permit'),
    /** People counted at the work. */
    counted: z.int().min(0).max(500),
    answers: z.partialRecord(z.enum(AUDIT_CODES), answer),
  }),
  z.strictObject({
    kind: z.literal('finish-follow-up'),
    /** Which check of the job, from 0. */
    audit: z.int().min(0),
    code: z.enum(AUDIT_CODES),
    done: words,
  }),
  z.strictObject({
    kind: z.literal('take-in-copy'),
    number: z.int().min(1),
    end: z.enum(COPY_ENDS),
    note,
  }),
] as const;
