import { z } from 'zod';
import { MOST_PRESENT } from '../core/briefing/briefing';
import type { Db } from '../db';
import { checkPin, pinSchema } from './pins';
import { sharedDatabase } from './database';
import { readBody, respondError } from './respond';
import { findPinSource, findSiteManager } from './session';

const signature = z.strictObject({ person: z.string().min(1).max(80), pin: pinSchema });

/** Signatures as they arrive: who, with a fresh PIN. */
export const signaturesSchema = z.array(signature).max(4);

/** The same on a job, where everybody at a briefing signs, and whoever recorded it. */
export const jobSignaturesSchema = z.array(signature).max(MOST_PRESENT + 1);

/** Those that are asked for, one of each person: nothing else is worth checking a PIN. */
export function pickSignatures(
  signatures: z.infer<typeof signaturesSchema>,
  signers: readonly string[],
): z.infer<typeof signaturesSchema> {
  const first = new Map([...signatures].reverse().map((one) => [one.person, one]));
  return [...new Set(signers)].flatMap((person) => first.get(person) ?? []);
}

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

/**
 * What a site manager asks for and signs with a fresh PIN in the same request, with who it is; or the response that refuses it: a stranger, another role, a
 * body that does not fit, a PIN that is not right.
 */
export async function readSigned<Schema extends z.ZodType<{ readonly pin: string }>>(
  request: Request,
  schema: Schema,
  words: string,
): Promise<
  | { readonly ok: true; readonly actor: string; readonly value: z.infer<Schema> }
  | { readonly ok: false; readonly response: Response }
> {
  const who = await findSiteManager(words);
  if (!who.ok) return who;
  const body = await readBody(request, schema);
  if (!body.ok) return body;
  const actor = who.person.id;
  const { pin } = body.value;
  const refused = await refuseSignatures(sharedDatabase(), [{ person: actor, pin }]);
  return refused ? { ok: false, response: refused } : { ok: true, actor, value: body.value };
}
