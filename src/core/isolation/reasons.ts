import {
  PLAN_PARTS,
  pointsOf,
  type Grade,
  type IsolationPlan,
  type PlanPart,
  type PlantGraph,
} from '../plant';
import { checkPlan } from './check/check';
import { computePlantState, type PlantState } from './bodies';
import type { Finding, FindingCode } from './findings';
import { listNames } from './lamps';
import { sayClosed, sayOpened } from './point-words';
import { asEmptied, type Requirement } from './requirement';

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
  /** What it does, in a sentence: what it holds back and where it stands, what it lets down, holds or keeps open. */
  readonly words: string;
}

const STANDING_FOR: Readonly<Partial<Record<FindingCode, string>>> = {
  'relief-lost': 'keeps relief in service for',
  'work-not-bled': 'is on the way that lets down',
  'shut-in-not-bled': 'is on the way that lets down what is shut in at',
  'double-bled-not-met': 'is on the way of the bleed for',
};

/** What a point does, in a sentence; told from what the check says without it. */
function sayPoint(
  graph: PlantGraph,
  requirement: Requirement,
  state: PlantState,
  { part, id }: Pick<ExplainedPoint, 'part' | 'id'>,
  without: readonly Finding[],
): string {
  const subjects = listNames(without.map(({ subject }) => subject));
  const says = {
    close: () => sayClosed(graph, requirement, state, id),
    open: () => sayOpened(graph, requirement, state, id, without),
    restrain: () => (subjects === '' ? [] : [`holds ${subjects} so that it cannot move`]),
    stand: () =>
      without.flatMap(({ code, subject }) => {
        const what = STANDING_FOR[code];
        return what === undefined ? [] : [`${what} ${subject}`];
      }),
  }[part]();
  return says.length > 0
    ? says.join('; ')
    : without.map(({ words }) => `without it: ${words}`).join('; ');
}

/**
 * Explains each point of a plan by taking it away: the findings that then stop the plan, and did not before, are why it is
 * there; when some are about a source, those alone. In the order of the plan.
 */
export function explainPoints(
  drawn: PlantGraph,
  requirement: Requirement,
  plan: IsolationPlan,
): ExplainedPoint[] {
  const stopsOf = (one: IsolationPlan) =>
    checkPlan(drawn, requirement, one).findings.filter(({ severity }) => severity === 'stops');
  const graph = asEmptied(drawn, requirement);
  const state = computePlantState(graph, plan);
  const standing = new Set(stopsOf(plan).map(({ code, subject }) => `${code} ${subject}`));
  const demands = new Map(requirement.demands.map((demand) => [demand.id, demand]));
  return PLAN_PARTS.flatMap((part) =>
    pointsOf(plan, part).map((id) => {
      const less = { ...plan, [part]: pointsOf(plan, part).filter((other) => other !== id) };
      const without = stopsOf(less).filter(
        ({ code, subject }) => !standing.has(`${code} ${subject}`),
      );
      const reasons = without.map(({ code, subject, words }): PointReason => {
        const demand = demands.get(subject);
        return {
          code,
          subject,
          words,
          ...(demand ? { grade: demand.grade, because: demand.reasons } : {}),
        };
      });
      const ofSources = reasons.filter(({ grade }) => grade !== undefined);
      const words = sayPoint(graph, requirement, state, { part, id }, without);
      return { part, id, reasons: ofSources.length > 0 ? ofSources : reasons, words };
    }),
  );
}
