import { compareIds } from '../../plant/graph';
import { pointsOf, type IsolationPlan, type PlanPart } from '../../plant/isolation-plan';
import type { Stage } from './stages';

/** Every point that is ever set for a plan: its own, and those of the valved stage under which its barriers are fitted. In the order of ids. */
export function joinStages(
  plan: IsolationPlan & { readonly stages: readonly Stage[] },
): IsolationPlan {
  const stages = plan.stages.filter(({ name }) => name === 'valved');
  const all = (part: PlanPart) =>
    [...new Set([plan, ...stages].flatMap((one) => pointsOf(one, part)))].sort(compareIds);
  const stand = all('stand');
  const points = { close: all('close'), open: all('open'), restrain: all('restrain') };
  return stand.length > 0 ? { ...points, stand } : points;
}
