import { sharedDatabase } from '../../../../../server/database';
import { drawPlan } from '../../../../../server/planning';
import { answerOnPlan } from '../../plan-body';
import { guarded } from '../../../../../server/guarded';

/** The diagram round the work with every point of a plan on it. Changes nothing. */
export const POST = guarded(
  (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
    answerOnPlan(request, params, (jobId, plan, who) =>
      drawPlan(sharedDatabase(), jobId, plan, who),
    ),
);
