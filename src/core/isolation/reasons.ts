import {
  PLAN_PARTS,
  pointsOf,
  type Grade,
  type IsolationPlan,
  type PlanPart,
  type PlantGraph,
} from '../plant';
import { checkPlan } from './check/check';
import type { FindingCode } from './findings';
import type { Requirement } from './requirement';

/** Why a point stands in a plan: what would stop the plan without it. */
export interface PointReason {
  readonly code: FindingCode;
  readonly subject: string;
  readonly words: string;
  /** The grade of the source that asks for it, and what gave it that grade; absent when the rule is not about a source. */
  readonly grade?: Grade;
  readonly because?: readonly string[];
}

/** One point of a plan with its reasons; none when the plan passes without it. */
export interface ExplainedPoint {
  readonly part: PlanPart;
  readonly id: string;
  readonly reasons: readonly PointReason[];
}

/**
 * Explains each point of a plan by taking it away: the findings that then stop the plan, and did not before, are why it is
 * there; when some are about a source, those alone. In the order of the plan.
 */
export function explainPoints(
  graph: PlantGraph,
  requirement: Requirement,
  plan: IsolationPlan,
): ExplainedPoint[] {
  const stopsOf = (one: IsolationPlan) =>
    checkPlan(graph, requirement, one).findings.filter(({ severity }) => severity === 'stops');
  const standing = new Set(stopsOf(plan).map(({ code, subject }) => `${code} ${subject}`));
  const demands = new Map(requirement.demands.map((demand) => [demand.id, demand]));
  return PLAN_PARTS.flatMap((part) =>
    pointsOf(plan, part).map((id) => {
      const less = { ...plan, [part]: pointsOf(plan, part).filter((other) => other !== id) };
      const reasons = stopsOf(less)
        .filter(({ code, subject }) => !standing.has(`${code} ${subject}`))
        .map(({ code, subject, words }): PointReason => {
          const demand = demands.get(subject);
          return {
            code,
            subject,
            words,
            ...(demand ? { grade: demand.grade, because: demand.reasons } : {}),
          };
        });
      const ofSources = reasons.filter(({ grade }) => grade !== undefined);
      return { part, id, reasons: ofSources.length > 0 ? ofSources : reasons };
    }),
  );
}
