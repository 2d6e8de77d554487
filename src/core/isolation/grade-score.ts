import {
  carrierOf,
  hazardsOf,
  type Activity,
  type Grade,
  type Medium,
  type Section,
} from '../plant';
import { higher } from './grade-table';
import type { GradePolicy } from './policy';

/** What a score comes to: its points, the grade that they ask for, and how it was reckoned. */
export interface Score {
  readonly points: number;
  readonly grade: Grade;
  readonly words: string;
}

/** What is scored: a source that comes over to a piece of work. */
export interface Scored {
  readonly medium: Medium;
  readonly source: Section;
  readonly work: Section;
  readonly activity: Activity;
  readonly hours: number;
  /** Whether the work lies in a zone for explosive atmospheres. */
  readonly isZoned: boolean;
}

/** Points from which a grade is asked for. Source: practice; HSG253 scores in the same way with figures of its own. */
const FROM_POINTS: readonly (readonly [number, Grade])[] = [
  [400, 'positive'],
  [40, 'double-bled'],
  [0, 'single-bled'],
];

/** A working day (h): what is open for no longer. */
const SHORT_HOURS = 8;

function scoreDanger(medium: Medium): number {
  const hazards = hazardsOf(medium);
  const isGas = medium.phase !== 'liquid' && medium.phase !== 'solid';
  if (hazards.includes('toxic')) return 10;
  if (hazards.includes('flammable')) return isGas ? 10 : 6;
  if (hazards.includes('asphyxiant')) return 6;
  return hazards.length > 0 ? 4 : 1;
}

/** By the largest figure that is under the limit; what is not known is the worst. */
function stepUp(value: number | undefined, steps: readonly (readonly [number, number])[]): number {
  const worst = steps.at(-1)?.[1] ?? 0;
  if (value === undefined) return worst;
  return steps.find(([most]) => value <= most)?.[1] ?? worst;
}

/** Bore (mm) and pressure (bar gauge) that let it out. */
const scoreBore = (mm: number | undefined) =>
  stepUp(mm, [
    [25, 1],
    [50, 2],
    [150, 5],
    [Infinity, 10],
  ]);
const scorePressure = (bar: number | undefined) =>
  stepUp(bar, [
    [1, 1],
    [10, 2],
    [50, 4],
    [Infinity, 6],
  ]);

const scorePlace = ({ activity, isZoned }: Scored): number =>
  activity === 'open' ? (isZoned ? 3 : 1) : 10;

/**
 * Scores one source for one piece of work: danger of the fluid, release by bore and pressure, place, time, multiplied. Undefined where nothing
 * is opened, or what comes is no fluid. Missing bore or pressure is the worst. Source of the method: HSG253, appendix on selecting an isolation, from
 * memory; the figures are practice and not those of HSG253.
 */
export function scoreOne(scored: Scored, policy: GradePolicy): Score | undefined {
  const { medium, source, work, activity, hours } = scored;
  if (activity === 'touch' || carrierOf(medium) !== 'fluid') return undefined;
  const danger = scoreDanger(medium);
  const release =
    scoreBore(work.dn_mm ?? source.dn_mm) *
    scorePressure(higher(source.pressure_bar, work.pressure_bar));
  const place = scorePlace(scored);
  const time = hours <= SHORT_HOURS ? 1 : hours <= policy.longJobHours ? 2 : 4;
  const points = danger * release * place * time;
  const grade = FROM_POINTS.find(([from]) => points >= from)?.[1] ?? 'single-bled';
  const words = `by score ${points} (danger ${danger}, release ${release}, place ${place}, time ${time}): ${grade}`;
  return { points, grade, words };
}
