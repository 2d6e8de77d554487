import { PlanFinder } from '../isolation/planner/best';
import { limitTime } from '../isolation/planner/limits';
import { computeCost, computeRequirement, type GradePolicy } from '../isolation';
import {
  buildGraph,
  type Grade,
  type LinkKind,
  type Plant,
  type Scope,
  type Strength,
} from '../plant';
import { countOf } from '../text';

/** A job to be planned twice: on the plant as it is to be believed, and as it would be if one device were mended. */
export interface PriceQuestion {
  readonly worn: Plant;
  readonly mended: Plant;
  readonly scope: Scope;
  readonly grades: Readonly<Record<string, Grade>>;
  readonly policy: GradePolicy;
  readonly strengths: Readonly<Record<LinkKind, Strength>>;
  readonly reliefAccepted: readonly string[];
}

/** The fewest points of a plan and what carrying them out takes (min); undefined where no plan holds the job. */
interface Fewest {
  readonly points: number;
  readonly minutes: number;
}

/** What a defect costs a job: its fewest points with the defect and without it. */
export interface DefectPrice {
  readonly worn?: Fewest;
  readonly mended?: Fewest;
}

/** How long each of both may be sought (s): the answer is a price, not a plan. */
const SECONDS = 4;

function findFewest(
  plant: Plant,
  { scope, grades, policy, strengths, reliefAccepted }: PriceQuestion,
  now: () => number,
): Fewest | undefined {
  const graph = buildGraph(plant, strengths);
  const requirement = computeRequirement(graph, scope, grades, policy, reliefAccepted);
  const best = new PlanFinder(graph, requirement, {}, limitTime(SECONDS, now)).best('points');
  if (!best) return undefined;
  const { points, effort } = computeCost(graph, best.plan);
  return { points, minutes: effort };
}

/** Plans a job twice for the fewest points, with the defect and as if it were mended. `now` gives the time (ms). */
export function computePrice(question: PriceQuestion, now: () => number): DefectPrice {
  const [worn, mended] = [question.worn, question.mended].map((plant) =>
    findFewest(plant, question, now),
  );
  return { ...(worn ? { worn } : {}), ...(mended ? { mended } : {}) };
}

/** "2 points and 14 min more": what a defect costs, as it is said. */
export function sayPrice({ worn, mended }: DefectPrice): string {
  if (!worn && !mended) return 'no plan holds it, with the device or without';
  if (!worn) return 'no plan holds it without the device';
  if (!mended) return 'it can be planned without the device';
  const points = worn.points - mended.points;
  const minutes = Math.round(worn.minutes - mended.minutes);
  if (points <= 0 && minutes <= 0) return 'nothing more: another plan is as short';
  const more = [
    ...(points > 0 ? [countOf(points, 'point')] : []),
    ...(minutes > 0 ? [`${minutes} min`] : []),
  ];
  return `${more.join(' and ')} more`;
}
