import { z } from 'zod';
import { sharedDatabase } from '../../../server/database';
import { respondError } from '../../../server/respond';
import { readSigned } from '../../../server/sign';
import { makeToken, revokeToken, TOKEN_SCOPES } from '../../../server/tokens';
import { guarded } from '../../../server/guarded';
import { pinSchema } from '../../../server/pins';

const pin = pinSchema;
const schema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('make-token'),
    name: z.string().trim().min(1).max(80),
    scope: z.enum(TOKEN_SCOPES),
    pin,
  }),
  z.strictObject({ kind: z.literal('revoke-token'), id: z.string().min(1).max(40), pin }),
]);

/** Makes or revokes a token of the interface, signed by a site manager with a fresh PIN. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const words = 'Only a site manager may make or revoke tokens.';
  const signed = await readSigned(request, schema, words);
  if (!signed.ok) return signed.response;
  const { actor, value: command } = signed;
  const db = sharedDatabase();
  if (command.kind === 'make-token') {
    return Response.json({ ok: true, ...makeToken(db, { ...command, actor }) });
  }
  return revokeToken(db, command.id, actor)
    ? Response.json({ ok: true })
    : respondError(404, 'There is no such token, or it has ended.');
});
