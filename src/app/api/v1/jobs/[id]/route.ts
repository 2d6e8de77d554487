import { findCaller } from '../../../../../server/caller';
import { sharedDatabase } from '../../../../../server/database';
import { readJobNow } from '../../../../../server/jobs';
import { respondError } from '../../../../../server/respond';
import { guarded } from '../../../../../server/guarded';

/** One job as it stands now, with its stage and what is holding it up. */
export const GET = guarded(
  async (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    const db = sharedDatabase();
    const caller = await findCaller(db, request, 'read');
    if (!caller.ok) return caller.response;
    const job = readJobNow(db, (await params).id);
    return job ? Response.json(job) : respondError(404, 'There is no such job.');
  },
);
