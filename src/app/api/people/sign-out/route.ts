import { z } from 'zod';
import { sharedDatabase } from '../../../../server/database';
import { guarded } from '../../../../server/guarded';
import { endSessionsOf } from '../../../../server/people';
import { readSigned } from '../../../../server/sign';
import { pinSchema } from '../../../../server/pins';

const schema = z.strictObject({
  /** Whose sessions end; everybody's, but of whoever asks, where nobody is named. */
  person: z.string().min(1).max(40).optional(),
  pin: pinSchema,
});

/** Signs somebody out everywhere at once, or everybody else. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const signed = await readSigned(request, schema, 'Only a site manager may sign others out.');
  if (!signed.ok) return signed.response;
  const { actor, value } = signed;
  return Response.json({ ok: true, ended: endSessionsOf(sharedDatabase(), value.person, actor) });
});
