import {
  checkPlan,
  explainPoints,
  limitTime,
  listArrivalLamps,
  listFailures,
  planIsolation,
  PLANNING_WORDS,
  rankGrade,
  type Finding,
  type PlanAnswer,
  type Sign,
} from '../core/isolation';
import { planRestore, planSequence } from '../core/sequence';
import { readJobOrThrow, readPlanOrThrow, type JobOptions } from './files';

/** What a command answers: a document for `--json`, text for people, and whether nothing stops. */
export interface Answer {
  readonly document: unknown;
  readonly text: string;
  readonly passes: boolean;
}

const lines = (...all: readonly string[]) => `${all.join('\n')}\n`;

/** The sources and stores that reach the work. Stops when no source does: doubt the drawing. */
export async function runTrace(
  [plant = '', scope = '']: string[],
  options: JobOptions,
): Promise<Answer> {
  const { graph, requirement } = await readJobOrThrow(plant, scope, undefined, options);
  const sources = requirement.demands.map((demand) => {
    const medium = graph.medium[demand.source];
    const traced = requirement.trace.sources.find((source) => source.id === demand.id);
    return {
      id: demand.id,
      medium: medium?.id,
      energy: medium?.energy,
      grade: demand.grade,
      arrivals: (traced?.arrivals ?? []).map(({ section, mode }) => ({
        section: graph.sections[section]?.id,
        mode,
      })),
      ...(traced?.behind === undefined ? {} : { behind: traced.behind }),
      ...(traced?.gap ? { gap: true } : {}),
      reasons: demand.reasons,
      ...(demand.score ? { score: demand.score } : {}),
      route: traced?.route ?? [],
    };
  });
  const lamps = listArrivalLamps(graph, requirement.trace);
  const text = lines(
    ...lamps.map(({ words }) => words),
    '',
    ...[...sources]
      .sort((a, b) => rankGrade(b.grade) - rankGrade(a.grade))
      .map(
        ({ id, grade, reasons, route }) =>
          `${id}  ${grade}\n    ${reasons.join('; ')}\n    ${route.join(' > ')}`,
      ),
    ...requirement.trace.stores
      .filter((store) => !store.separable)
      .map(
        (store) =>
          `store ${store.id} (${store.kind}) in ${store.section}: release ${store.release}`,
      ),
    ...requirement.trace.emptied.map(
      ({ id, name }) => `${id} (${name}) is run empty, and proved so`,
    ),
    sources.length + requirement.trace.emptied.length === 0
      ? 'no source reaches the work: doubt the drawing'
      : `${sources.length} sources`,
  );
  return {
    document: {
      sources,
      lamps: lamps.map(({ id, kind, words, sources: behind }) => ({
        id,
        kind,
        words,
        sources: behind,
      })),
      stores: requirement.trace.stores,
      emptied: requirement.trace.emptied.map(({ id }) => id),
    },
    text,
    passes: sources.length + requirement.trace.emptied.length > 0,
  };
}

const describeFinding = (finding: Finding): string =>
  [
    `${finding.severity === 'stops' ? 'STOPS  ' : 'caution'} ${finding.code}: ${finding.words}`,
    ...(finding.route.length > 0 ? [`    route: ${finding.route.join(' > ')}`] : []),
    ...finding.mends.map((mend) => `    mend: ${mend.words}`),
  ].join('\n');

const describeAnswer = (aim: string, answer: PlanAnswer): string =>
  [
    `least ${aim}: ${answer.cost.effort} min, outage ${answer.cost.outage} an hour, ${answer.cost.points} points, ${answer.partial ? 'PARTIAL: the rest without what nothing holds back' : answer.passes ? 'passes' : 'DOES NOT PASS'}`,
    `    close    ${answer.close.join(' ')}`,
    `    open     ${answer.open.join(' ')}`,
    `    restrain ${answer.restrain.join(' ')}`,
    ...(answer.stand ? [`    lock open ${answer.stand.join(' ')}`] : []),
    ...(answer.seen_open.length > 0 ? [`    see open  ${answer.seen_open.join(' ')}`] : []),
    ...answer.stages.map((stage) => `    stage ${stage.name}: close ${stage.close.join(' ')}`),
    ...answer.extra_measures.map(
      (measure) =>
        `    accept by name: ${measure.kind} ${measure.subject}: ${measure.measures.join('; ')}`,
    ),
    ...answer.findings.filter(({ severity }) => severity === 'stops').map(describeFinding),
  ].join('\n');

