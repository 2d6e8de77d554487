import { z } from 'zod';
import { readBody, respondError } from '../../../server/respond';
import { findMe } from '../../../server/session';
import { answerAboutJob } from './about-job';
import type { IsolationPlan } from '../../../core/plant';
import type { JobDrawing } from '../../../server/planning';

const ids = z.array(z.string().min(1).max(80)).max(500);
const planBody = z.strictObject({ close: ids, open: ids, restrain: ids, stand: ids.optional() });
const drawingBody = planBody.extend({ opened: ids.default([]), sources: ids.default([]) });

/** Answers a question about a plan on a job: who asks is known, the plan is well formed, the job exists. */
export async function answerOnPlan(
  request: Request,
  params: Promise<{ id: string }>,
  work: (jobId: string, plan: IsolationPlan, who: string) => unknown,
): Promise<Response> {
  const me = await findMe();
  if (!me) return respondError(401, 'Sign in first.');
  const body = await readBody(request, planBody);
  return body.ok ? answerAboutJob(params, (id) => work(id, body.value, me.id)) : body.response;
}

/** Answers what a job's diagram looks like with a plan, some sources' ways and what was opened on it. */
export async function answerWithDrawing(
  request: Request,
  params: Promise<{ id: string }>,
  work: (jobId: string, drawing: JobDrawing, who: string) => unknown,
): Promise<Response> {
  const me = await findMe();
  if (!me) return respondError(401, 'Sign in first.');
  const body = await readBody(request, drawingBody);
  if (!body.ok) return body.response;
  const { opened, sources, ...plan } = body.value;
  return answerAboutJob(params, (id) => work(id, { plan, opened, sources }, me.id));
}
