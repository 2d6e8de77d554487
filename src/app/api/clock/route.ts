import { z } from 'zod';
import { moveClock } from '../../../server/clock';
import { sharedDatabase } from '../../../server/database';
import { readBody, respondError } from '../../../server/respond';
import { findCoordinator } from '../../../server/session';
import { guarded } from '../../../server/guarded';

const schema = z.strictObject({ hours: z.number().gt(0).max(240) });

/** Moves the demonstration's clock forward. There is no such route outside the demonstration. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  if (process.env.LANTERN_DEMO !== '1') return respondError(404, 'There is no such page.');
  const who = await findCoordinator('Only a coordinator moves the demonstration clock.');
  if (!who.ok) return who.response;
  const body = await readBody(request, schema);
  return body.ok
    ? Response.json({ ok: true, now: moveClock(sharedDatabase(), body.value.hours, who.person.id) })
    : body.response;
});