/** Seconds that each search of the planner may take before it settles for the best so far. */
const SECONDS_EACH = 20;

/** Three answers side by side. Stops when no plan reaches the grades. */
export async function runPlan(
  [plant = '', scope = '', grades]: string[],
  options: JobOptions,
  onStep: (what: string) => void = () => undefined,
): Promise<Answer> {
  const { graph, requirement } = await readJobOrThrow(plant, scope, grades, options);
  const limits = limitTime(SECONDS_EACH, () => performance.now());
  const result = planIsolation(graph, requirement, limits, {
    onStart: (what) => {
      limits.begin();
      onStep(`${PLANNING_WORDS[what]}…`);
    },
  });
  const text = lines(
    result.feasible
      ? 'feasible'
      : `NOT FEASIBLE: no plan reaches the grade of ${result.unmet.join(', ')}`,
    ...Object.entries(result.answers).map(([aim, answer]) => describeAnswer(aim, answer)),
  );
  return { document: result, text, passes: result.feasible };
}

/** Every finding about a plan. */
export async function runCheck(
  [plant = '', scope = '', plan = '', grades]: string[],
  options: JobOptions,
): Promise<Answer> {
  const { graph, requirement } = await readJobOrThrow(plant, scope, grades, options);
  const result = checkPlan(graph, requirement, readPlanOrThrow(plan));
  const text = lines(
    ...result.findings.map(describeFinding),
    result.passes ? 'passes' : 'DOES NOT PASS',
  );
  return { document: result, text, passes: result.passes };
}

const describeSign = ({ kind, id }: Sign): string =>
  kind === 'flow' ? `flow at ${id}` : `a rise on ${id}`;

/** Why each point of a plan is there, and what one failure more would mean, worst first. */
export async function runExplain(
  [plant = '', scope = '', plan = '', grades]: string[],
  options: JobOptions,
): Promise<Answer> {
  const { graph, requirement } = await readJobOrThrow(plant, scope, grades, options);
  const given = readPlanOrThrow(plan);
  const points = explainPoints(graph, requirement, given);
  const failures = listFailures(graph, requirement, given);
  const { passes } = checkPlan(graph, requirement, given);
  const text = lines(
    ...points.map(
      ({ part, id, words }) =>
        `${part} ${id}\n    ${words === '' ? 'the plan stands as well without it' : words}`,
    ),
    'one failure more, worst first:',
    ...failures.map(({ link, exposures, signs }) =>
      [
        link,
        ...exposures.map(({ source, reaches, stands }) =>
          reaches
            ? `    ${source} reaches the work`
            : `    ${source}: still held by ${stands.join(', ')}`,
        ),
        `    noticed by: ${signs.map(describeSign).join(', ') || 'nothing'}`,
      ].join('\n'),
    ),
  );
  return { document: { points, failures }, text, passes };
}

/** The order of work and the order of restoring. Stops when the plan does not pass. */
export async function runSequence(
  [plant = '', scope = '', plan = '', grades]: string[],
  options: JobOptions,
): Promise<Answer> {
  const { graph, requirement } = await readJobOrThrow(plant, scope, grades, options);
  const given = readPlanOrThrow(plan);
  const { passes, findings } = checkPlan(graph, requirement, given);
  const steps = planSequence(graph, requirement, given);
  const restore = planRestore(steps);
  const text = lines(
    ...steps.map(
      (step, n) => `${String(n + 1).padStart(3)}  ${step.phase.padEnd(14)} ${step.words}`,
    ),
    'and back:',
    ...restore.map(
      (step, n) => `${String(n + 1).padStart(3)}  ${step.kind.padEnd(14)} ${step.subject}`,
    ),
    passes ? 'passes' : 'DOES NOT PASS: this plan may not be carried out',
  );
  return { document: { passes, findings, steps, restore }, text, passes };
}
