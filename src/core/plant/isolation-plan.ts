/** The links that a plan closes and locks, the outlets it opens, the stores it restrains, and the links that it locks open. */
export interface IsolationPlan {
  readonly close: readonly string[];
  readonly open: readonly string[];
  readonly restrain: readonly string[];
  readonly stand?: readonly string[];
}

/** A plan of nothing. */
export const EMPTY_PLAN: IsolationPlan = { close: [], open: [], restrain: [] };

/** The lists of a plan. */
export const PLAN_PARTS = ['close', 'open', 'restrain', 'stand'] as const;
export type PlanPart = (typeof PLAN_PARTS)[number];

/** The points of one list of a plan. */
export const pointsOf = (plan: IsolationPlan, part: PlanPart): readonly string[] =>
  plan[part] ?? [];

/** A plan with each of its lists changed; what is locked open is left out when there is none. */
export function mapPlan(
  plan: IsolationPlan,
  change: (ids: readonly string[], part: PlanPart) => readonly string[],
): IsolationPlan {
  const stand = change(pointsOf(plan, 'stand'), 'stand');
  return {
    close: change(plan.close, 'close'),
    open: change(plan.open, 'open'),
    restrain: change(plan.restrain, 'restrain'),
    ...(stand.length > 0 ? { stand } : {}),
  };
}

/** Every point of a plan, list by list. */
export const listPlanPoints = (plan: IsolationPlan): string[] =>
  PLAN_PARTS.flatMap((part) => pointsOf(plan, part));
