import {
  carrierOf,
  emptyOut,
  GRADES,
  hazardsOf,
  type Activity,
  type Grade,
  type Medium,
  type PlantGraph,
  type Scope,
  type Section,
} from '../plant';
import { DEFAULT_GRADE_POLICY, type GradePolicy } from './policy';
import { traceWork, type Arrival, type Trace, type TracedSource } from './trace';

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
  /** Those at which it arrives as itself: there a let-down is asked for. */
  readonly itself: readonly number[];
  /** Whether it arrives as itself or by a leak anywhere: the table of grades is for what does. */
  readonly isGraded: boolean;
  /** Whether the part of each work section at which it arrives as itself has to be bled. */
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
  /** Relief valves whose loss was accepted by name, with what guards in their place. */
  readonly reliefAccepted: ReadonlySet<string>;
  /** Work sections (by number) that are opened, entered or worked on hot: what is shut in there comes at people. */
  readonly opened: readonly number[];
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

const LETHAL = ['flammable', 'toxic', 'asphyxiant'] as const;
const HARMFUL = ['corrosive', 'oxidising'] as const;

const assumedWorst = (what: string, section: Section, limit: string): Graded => ({
  grade: 'double-bled',
  reason: `the ${what} of ${section.id} is not given: assumed worst, ${limit}`,
});

function gradePressure(source: Section, work: Section, policy: GradePolicy): Graded | undefined {
  const known = [source.pressure_bar, work.pressure_bar].filter((value) => value !== undefined);
  const pressure = known.some((value) => value > policy.highPressureBar)
    ? Math.max(...known)
    : higher(source.pressure_bar, work.pressure_bar);
  const limit = `above ${policy.highPressureBar} bar`;
  if (pressure === undefined) {
    return assumedWorst('pressure', source.pressure_bar === undefined ? source : work, limit);
  }
  if (pressure <= policy.highPressureBar) return undefined;
  return { grade: 'double-bled', reason: `${pressure} bar, ${limit}` };
}

