import {
  emptyOut,
  GRADES,
  isFluid,
  labelParts,
  type Activity,
  type Grade,
  type Medium,
  type PlantGraph,
  type Scope,
  type Section,
} from '../plant';
import { DEFAULT_GRADE_POLICY, type GradePolicy } from './policy';
import { traceWork, type Trace, type TracedSource } from './trace';

/** What one source demands of the isolation. */
export interface SourceDemand {
  readonly source: number;
  readonly id: string;
  readonly grade: Grade;
  /** The grade of the table, before anyone raised or lowered it. */
  readonly tableGrade: Grade;
  readonly reasons: readonly string[];
  /** Work sections (by number) that this source reaches. */
  readonly reaches: readonly number[];
  /** Whether the body of each work section that it reaches has to be bled. */
  readonly bled: boolean;
}

/** A work section that has to be earthed, and why. */
export interface EarthDemand {
  readonly section: number;
  readonly sources: readonly string[];
  readonly reason: string;
}

export interface Requirement {
  readonly demands: readonly SourceDemand[];
  readonly earths: readonly EarthDemand[];
  readonly trace: Trace;
  readonly policy: GradePolicy;
}

/** The plant as it is for a job: without the sources that are run empty before. What reads a requirement on a drawing reads it on this. */
export const asEmptied = (drawn: PlantGraph, { trace }: Requirement): PlantGraph =>
  emptyOut(
    drawn,
    trace.emptied.map(({ section }) => section),
  );

/** Place of a grade in the order of strength, 0 for the weakest. */
export const rankGrade = (grade: Grade): number => GRADES.indexOf(grade);

export const strongerGrade = (a: Grade, b: Grade): Grade => (rankGrade(a) >= rankGrade(b) ? a : b);

interface Graded {
  readonly grade: Grade;
  readonly reason: string;
}

/** The higher of two values; undefined when one is missing, because the higher is then not known. */
const higher = (a: number | undefined, b: number | undefined): number | undefined =>
  a === undefined || b === undefined ? undefined : Math.max(a, b);

const DANGEROUS = ['flammable', 'toxic', 'asphyxiant'] as const;

function gradeHotOrHighPressure(
  medium: Medium,
  source: Section,
  work: Section,
  policy: GradePolicy,
): Graded | undefined {
  const known = [source.pressure_bar, work.pressure_bar].filter((value) => value !== undefined);
  const pressure = known.some((value) => value > policy.highPressureBar)
    ? Math.max(...known)
    : higher(source.pressure_bar, work.pressure_bar);
  if (pressure === undefined) {
    return {
      grade: 'double-bled',
      reason: `the pressure of ${source.pressure_bar === undefined ? source.id : work.id} is not given: assumed worst, above ${policy.highPressureBar} bar`,
    };
  }
  if (pressure > policy.highPressureBar) {
    return { grade: 'double-bled', reason: `${pressure} bar, above ${policy.highPressureBar} bar` };
  }
  if (medium.phase !== 'liquid' && medium.phase !== 'vapour') return undefined;
  const hot = [source.temperature_c, work.temperature_c].find(
    (value) => value !== undefined && value > policy.hotLiquidC,
  );
  if (hot !== undefined) {
    return {
      grade: 'double-bled',
      reason: `${medium.phase} at ${hot} °C, hotter than ${policy.hotLiquidC} °C`,
    };
  }
  if (higher(source.temperature_c, work.temperature_c) === undefined) {
    return {
      grade: 'double-bled',
      reason: `the temperature of ${source.temperature_c === undefined ? source.id : work.id} is not given: assumed worst, hotter than ${policy.hotLiquidC} °C`,
    };
  }
  return undefined;
}

function gradeOpened(
  medium: Medium,
  source: Section,
  work: Section,
  hours: number,
  policy: GradePolicy,
): Graded | undefined {
  const dangers = DANGEROUS.filter((hazard) => medium.hazards.includes(hazard));
  if (dangers.length > 0) {
    const what = `${work.id} is opened and ${medium.name} is ${dangers.join(' and ')}`;
    return hours > policy.longJobHours
      ? { grade: 'positive', reason: `${what}, for more than ${policy.longJobHours} h` }
      : { grade: 'double-bled', reason: what };
  }
  if (!isFluid(medium.energy)) return undefined;
  return (
    gradeHotOrHighPressure(medium, source, work, policy) ?? {
      grade: 'single-bled',
      reason: `${work.id} is opened and ${medium.name} is under pressure`,
    }
  );
}

