import { z } from 'zod';
import { moveClock } from '../../../server/clock';
import { sharedDatabase } from '../../../server/database';
import { readBody, respondError } from '../../../server/respond';
import { findMe } from '../../../server/session';

const schema = z.strictObject({ hours: z.number().gt(0).max(240) });

/** Moves the demonstration's clock forward. There is no such route outside the demonstration. */
export async function POST(request: Request): Promise<Response> {
  if (process.env.LANTERN_DEMO !== '1') return respondError(404, 'There is no such page.');
  const me = await findMe();
  if (!me) return respondError(401, 'Sign in first.');
  if (!me.authorisations.some(({ role }) => role === 'coordinator')) {
    return respondError(403, 'Only a coordinator moves the demonstration clock.');
  }
  const body = await readBody(request, schema);
  return body.ok
    ? Response.json({ ok: true, now: moveClock(sharedDatabase(), body.value.hours) })
    : body.response;
}