function gradeTemperature(
  medium: Medium,
  source: Section,
  work: Section,
  policy: GradePolicy,
): Graded | undefined {
  const known = [source.temperature_c, work.temperature_c].filter((value) => value !== undefined);
  const isGas = medium.phase !== 'liquid' && medium.phase !== 'vapour';
  const hotC = isGas ? policy.hotGasC : policy.hotLiquidC;
  const hot = known.find((value) => value > hotC);
  if (hot !== undefined) {
    const reason = `${medium.phase} at ${hot} °C, hotter than ${hotC} °C`;
    return { grade: 'double-bled', reason };
  }
  const cold = known.find((value) => value < policy.coldC);
  if (cold !== undefined) {
    const reason = `${medium.phase} at ${cold} °C, colder than ${policy.coldC} °C`;
    return { grade: 'double-bled', reason };
  }
  if (known.length === 2) return undefined;
  const missing = source.temperature_c === undefined ? source : work;
  if (!isGas) return assumedWorst('temperature', missing, `hotter than ${hotC} °C`);
  const said = (['hot', 'cold'] as const).find((hazard) => medium.hazards?.includes(hazard));
  return said && assumedWorst('temperature', missing, `${medium.name} is ${said}`);
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
      ? { grade: 'positive', reason: `${what}, for more than ${policy.longJobHours} h` }
      : { grade: 'double-bled', reason: what };
  }
  if (!isFluid) return undefined;
  const harmful = HARMFUL.filter((hazard) => hazards.includes(hazard));
  if (harmful.length > 0) {
    const reason = `${work.id} is opened and ${medium.name} is ${harmful.join(' and ')}`;
    return { grade: 'double-bled', reason };
  }
  return (
    gradePressure(source, work, policy) ??
    gradeTemperature(medium, source, work, policy) ?? {
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
  if ((activity === 'enter' || activity === 'hot-work') && carrierOf(medium) === 'fluid') {
    const doing = activity === 'enter' ? 'a person goes inside' : 'hot work is done on';
    return { grade: 'positive', reason: `${doing} ${work.id}, which ${medium.name} can reach` };
  }
  const opened = activity === 'open' ? gradeOpened(medium, source, work, hours, policy) : undefined;
  if (opened) return opened;
  return medium.energy === 'electrical'
    ? { grade: 'single', reason: `${medium.name}: one locked break, proved dead at ${work.id}` }
    : { grade: 'single', reason: `${medium.name} can reach ${work.id}: one locked barrier` };
}

const MADE_BY = {
  driven: 'drives what reaches',
  'ends-here': 'heats or moves what is at',
} as const;

/** What a source asks for the way it arrives at one work section: the table for what comes over, one barrier for the rest. */
function gradeArrival(
  graph: PlantGraph,
  scope: Scope,
  traced: TracedSource,
  { section: at, mode }: Arrival,
  policy: GradePolicy,
): Graded[] {
  const medium = graph.medium[traced.section] as Medium;
  const work = graph.sections[at] as Section;
  if (mode === 'driven' || mode === 'ends-here') {
    const reason = `${medium.name} ${MADE_BY[mode]} ${work.id}: one locked barrier`;
    return [{ grade: 'single', reason }];
  }
  const source = graph.sections[traced.section] as Section;
  return scope.work
    .filter(({ section }) => section === work.id)
    .map(({ activity }) => gradeOne(medium, source, work, activity, scope.hours, policy));
}

const ascending = (numbers: readonly number[]) => [...new Set(numbers)].sort((a, b) => a - b);

function demandOf(
  graph: PlantGraph,
  scope: Scope,
  traced: TracedSource,
  policy: GradePolicy,
): SourceDemand {
  const { arrivals } = traced;
  const graded = arrivals.flatMap((one) => gradeArrival(graph, scope, traced, one, policy));
  const grade = graded.reduce<Grade>((best, one) => strongerGrade(best, one.grade), 'single');
  const itself = arrivals.filter(({ mode }) => mode === 'itself');
  return {
    source: traced.section,
    id: traced.id,
    grade,
    tableGrade: grade,
    reasons: [...new Set(graded.filter((one) => one.grade === grade).map((one) => one.reason))],
    reaches: ascending(arrivals.map(({ section }) => section)),
    itself: ascending(itself.map(({ section }) => section)),
    isGraded: arrivals.some(({ mode }) => mode === 'itself' || mode === 'leaked'),
    bled: needsBleed(graph.medium[traced.section] as Medium, grade),
  };
}

/** Whether a grade asks that the work is let down through an opened outlet. */
export function needsBleed(medium: Medium, grade: Grade): boolean {
  if (grade === 'single-bled') return true;
  return carrierOf(medium) === 'fluid' && (grade === 'double-bled' || grade === 'positive');
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
        .map((demand) => demand.id);
      const missing = section.voltage_v === undefined;
      if (graph.carrier[at] !== 'current' || sources.length === 0) return [];
      if (!(missing || (section.voltage_v ?? 0) > policy.highVoltageV)) {
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
 * pressures, temperatures and voltages take the worst case and say so. `reliefAccepted` are the relief valves that somebody allowed
 * by name to be out of service.
 * Source of the table: practice, written from memory.
 */
export function computeRequirement(
  graph: PlantGraph,
  scope: Scope,
  overrides: Readonly<Record<string, Grade>> = {},
  policy: GradePolicy = DEFAULT_GRADE_POLICY,
  reliefAccepted: Iterable<string> = [],
): Requirement {
  const trace = traceWork(graph, scope);
  const table = trace.sources.map((source) => demandOf(graph, scope, source, policy));
  return {
    trace,
    policy,
    reliefAccepted: new Set(reliefAccepted),
    opened: trace.zone.filter((at) =>
      scope.work.some(
        ({ section, activity }) => activity !== 'touch' && section === graph.sections[at]?.id,
      ),
    ),
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
