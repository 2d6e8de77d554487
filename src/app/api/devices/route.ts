import { z } from 'zod';
import { sharedDatabase } from '../../../server/database';
import { deviceSchema, endDevice, enrolDevice } from '../../../server/devices';
import { guarded } from '../../../server/guarded';
import { readBody, respondError } from '../../../server/respond';
import { findSiteManager, keepDevice } from '../../../server/session';
import { refuseSignatures } from '../../../server/sign';

const pin = z.string().min(1).max(20);
const schema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('enrol'), device: deviceSchema, pin }),
  z.strictObject({ kind: z.literal('end'), id: z.string().min(1).max(40), pin }),
]);

/** Enrols the device that asks, or ends an enrolment, signed by a site manager with a fresh PIN. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const who = await findSiteManager('Only a site manager may enrol devices.');
  if (!who.ok) return who.response;
  const body = await readBody(request, schema);
  if (!body.ok) return body.response;
  const db = sharedDatabase();
  const actor = who.person.id;
  const command = body.value;
  const refused = await refuseSignatures(db, [{ person: actor, pin: command.pin }]);
  if (refused) return refused;
  if (command.kind === 'enrol') {
    await keepDevice(enrolDevice(db, command.device, actor));
    return Response.json({ ok: true });
  }
  return endDevice(db, command.id, actor)
    ? Response.json({ ok: true })
    : respondError(404, 'There is no such device, or its enrolment has ended.');
});
