import { z } from 'zod';
import { sharedDatabase } from '../../../server/database';
import { guarded } from '../../../server/guarded';
import { checkPin, pinSchema } from '../../../server/pins';
import { readBody, respondError } from '../../../server/respond';
import { enrolDesk, findOwnDevice, findPinSource, openSession } from '../../../server/session';
import { beginSession, endSession, replaceSession } from '../../../server/sessions';

const schema = z.strictObject({
  person: z.string().min(1).max(80),
  pin: pinSchema,
});

/** Signs a person in. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const body = await readBody(request, schema);
  if (!body.ok) return body.response;
  const { person, pin } = body.value;
  const db = sharedDatabase();
  const source = await findPinSource();
  const answer = await checkPin(db, person, pin, { source, purpose: 'sign-in' });
  if (answer === 'too-many-tries')
    return respondError(
      429,
      'Too many wrong PINs from here. Wait ten minutes, or sign in at another desk.',
    );
  if (answer === 'wrong') return respondError(401, 'That PIN is not right.');
  const session = await openSession();
  if (session.secret !== undefined) replaceSession(db, session.secret);
  session.secret = beginSession(db, person, (await findOwnDevice())?.kind);
  await session.save();
  await enrolDesk(person);
  return Response.json({ ok: true });
});

/** Signs out: the session ends on the server, and with it every page and stream that goes by it. */
export const DELETE = guarded(async (): Promise<Response> => {
  const session = await openSession();
  if (session.secret !== undefined) endSession(sharedDatabase(), session.secret);
  session.destroy();
  return Response.json({ ok: true });
});
