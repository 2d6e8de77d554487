import { sharedDatabase } from '../../../../../server/database';
import { readProblem } from '../../../../../server/planning';
import { answerAboutJob } from '../../about-job';

/** The planning problem of a job, for the planner that runs beside the screen. Changes nothing. */
export const GET = (
  _request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> => answerAboutJob(params, (id) => readProblem(sharedDatabase(), id));
