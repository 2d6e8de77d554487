import { sharedDatabase } from '../../../../../server/database';
import { listTemplates } from '../../../../../server/templates';
import { answerAboutJob } from '../../about-job';
import { guarded } from '../../../../../server/guarded';

/** Plans of other jobs on the same equipment, and what has changed in the plant since each. Changes nothing. */
export const GET = guarded(
  (_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
    answerAboutJob(params, (id) => listTemplates(sharedDatabase(), id)),
);
