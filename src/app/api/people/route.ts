import { z } from 'zod';
import { hasLeft, ROLE_NAMES } from '../../../core/people/people';
import { readNow } from '../../../server/clock';
import { personSchema } from '../../../core/people/schema';
import { sharedDatabase } from '../../../server/database';
import { guarded } from '../../../server/guarded';
import { changePeople } from '../../../server/people';
import { respondChange } from '../../../server/respond-change';
import { listPeople } from '../../../server/registers';
import { respondError } from '../../../server/respond';
import { findMe } from '../../../server/session';
import { readSigned } from '../../../server/sign';
import { pinSchema } from '../../../server/pins';

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
  pin: pinSchema,
});

/** Adds or changes a person, signed by a site manager with a fresh PIN. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const signed = await readSigned(request, schema, 'Only a site manager may change people.');
  if (!signed.ok) return signed.response;
  const { actor, value } = signed;
  const { person, expected } = value;
  return respondChange(changePeople(sharedDatabase(), { people: [person], expected, actor }));
});
