import { sharedDatabase } from '../../../../../server/database';
import { computeAnswers } from '../../../../../server/planning';
import { respondError } from '../../../../../server/respond';
import { findMe } from '../../../../../server/session';

/** Computes the isolations for a job: least effort, least outage, fewest points. Changes nothing. */
export async function POST(
  _request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  if (!(await findMe())) return respondError(401, 'Sign in first.');
  const { id } = await params;
  const result = await computeAnswers(sharedDatabase(), id);
  return result ? Response.json(result) : respondError(404, `There is no job ${id.slice(0, 40)}.`);
}
