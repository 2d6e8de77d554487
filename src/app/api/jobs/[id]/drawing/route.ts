import { sharedDatabase } from '../../../../../server/database';
import { drawJob } from '../../../../../server/planning';
import { answerWithDrawing } from '../../plan-body';
import { guarded } from '../../../../../server/guarded';

/** The diagram round the work with every point of a plan, and the ways of some sources, on it. Changes nothing. */
export const POST = guarded(
  (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
    answerWithDrawing(request, params, (jobId, drawing, who) =>
      drawJob(sharedDatabase(), jobId, drawing, who),
    ),
);
