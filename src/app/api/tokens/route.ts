import { z } from 'zod';
import { sharedDatabase } from '../../../server/database';
import { readBody, respondError } from '../../../server/respond';
import { findSiteManager } from '../../../server/session';
import { refuseSignatures } from '../../../server/sign';
import { makeToken, revokeToken, TOKEN_SCOPES } from '../../../server/tokens';
import { guarded } from '../../../server/guarded';

const pin = z.string().min(1).max(20);
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
  const who = await findSiteManager('Only a site manager may make or revoke tokens.');
  if (!who.ok) return who.response;
  const body = await readBody(request, schema);
  if (!body.ok) return body.response;
  const db = sharedDatabase();
  const actor = who.person.id;
  const command = body.value;
  const refused = await refuseSignatures(db, [{ person: actor, pin: command.pin }]);
  if (refused) return refused;
  if (command.kind === 'make-token') {
    return Response.json({ ok: true, ...makeToken(db, { ...command, actor }) });
  }
  return revokeToken(db, command.id, actor)
    ? Response.json({ ok: true })
    : respondError(404, 'There is no such token, or it has ended.');
});
