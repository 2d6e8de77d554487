import { z } from 'zod';
import { readBody, respondError } from '../../../server/respond';
import { findMe } from '../../../server/session';
import { answerAboutJob } from './about-job';
import type { IsolationPlan } from '../../../core/plant';
import type { JobDrawing } from '../../../server/planning';

/** Ids of things of the plant, as bodies hold them. */
export const ids = z.array(z.string().min(1).max(80)).max(500);
const planBody = z.strictObject({ close: ids, open: ids, restrain: ids, stand: ids.optional() });
const drawingBody = planBody.extend({ opened: ids.default([]), sources: ids.default([]) });

type Params = Promise<{ id: string }>;

/** Answers a question about a job that has a body: who asks is known, the body is well formed, the job exists. */
async function answerOn<Schema extends z.ZodType>(
  request: Request,
  params: Params,
  schema: Schema,
  work: (jobId: string, asked: z.infer<Schema>, who: string) => unknown,
): Promise<Response> {
  const me = await findMe();
  if (!me) return respondError(401, 'Sign in first.');
  const body = await readBody(request, schema);
  return body.ok ? answerAboutJob(params, (id) => work(id, body.value, me.id)) : body.response;
}

/** Answers a question about a plan on a job. */
export const answerOnPlan = (
  request: Request,
  params: Params,
  work: (jobId: string, plan: IsolationPlan, who: string) => unknown,
): Promise<Response> => answerOn(request, params, planBody, work);

/** Answers what a job's diagram looks like with a plan, some sources' ways and what was opened on it. */
export const answerWithDrawing = (
  request: Request,
  params: Params,
  work: (jobId: string, drawing: JobDrawing, who: string) => unknown,
): Promise<Response> =>
  answerOn(request, params, drawingBody, (id, { opened, sources, ...plan }, who) =>
    work(id, { plan, opened, sources }, who),
  );