/** Grades one source for one piece of work by the default table. */
function gradeOne(
  medium: Medium,
  source: Section,
  work: Section,
  activity: Activity,
  hours: number,
  policy: GradePolicy,
): Graded {
  if ((activity === 'enter' || activity === 'hot-work') && isFluid(medium.energy)) {
    const doing = activity === 'enter' ? 'a person goes inside' : 'hot work is done on';
    return { grade: 'positive', reason: `${doing} ${work.id}, which ${medium.name} can reach` };
  }
  const opened = activity === 'open' ? gradeOpened(medium, source, work, hours, policy) : undefined;
  if (opened) return opened;
  return medium.energy === 'electrical'
    ? { grade: 'single', reason: `${medium.name}: one locked break, proved dead at ${work.id}` }
    : { grade: 'single', reason: `${medium.name} can reach ${work.id}: one locked barrier` };
}

function demandOf(
  graph: PlantGraph,
  scope: Scope,
  traced: TracedSource,
  component: Int32Array,
  policy: GradePolicy,
): SourceDemand {
  const source = graph.sections[traced.section] as Section;
  const medium = graph.medium[traced.section] as Medium;
  const graded = scope.work
    .map((work) => ({ work, at: graph.sectionAt.get(work.section) as number }))
    .filter(({ at }) => component[at] === component[traced.section])
    .map(({ work, at }) => ({
      at,
      ...gradeOne(
        medium,
        source,
        graph.sections[at] as Section,
        work.activity,
        scope.hours,
        policy,
      ),
    }));
  const grade = graded.reduce<Grade>((best, one) => strongerGrade(best, one.grade), 'single');
  return {
    source: traced.section,
    id: traced.id,
    grade,
    tableGrade: grade,
    reasons: [...new Set(graded.filter((one) => one.grade === grade).map((one) => one.reason))],
    reaches: [...new Set(graded.map((one) => one.at))].sort((a, b) => a - b),
    bled: needsBleed(medium, grade),
  };
}

/** Whether a grade asks that the body of the work is let down through an opened outlet. */
export function needsBleed(medium: Medium, grade: Grade): boolean {
  if (grade === 'single-bled') return true;
  return isFluid(medium.energy) && (grade === 'double-bled' || grade === 'positive');
}

function listEarths(
  graph: PlantGraph,
  scope: Scope,
  demands: readonly SourceDemand[],
  policy: GradePolicy,
): EarthDemand[] {
  const touched = scope.work.filter(
    (work) => work.activity === 'touch' || work.activity === 'open',
  );
  const sections = [...new Set(touched.map((work) => graph.sectionAt.get(work.section) as number))];
  return sections
    .sort((a, b) => a - b)
    .flatMap((at) => {
      const section = graph.sections[at] as Section;
      const sources = demands
        .filter((demand) => demand.reaches.includes(at))
        .filter((demand) => graph.medium[demand.source]?.energy === 'electrical')
        .map((demand) => demand.id);
      const missing = section.voltage_v === undefined && graph.medium[at]?.energy === 'electrical';
      if (sources.length === 0 || !(missing || (section.voltage_v ?? 0) > policy.highVoltageV)) {
        return [];
      }
      const reason = missing
        ? `the voltage of ${section.id} is not given: assumed worst, above ${policy.highVoltageV} V`
        : `${section.id} is at ${section.voltage_v} V, above ${policy.highVoltageV} V`;
      return [{ section: at, sources, reason }];
    });
}

function applyOverride(
  graph: PlantGraph,
  demand: SourceDemand,
  grade: Grade | undefined,
): SourceDemand {
  if (grade === undefined || grade === demand.tableGrade) return demand;
  const direction = rankGrade(grade) > rankGrade(demand.tableGrade) ? 'raised' : 'lowered';
  return {
    ...demand,
    grade,
    reasons: [...demand.reasons, `${direction} by hand from ${demand.tableGrade} to ${grade}`],
    bled: needsBleed(graph.medium[demand.source] as Medium, grade),
  };
}

/**
 * Computes what each source that reaches the work demands, with the reasons written out. `overrides` (grade by source
 * id) stand above the table. A source that the scope has run empty demands nothing but to be proved empty. Missing
 * pressures, temperatures and voltages take the worst case and say so.
 * Source of the table: practice, written from memory.
 */
export function computeRequirement(
  graph: PlantGraph,
  scope: Scope,
  overrides: Readonly<Record<string, Grade>> = {},
  policy: GradePolicy = DEFAULT_GRADE_POLICY,
): Requirement {
  const trace = traceWork(graph, scope);
  const component = labelParts(graph, () => true);
  const table = trace.sources.map((source) => demandOf(graph, scope, source, component, policy));
  return {
    trace,
    policy,
    demands: table.map((demand) =>
      applyOverride(
        graph,
        demand,
        Object.hasOwn(overrides, demand.id) ? overrides[demand.id] : undefined,
      ),
    ),
    earths: listEarths(graph, scope, table, policy),
  };
}
