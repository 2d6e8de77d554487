import { z } from 'zod';
import { sharedDatabase } from '../../../../../server/database';
import { tryPlan } from '../../../../../server/planning';
import { readBody, respondError } from '../../../../../server/respond';
import { findMe } from '../../../../../server/session';

const ids = z.array(z.string().min(1).max(80)).max(500);
const schema = z.strictObject({ close: ids, open: ids, restrain: ids });

/** Checks a plan while it is edited. Keeps nothing. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  if (!(await findMe())) return respondError(401, 'Sign in first.');
  const body = await readBody(request, schema);
  if (!body.ok) return body.response;
  const { id } = await params;
  const result = tryPlan(sharedDatabase(), id, body.value);
  return result ? Response.json(result) : respondError(404, `There is no job ${id.slice(0, 40)}.`);
}
