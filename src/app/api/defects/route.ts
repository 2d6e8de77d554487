import { z } from 'zod';
import { defectCommandSchema } from '../../../core/defects';
import { sharedDatabase } from '../../../server/database';
import { carryOutDefect } from '../../../server/defects';
import { guarded } from '../../../server/guarded';
import { readBody, respondError } from '../../../server/respond';
import { findMe } from '../../../server/session';
import { refuseSignatures, signaturesSchema } from '../../../server/sign';

const schema = z.strictObject({ command: defectCommandSchema, signatures: signaturesSchema });

/** Reports a defect, says what stands in for it, records its repair and its proof. */
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
  const answer = carryOutDefect(db, { command, actor: me.id, signed });
  return Response.json(answer, { status: answer.ok ? 200 : 409 });
});
