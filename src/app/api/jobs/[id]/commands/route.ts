import { z } from 'zod';
import { sharedDatabase } from '../../../../../server/database';
import { carryOut, commandSchema } from '../../../../../server/jobs';
import { checkPin } from '../../../../../server/pins';
import { readBody, respondError } from '../../../../../server/respond';
import { findMe } from '../../../../../server/session';

const schema = z.strictObject({
  command: commandSchema,
  expected: z.int().min(0),
  key: z.string().min(8).max(64),
  /** When it was entered on a device that could not reach the server then. */
  enteredAt: z.iso.datetime().optional(),
  signatures: z
    .array(z.strictObject({ person: z.string().min(1).max(80), pin: z.string().max(20) }))
    .max(4),
});

/** Carries out one command on a job. Each signature is a fresh PIN, checked before anything is decided. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  const me = await findMe();
  if (!me) return respondError(401, 'Sign in first.');
  const body = await readBody(request, schema);
  if (!body.ok) return body.response;
  const { signatures, ...rest } = body.value;
  const db = sharedDatabase();
  for (const { person, pin } of signatures) {
    const answer = await checkPin(db, person, pin);
    if (answer === 'too-many-tries')
      return respondError(429, `Too many wrong PINs for ${person}. Wait ten minutes.`);
    if (answer === 'wrong')
      return respondError(403, 'A PIN is not right. Nothing was signed.', [person]);
  }
  const answer = carryOut(db, {
    ...rest,
    jobId: (await params).id,
    actor: me.id,
    signed: signatures.map(({ person }) => person),
  });
  return Response.json(answer, { status: answer.ok ? 200 : 409 });
}
