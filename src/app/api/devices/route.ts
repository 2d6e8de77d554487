import { z } from 'zod';
import { sharedDatabase } from '../../../server/database';
import { deviceSchema, endDevice, enrolDevice } from '../../../server/devices';
import { guarded } from '../../../server/guarded';
import { respondError } from '../../../server/respond';
import { keepDevice } from '../../../server/session';
import { readSigned } from '../../../server/sign';
import { pinSchema } from '../../../server/pins';

const pin = pinSchema;
const schema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('enrol'), device: deviceSchema, pin }),
  z.strictObject({ kind: z.literal('end'), id: z.string().min(1).max(40), pin }),
]);

/** Enrols the device that asks, or ends an enrolment, signed by a site manager with a fresh PIN. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const signed = await readSigned(request, schema, 'Only a site manager may enrol devices.');
  if (!signed.ok) return signed.response;
  const { actor, value: command } = signed;
  const db = sharedDatabase();
  if (command.kind === 'enrol') {
    await keepDevice(enrolDevice(db, command.device, actor));
    return Response.json({ ok: true });
  }
  return endDevice(db, command.id, actor)
    ? Response.json({ ok: true })
    : respondError(404, 'There is no such device, or its enrolment has ended.');
});
