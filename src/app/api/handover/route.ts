import { z } from 'zod';
import { handoverCommandSchema } from '../../../core/handover';
import { carryOutHandover } from '../../../server/handover';
import { signaturesSchema } from '../../../server/sign';
import { takeSigned } from '../signed-route';

const schema = z.strictObject({
  command: handoverCommandSchema,
  expected: z.int().min(0),
  /** Which report was read, for a handover. */
  digest: z.string().max(64).optional(),
  signatures: signaturesSchema,
});

/** Hands a shift over, signs for reading a handover, or keeps a promise; each signature is a fresh PIN. */
export const POST = takeSigned(schema, carryOutHandover);
