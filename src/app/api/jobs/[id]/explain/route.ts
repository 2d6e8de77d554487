import { sharedDatabase } from '../../../../../server/database';
import { explainPlan } from '../../../../../server/planning';
import { answerOnPlan } from '../../plan-body';
import { guarded } from '../../../../../server/guarded';

/** Why each point of a plan is there, and what one failure more would mean. Keeps nothing. */
export const POST = guarded(
  (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    return answerOnPlan(request, params, (id, plan) => explainPlan(sharedDatabase(), id, plan));
  },
);
