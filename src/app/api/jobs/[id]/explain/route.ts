import { sharedDatabase } from '../../../../../server/database';
import { explainPlan } from '../../../../../server/planning';
import { answerOnPlan } from '../../plan-body';

/** Why each point of a plan is there, and what one failure more would mean. Keeps nothing. */
export function POST(
  request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  return answerOnPlan(request, params, (id, plan) => explainPlan(sharedDatabase(), id, plan));
}
