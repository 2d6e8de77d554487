import { computeCost, openProblem, type PlanningProblem } from '../isolation';
import { PlanFinder } from '../isolation/planner/best';
import { limitTime } from '../isolation/planner/limits';
import type { Plant } from '../plant';
import { countOf } from '../text';

/** A job to be planned twice: on the plant as it is to be believed, and as it would be if one device were mended. */
export interface PriceQuestion {
  readonly problem: PlanningProblem;
  readonly mended: Plant;
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

function findFewest(problem: PlanningProblem, now: () => number): Fewest | undefined {
  const { graph, requirement } = openProblem(problem);
  const best = new PlanFinder(graph, requirement, {}, limitTime(SECONDS, now)).best('points');
  if (!best) return undefined;
  const { points, effort } = computeCost(graph, best.plan);
  return { points, minutes: effort };
}

/** Plans a job twice for the fewest points, with the defect and as if it were mended. `now` gives the time (ms). */
export function computePrice(
  { problem, mended: plant }: PriceQuestion,
  now: () => number,
): DefectPrice {
  const worn = findFewest(problem, now);
  const mended = findFewest({ ...problem, plant }, now);
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
