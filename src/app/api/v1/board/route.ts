import { findCaller } from '../../../../server/caller';
import { sharedDatabase } from '../../../../server/database';
import { readBoard } from '../../../../server/watch';
import { guarded } from '../../../../server/guarded';

/** The live board: permits that are out, what needs someone next, clashes, counts. */
export const GET = guarded(async (request: Request): Promise<Response> => {
  const db = sharedDatabase();
  const caller = await findCaller(db, request, 'read');
  return caller.ok ? Response.json(readBoard(db)) : caller.response;
});
