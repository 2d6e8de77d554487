import { sharedDatabase } from '../../../server/database';
import { guarded } from '../../../server/guarded';
import { respondError } from '../../../server/respond';
import { findAnything } from '../../../server/search';
import { findMe } from '../../../server/session';

/** A longer question is cut off here: nobody types more. */
const MOST_ASKED = 200;

/** Jobs, permits and things of the site by whatever a person knows of them. */
export const GET = guarded(async (request: Request): Promise<Response> => {
  if (!(await findMe())) return respondError(401, 'Sign in first.');
  const question = new URL(request.url).searchParams.get('q') ?? '';
  return Response.json(findAnything(sharedDatabase(), question.slice(0, MOST_ASKED)));
});
