import { z } from 'zod';
import type { Db } from '../db';
import { checkPin } from './pins';
import { respondError } from './respond';
import { findPinSource } from './session';

/** Signatures as they arrive: who, with a fresh PIN. */
export const signaturesSchema = z
  .array(z.strictObject({ person: z.string().min(1).max(80), pin: z.string().max(20) }))
  .max(4);

/** Checks every PIN; answers the response that refuses the first that is not right, or undefined. */
export async function refuseSignatures(
  db: Db,
  signatures: z.infer<typeof signaturesSchema>,
): Promise<Response | undefined> {
  const source = await findPinSource();
  for (const { person, pin } of signatures) {
    const answer = await checkPin(db, person, pin, { source, purpose: 'sign' });
    if (answer === 'too-many-tries')
      return respondError(
        429,
        `Too many wrong PINs for ${person} from here. Wait ten minutes, or sign at another desk.`,
      );
    if (answer === 'wrong')
      return respondError(403, 'A PIN is not right. Nothing was signed.', [person]);
  }
  return undefined;
}
