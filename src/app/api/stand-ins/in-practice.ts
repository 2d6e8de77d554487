import type { Person } from '../../../core/people/people';
import { respondError } from '../../../server/respond';
import { findMe } from '../../../server/session';

/** Answers on behalf of the stand-ins, to whoever is signed in. There are none outside the demonstration. */
export async function answerInPractice(
  work: (me: Person) => Response | Promise<Response>,
): Promise<Response> {
  if (process.env.LANTERN_DEMO !== '1') return respondError(404, 'There is no such page.');
  const me = await findMe();
  return me ? work(me) : respondError(401, 'Sign in first.');
}
