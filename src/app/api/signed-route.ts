import { z } from 'zod';
import type { Db } from '../../db';
import { sharedDatabase } from '../../server/database';
import { guarded } from '../../server/guarded';
import { readBody, respondError } from '../../server/respond';
import { findMe } from '../../server/session';
import { refuseSignatures, signaturesSchema } from '../../server/sign';
import type { RecordAnswer } from '../../server/site-record';

/** A route that takes commands about a record of the site, each signed by fresh PINs as far as it has to be. */
export function takeSigned<Command>(
  commandSchema: z.ZodType<Command>,
  carryOut: (
    db: Db,
    given: {
      readonly command: Command;
      readonly actor: string;
      readonly signed: readonly string[];
    },
  ) => RecordAnswer,
): (request: Request) => Promise<Response> {
  const schema = z.strictObject({ command: commandSchema, signatures: signaturesSchema });
  return guarded(async (request: Request): Promise<Response> => {
    const me = await findMe();
    if (!me) return respondError(401, 'Sign in first.');
    const body = await readBody(request, schema);
    if (!body.ok) return body.response;
    const { signatures, command } = body.value;
    const db = sharedDatabase();
    const refused = await refuseSignatures(db, signatures);
    if (refused) return refused;
    const signed = signatures.map(({ person }) => person);
    const answer = carryOut(db, { command, actor: me.id, signed });
    return Response.json(answer, { status: answer.ok ? 200 : 409 });
  });
}
