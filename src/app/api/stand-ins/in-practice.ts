import { respondError } from '../../../server/respond';
import { findMe } from '../../../server/session';

/** Answers on behalf of the stand-ins, to whoever is signed in. There are none outside the demonstration. */
export async function answerInPractice(
  work: () => Response | Promise<Response>,
): Promise<Response> {
  if (process.env.LANTERN_DEMO !== '1') return respondError(404, 'There is no such page.');
  return (await findMe()) ? work() : respondError(401, 'Sign in first.');
}
