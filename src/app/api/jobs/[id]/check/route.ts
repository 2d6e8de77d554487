import { sharedDatabase } from '../../../../../server/database';
import { tryPlan } from '../../../../../server/planning';
import { answerOnPlan } from '../../plan-body';
import { guarded } from '../../../../../server/guarded';

/** Checks a plan while it is edited. Keeps nothing. */
export const POST = guarded(
  (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    return answerOnPlan(request, params, (id, plan) => tryPlan(sharedDatabase(), id, plan));
  },
);
