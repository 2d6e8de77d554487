import {
  carrierOf,
  hazardsOf,
  type Activity,
  type Grade,
  type Medium,
  type Section,
} from '../plant';
import type { GradePolicy } from './policy';

/** A grade and what gave it. */
export interface Graded {
  readonly grade: Grade;
  readonly reason: string;
}

/** The higher of two values; undefined when one is missing, because the higher is then not known. */
export const higher = (a: number | undefined, b: number | undefined): number | undefined =>
  a === undefined || b === undefined ? undefined : Math.max(a, b);

const LETHAL = ['flammable', 'toxic', 'asphyxiant'] as const;
const HARMFUL = ['corrosive', 'oxidising'] as const;

const assumedWorst = (grade: Grade, what: string, section: Section, limit: string): Graded => ({
  grade,
  reason: `the ${what} of ${section.id} is not given: assumed worst, ${limit}`,
});

function gradePressure(source: Section, work: Section, policy: GradePolicy): Graded | undefined {
  const known = [source.pressure_bar, work.pressure_bar].filter((value) => value !== undefined);
  const pressure = known.some((value) => value > policy.highPressureBar)
    ? Math.max(...known)
    : higher(source.pressure_bar, work.pressure_bar);
  const limit = `above ${policy.highPressureBar} bar`;
  if (pressure === undefined) {
    const missing = source.pressure_bar === undefined ? source : work;
    return assumedWorst(policy.table.pressure, 'pressure', missing, limit);
  }
  if (pressure <= policy.highPressureBar) return undefined;
  return { grade: policy.table.pressure, reason: `${pressure} bar, ${limit}` };
}

function gradeTemperature(
  medium: Medium,
  source: Section,
  work: Section,
  policy: GradePolicy,
): Graded | undefined {
  const known = [source.temperature_c, work.temperature_c].filter((value) => value !== undefined);
  const { temperature: grade } = policy.table;
  const isGas = medium.phase !== 'liquid' && medium.phase !== 'vapour';
  const hotC = isGas ? policy.hotGasC : policy.hotLiquidC;
  const hot = known.find((value) => value > hotC);
  if (hot !== undefined) {
    const reason = `${medium.phase} at ${hot} °C, hotter than ${hotC} °C`;
    return { grade: policy.table.temperature, reason };
  }
  const cold = known.find((value) => value < policy.coldC);
  if (cold !== undefined) {
    const reason = `${medium.phase} at ${cold} °C, colder than ${policy.coldC} °C`;
    return { grade: policy.table.temperature, reason };
  }
  if (known.length === 2) return undefined;
  const missing = source.temperature_c === undefined ? source : work;
  if (!isGas) return assumedWorst(grade, 'temperature', missing, `hotter than ${hotC} °C`);
  const said = (['hot', 'cold'] as const).find((hazard) => medium.hazards?.includes(hazard));
  return said && assumedWorst(grade, 'temperature', missing, `${medium.name} is ${said}`);
}

function gradeOpened(
  medium: Medium,
  source: Section,
  work: Section,
  hours: number,
  policy: GradePolicy,
): Graded | undefined {
  const isFluid = carrierOf(medium) === 'fluid';
  const hazards = isFluid ? hazardsOf(medium) : (medium.hazards ?? []);
  const said =
    medium.hazards === undefined
      ? 'may be anything: its hazards are not given, assumed worst'
      : undefined;
  const lethal = LETHAL.filter((hazard) => hazards.includes(hazard));
  if (lethal.length > 0) {
    const what = `${work.id} is opened and ${medium.name} ${said ?? `is ${lethal.join(' and ')}`}`;
    return hours > policy.longJobHours
      ? {
          grade: policy.table.lethalLong,
          reason: `${what}, for more than ${policy.longJobHours} h`,
        }
      : { grade: policy.table.lethal, reason: what };
  }
  if (!isFluid) return undefined;
  const harmful = HARMFUL.filter((hazard) => hazards.includes(hazard));
  if (harmful.length > 0) {
    const reason = `${work.id} is opened and ${medium.name} is ${harmful.join(' and ')}`;
    return { grade: policy.table.harmful, reason };
  }
  return (
    gradePressure(source, work, policy) ??
    gradeTemperature(medium, source, work, policy) ?? {
      grade: policy.table.fluid,
      reason: `${work.id} is opened and ${medium.name} is under pressure`,
    }
  );
}

/** Grades one source for one piece of work by the table. Source of the defaults: practice, written from memory. */
export function gradeOne(
  medium: Medium,
  source: Section,
  work: Section,
  activity: Activity,
  hours: number,
  policy: GradePolicy,
): Graded {
  if ((activity === 'enter' || activity === 'hot-work') && carrierOf(medium) === 'fluid') {
    const doing = activity === 'enter' ? 'a person goes inside' : 'hot work is done on';
    return {
      grade: policy.table.inside,
      reason: `${doing} ${work.id}, which ${medium.name} can reach`,
    };
  }
  const opened = activity === 'open' ? gradeOpened(medium, source, work, hours, policy) : undefined;
  if (opened) return opened;
  return medium.energy === 'electrical'
    ? {
        grade: policy.table.electrical,
        reason: `${medium.name}: a locked break, proved dead at ${work.id}`,
      }
    : {
        grade: policy.table.other,
        reason: `${medium.name} can reach ${work.id}: a locked barrier`,
      };
}
