import { ROLE_NAMES } from '../../../core/people/people';
import { sharedDatabase } from '../../../server/database';
import { guarded } from '../../../server/guarded';
import { listPeople } from '../../../server/registers';
import { respondError } from '../../../server/respond';
import { findMe } from '../../../server/session';

/** Who may take over at a desk, with what each is: asked for when somebody is about to. */
export const GET = guarded(async (): Promise<Response> => {
  if (!(await findMe())) return respondError(401, 'Sign in first.');
  const people = listPeople(sharedDatabase()).map(({ id, name, employer, authorisations }) => ({
    id,
    name,
    is: authorisations[0] ? ROLE_NAMES[authorisations[0].role] : employer,
  }));
  return Response.json(people);
});
