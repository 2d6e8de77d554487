import { z } from 'zod';
import { hasLeft, ROLE_NAMES } from '../../../core/people/people';
import { readNow } from '../../../server/clock';
import { personSchema } from '../../../core/people/schema';
import { sharedDatabase } from '../../../server/database';
import { guarded } from '../../../server/guarded';
import { changePeople } from '../../../server/people';
import { respondChange } from '../../../server/people-requests';
import { listPeople } from '../../../server/registers';
import { readBody, respondError } from '../../../server/respond';
import { findMe, findSiteManager } from '../../../server/session';
import { refuseSignatures } from '../../../server/sign';

/** Who may take over at a desk, with what each is: asked for when somebody is about to. */
export const GET = guarded(async (): Promise<Response> => {
  if (!(await findMe())) return respondError(401, 'Sign in first.');
  const now = readNow(sharedDatabase());
  const people = listPeople(sharedDatabase())
    .filter((person) => !hasLeft(person, now))
    .map(({ id, name, employer, authorisations }) => ({
      id,
      name,
      is: authorisations[0] ? ROLE_NAMES[authorisations[0].role] : employer,
    }));
  return Response.json(people);
});

const schema = z.strictObject({
  person: personSchema,
  expected: z.int().min(0),
  pin: z.string().min(1).max(20),
});

/** Adds or changes a person, signed by a site manager with a fresh PIN. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const who = await findSiteManager('Only a site manager may change people.');
  if (!who.ok) return who.response;
  const body = await readBody(request, schema);
  if (!body.ok) return body.response;
  const { person, expected, pin } = body.value;
  const db = sharedDatabase();
  const actor = who.person.id;
  const refused = await refuseSignatures(db, [{ person: actor, pin }]);
  return refused ?? respondChange(changePeople(db, { people: [person], expected, actor }));
});
