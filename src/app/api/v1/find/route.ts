import { z } from 'zod';
import { findCaller } from '../../../../server/caller';
import { sharedDatabase } from '../../../../server/database';
import { respondError } from '../../../../server/respond';
import { findAnything } from '../../../../server/search';
import { guarded } from '../../../../server/guarded';

const schema = z.string().trim().min(1).max(200);

/** Finds jobs and things of the site by number, tag, person, lock, date or word. */
export const GET = guarded(async (request: Request): Promise<Response> => {
  const db = sharedDatabase();
  const caller = await findCaller(db, request, 'read');
  if (!caller.ok) return caller.response;
  const read = schema.safeParse(new URL(request.url).searchParams.get('q'));
  return read.success
    ? Response.json(findAnything(db, read.data))
    : respondError(400, 'q: one to 200 characters to find');
});
