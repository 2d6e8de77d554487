import { respondError } from '../../../server/respond';
import { findMe } from '../../../server/session';

/** Answers a question about a job to whoever is signed in. Changes nothing. */
export async function answerAboutJob(
  params: Promise<{ id: string }>,
  work: (jobId: string) => unknown,
): Promise<Response> {
  if (!(await findMe())) return respondError(401, 'Sign in first.');
  const { id } = await params;
  const found = await work(id);
  return found === undefined
    ? respondError(404, `There is no job ${id.slice(0, 40)}.`)
    : Response.json(found);
}
