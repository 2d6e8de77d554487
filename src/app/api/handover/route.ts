import { z } from 'zod';
import { handoverCommandSchema } from '../../../core/handover';
import { sharedDatabase } from '../../../server/database';
import { carryOutHandover } from '../../../server/handover';
import { readBody, respondError } from '../../../server/respond';
import { findMe } from '../../../server/session';
import { refuseSignatures, signaturesSchema } from '../../../server/sign';
import { guarded } from '../../../server/guarded';

const schema = z.strictObject({
  command: handoverCommandSchema,
  expected: z.int().min(0),
  /** Which report was read, for a handover. */
  digest: z.string().max(64).optional(),
  signatures: signaturesSchema,
});

/** Hands a shift over, signs for reading a handover, or keeps a promise; each signature is a fresh PIN. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const me = await findMe();
  if (!me) return respondError(401, 'Sign in first.');
  const body = await readBody(request, schema);
  if (!body.ok) return body.response;
  const { signatures, ...rest } = body.value;
  const db = sharedDatabase();
  const refused = await refuseSignatures(db, signatures);
  if (refused) return refused;
  const signed = signatures.map(({ person }) => person);
  const answer = carryOutHandover(db, { ...rest, actor: me.id, signed });
  return Response.json(answer, { status: answer.ok ? 200 : 409 });
});
