import { sharedDatabase } from '../../../server/database';
import { respondError } from '../../../server/respond';
import { findMe } from '../../../server/session';
import { readBoard } from '../../../server/watch';

/** The live board as it stands. */
export async function GET(): Promise<Response> {
  if (!(await findMe())) return respondError(401, 'Sign in first.');
  return Response.json(readBoard(sharedDatabase()));
}
