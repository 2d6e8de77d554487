import { z } from 'zod';
import { readBody, respondError } from '../../../server/respond';
import { findMe } from '../../../server/session';
import { answerAboutJob } from './about-job';
import type { IsolationPlan } from '../../../core/plant';

const ids = z.array(z.string().min(1).max(80)).max(500);
const schema = z.strictObject({ close: ids, open: ids, restrain: ids, stand: ids.optional() });

/** Answers a question about a plan on a job: who asks is known, the plan is well formed, the job exists. */
export async function answerOnPlan(
  request: Request,
  params: Promise<{ id: string }>,
  work: (jobId: string, plan: IsolationPlan, who: string) => unknown,
): Promise<Response> {
  const me = await findMe();
  if (!me) return respondError(401, 'Sign in first.');
  const body = await readBody(request, schema);
  return body.ok ? answerAboutJob(params, (id) => work(id, body.value, me.id)) : body.response;
}
