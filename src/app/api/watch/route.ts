import { sharedDatabase } from '../../../server/database';
import { respondError } from '../../../server/respond';
import { findMe } from '../../../server/session';
import { readBoard } from '../../../server/watch';
import { guarded } from '../../../server/guarded';

/** The live board as it stands. */
export const GET = guarded(async (): Promise<Response> => {
  if (!(await findMe())) return respondError(401, 'Sign in first.');
  return Response.json(readBoard(sharedDatabase()));
});
