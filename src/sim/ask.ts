import { z } from 'zod';
import { ARRANGEMENT_NAMES } from '../core/proving';
import type { Found } from './proof';

const id = z.string().trim().min(1).max(80);

/** What is asked of the stand-ins. */
export const askSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('proof'),
    proof: id,
    arrangement: z.enum(ARRANGEMENT_NAMES).default('three-wire'),
    instrument: z.string().max(80).default(''),
    source_v: z.number().min(0).max(1e6).default(690),
  }),
  z.strictObject({ kind: z.literal('try-start'), station: id }),
  z.strictObject({
    kind: z.literal('take-lock'),
    use: z.enum(['point', 'control', 'crew', 'personal']),
    prefix: z.string().max(20).default(''),
  }),
]);

export type Ask = z.input<typeof askSchema>;

/** What the stand-ins answer. */
export type SimAnswer =
  | ({ readonly kind: 'proof' } & Found)
  | { readonly kind: 'try-start'; readonly moved: boolean }
  | { readonly kind: 'take-lock'; readonly lock: string | undefined }
  | { readonly kind: 'unknown'; readonly what: string };
