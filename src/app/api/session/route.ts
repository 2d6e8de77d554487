import { z } from 'zod';
import { sharedDatabase } from '../../../server/database';
import { checkPin } from '../../../server/pins';
import { readBody, respondError } from '../../../server/respond';
import { openSession } from '../../../server/session';

const schema = z.strictObject({
  person: z.string().min(1).max(80),
  pin: z.string().min(1).max(20),
});

/** Signs a person in. */
export async function POST(request: Request): Promise<Response> {
  const body = await readBody(request, schema);
  if (!body.ok) return body.response;
  const answer = await checkPin(sharedDatabase(), body.value.person, body.value.pin);
  if (answer === 'too-many-tries')
    return respondError(429, 'Too many wrong PINs. Wait ten minutes, or ask the coordinator.');
  if (answer === 'wrong') return respondError(401, 'That PIN is not right.');
  const session = await openSession();
  session.person = body.value.person;
  await session.save();
  return Response.json({ ok: true });
}

/** Signs out. */
export async function DELETE(): Promise<Response> {
  (await openSession()).destroy();
  return Response.json({ ok: true });
}
