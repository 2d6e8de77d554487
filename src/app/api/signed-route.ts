import type { z } from 'zod';
import type { Db } from '../../db';
import { sharedDatabase } from '../../server/database';
import { guarded } from '../../server/guarded';
import { readBody, respondError } from '../../server/respond';
import { findMe } from '../../server/session';
import { refuseSignatures, type signaturesSchema } from '../../server/sign';
import type { RecordAnswer } from '../../server/site-record';

/** What every such request holds beside its command. */
interface Sent {
  readonly signatures: z.infer<typeof signaturesSchema>;
}

/** Who gives a command, and whose PINs were checked. */
interface Signed {
  readonly actor: string;
  readonly signed: readonly string[];
}

/** A route that takes commands about a record of the site, each signed by fresh PINs as far as it has to be. */
export function takeSigned<Body extends Sent>(
  schema: z.ZodType<Body>,
  carryOut: (db: Db, given: Omit<Body, 'signatures'> & Signed) => RecordAnswer,
): (request: Request) => Promise<Response> {
  return guarded(async (request: Request): Promise<Response> => {
    const me = await findMe();
    if (!me) return respondError(401, 'Sign in first.');
    const body = await readBody(request, schema);
    if (!body.ok) return body.response;
    const { signatures, ...given } = body.value;
    const db = sharedDatabase();
    const refused = await refuseSignatures(db, signatures);
    if (refused) return refused;
    const signed = signatures.map(({ person }) => person);
    const answer = carryOut(db, { ...given, actor: me.id, signed });
    return Response.json(answer, { status: answer.ok ? 200 : 409 });
  });
}
