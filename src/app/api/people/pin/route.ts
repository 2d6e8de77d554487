import { z } from 'zod';
import { sharedDatabase } from '../../../../server/database';
import { guarded } from '../../../../server/guarded';
import { setOwnPin } from '../../../../server/people';
import { readNames } from '../../../../server/registers';
import { readBody, respondError } from '../../../../server/respond';
import { findPinSource } from '../../../../server/session';
import { pinSchema } from '../../../../server/pins';

const schema = z.strictObject({
  person: z.string().min(1).max(40),
  code: z.string().min(1).max(40),
  pin: pinSchema,
});

/** Sets one's own PIN with the code that was made for it. Whoever does so is told who made the code. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const body = await readBody(request, schema);
  if (!body.ok) return body.response;
  const db = sharedDatabase();
  const done = await setOwnPin(db, body.value, await findPinSource());
  if (done.ok) {
    const names = readNames(db);
    return Response.json({ ok: true, by: done.by.map((id) => names[id] ?? id), at: done.at });
  }
  switch (done.answer) {
    case 'too-many-tries':
      return respondError(429, 'Too many wrong codes from here. Wait ten minutes.');
    case 'wrong':
      return respondError(403, 'That code is not right, or it has been used or has run out.', [
        'A site manager makes a new one.',
      ]);
    case 'unfit':
      return respondError(422, 'This PIN cannot be taken.', [done.fault]);
  }
});
