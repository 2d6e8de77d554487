import {
  carrierOf,
  emptyOut,
  type Grade,
  type Medium,
  type PlantGraph,
  type Scope,
  type Section,
} from '../plant';
import { scoreOne, type Score } from './grade-score';
import { gradeOne, type Graded } from './grade-table';
import { rankGrade, strongerGrade } from './grades';
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
  /** What the score says, where it is stricter than the table: shown beside, and counted where the site wants the stricter of both. */
  readonly score?: Score;
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

/** The highest score of a source over the work sections at which it comes over. */
function scoreArrivals(
  graph: PlantGraph,
  scope: Scope,
  { section: at, arrivals }: TracedSource,
  policy: GradePolicy,
): Score | undefined {
  const zones = new Map(graph.plant.areas.map(({ id, zone }) => [id, zone]));
  return arrivals
    .filter(({ mode }) => mode === 'itself' || mode === 'leaked')
    .flatMap(({ section }) => {
      const work = graph.sections[section] as Section;
      const zone = zones.get(work.area);
      return scope.work
        .filter((one) => one.section === work.id)
        .flatMap(
          ({ activity }) =>
            scoreOne(
              {
                medium: graph.medium[at] as Medium,
                source: graph.sections[at] as Section,
                work,
                activity,
                hours: scope.hours,
                isZoned: zone !== undefined && zone !== 'none',
              },
              policy,
            ) ?? [],
        );
    })
    .reduce<Score | undefined>(
      (best, one) => (best && best.points >= one.points ? best : one),
      undefined,
    );
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
  const byTable = graded.reduce<Grade>((best, one) => strongerGrade(best, one.grade), 'single');
  const scored = scoreArrivals(graph, scope, traced, policy);
  const score = scored && rankGrade(scored.grade) > rankGrade(byTable) ? scored : undefined;
  const grade = score && policy.school === 'stricter' ? score.grade : byTable;
  const itself = arrivals.filter(({ mode }) => mode === 'itself');
  return {
    source: traced.section,
    id: traced.id,
    grade,
    tableGrade: grade,
    reasons: [
      ...new Set(graded.filter((one) => one.grade === byTable).map((one) => one.reason)),
      ...(grade === byTable || !score ? [] : [score.words]),
    ],
    ...(score ? { score } : {}),
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
