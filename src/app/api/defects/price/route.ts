import { z } from 'zod';
import { sharedDatabase } from '../../../../server/database';
import { readPrice } from '../../../../server/defects';
import { guarded } from '../../../../server/guarded';
import { respondError } from '../../../../server/respond';
import { findMe } from '../../../../server/session';

const schema = z.object({
  number: z.coerce.number().int().min(1),
  job: z.string().min(1).max(80),
});

/** What a defect costs a job: its fewest points with the defect and as if it were mended. Changes nothing. */
export const GET = guarded(async (request: Request): Promise<Response> => {
  const me = await findMe();
  if (!me) return respondError(401, 'Sign in first.');
  const read = schema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!read.success) {
    return respondError(400, 'Say which defect (number) and which job (job).');
  }
  const price = await readPrice(sharedDatabase(), read.data, me.id);
  return price === undefined
    ? respondError(404, 'There is no such defect that counts, or no such job that is open.')
    : Response.json({ ok: true, price });
});
