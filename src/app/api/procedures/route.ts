import { z } from 'zod';
import { procedureCommandSchema } from '../../../core/procedures';
import { sharedDatabase } from '../../../server/database';
import { guarded } from '../../../server/guarded';
import { carryOutProcedure } from '../../../server/procedures';
import { readBody, respondError } from '../../../server/respond';
import { findMe } from '../../../server/session';
import { refuseSignatures, signaturesSchema } from '../../../server/sign';

const schema = z.strictObject({ command: procedureCommandSchema, signatures: signaturesSchema });

/** Writes a procedure down from a job that was carried out, renews it, records its inspection, withdraws it. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const me = await findMe();
  if (!me) return respondError(401, 'Sign in first.');
  const body = await readBody(request, schema);
  if (!body.ok) return body.response;
  const { signatures, command } = body.value;
  const db = sharedDatabase();
  const refused = await refuseSignatures(db, signatures);
  if (refused) return refused;
  const signed = signatures.map(({ person }) => person);
  const answer = carryOutProcedure(db, { command, actor: me.id, signed });
  return Response.json(answer, { status: answer.ok ? 200 : 409 });
});
