import { z } from 'zod';
import { ACTIVITIES, type Activity } from '../../../core/plant';
import { respondError } from '../../../server/respond';
import { findMe } from '../../../server/session';

const id = z.string().min(1).max(80);
const asked = z.strictObject({ section: id, activity: z.enum(ACTIVITIES).default('open') });

/** Answers a question about a section to whoever is signed in. Changes nothing. */
export async function answerAboutSection(
  request: Request,
  work: (section: string, activity: Activity, who: string) => unknown,
): Promise<Response> {
  const me = await findMe();
  if (!me) return respondError(401, 'Sign in first.');
  const read = asked.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!read.success) {
    const problems = read.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`);
    return respondError(400, 'The question does not fit.', problems);
  }
  const { section, activity } = read.data;
  const found = await work(section, activity, me.id);
  return found === undefined
    ? respondError(404, `The plant has no section ${section.slice(0, 40)}.`)
    : Response.json(found);
}
