import { sharedDatabase } from '../../../../../server/database';
import { readProblem } from '../../../../../server/planning';
import { answerAboutJob } from '../../about-job';
import { guarded } from '../../../../../server/guarded';

/** The planning problem of a job, for the planner that runs beside the screen. Changes nothing. */
export const GET = guarded(
  (_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
    answerAboutJob(params, (id) => readProblem(sharedDatabase(), id)),
);
