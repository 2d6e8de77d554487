import { readFileSync } from 'node:fs';
import {
  checkPlan,
  computeCost,
  computeRequirement,
  limitTime,
  planIsolation,
  traceWork,
  type Requirement,
} from '../src/core/isolation';
import {
  buildGraph,
  parsePlantText,
  parseScope,
  type PlantGraph,
  type Scope,
} from '../src/core/plant';
import { PlanFinder } from '../src/core/isolation/planner/best';
import { presentOrThrow } from '../src/core/result';
import { makeWorks, type MadeJob } from '../tests/support/works';
import { benchBoard } from './board';
import { benchGas } from './gas';
import { benchLarge } from './large';
import { benchPeople } from './people';
import { benchStart } from './start';
import { say, summarise, time } from './timing';

const SEED = 7;
const SIZES = [100, 1_000, 10_000, 50_000];
const JOBS_EACH = 30;
const KINDS: readonly MadeJob['kind'][] = [
  'pump',
  'motor',
  'vessel',
  'exchanger',
  'valve',
  'cable',
];
/** Seconds that each search of the planner may take. */
const SECONDS_EACH = 5;

interface Case {
  readonly kind: string;
  readonly scope: Scope;
  readonly requirement: Requirement;
}

function sayTimes(name: string, times: readonly number[]): void {
  const { median, p90 } = summarise(times);
  say(`  ${name.padEnd(24)} median ${median.toFixed(2)} ms, 90th percentile ${p90.toFixed(2)} ms`);
}

const AIMS = ['effort', 'outage', 'points'] as const;

/** The best plan for each aim, checked and costed; all of them proved best or not. */
function planOnce(graph: PlantGraph, requirement: Requirement) {
  const limits = limitTime(SECONDS_EACH, () => performance.now());
  const finder = new PlanFinder(graph, requirement, {}, limits);
  const answers = AIMS.flatMap((aim) => {
    limits.begin();
    const best = finder.best(aim);
    if (!best) return [];
    const { passes } = checkPlan(graph, requirement, best.plan);
    return [{ ...best, passes, cost: computeCost(graph, best.plan) }];
  });
  if (!answers.every(({ passes }) => passes)) throw new Error('an answer does not pass the check');
  return { answers, isProved: answers.every(({ isProved }) => isProved) };
}

/** The same with the stages in which blinds are fitted: all that the screen shows. */
function planWithStages(graph: PlantGraph, requirement: Requirement) {
  const limits = limitTime(SECONDS_EACH, () => performance.now());
  return planIsolation(graph, requirement, limits, { onStart: limits.begin });
}

/** Times trace, check and the three answers over some jobs of one plant. */
function measure(name: string, graph: PlantGraph, cases: readonly Case[]): void {
  // The first runs of a program are slow; they are not what anyone waits for.
  for (const { requirement, scope } of cases.slice(0, 3)) {
    traceWork(graph, scope);
    planOnce(graph, requirement);
  }
  say(
    `${name}: ${graph.sections.length} sections, ${graph.links.length} links, ${cases.length} jobs`,
  );
  const traces: number[] = [];
  const checks: number[] = [];
  const staged: number[] = [];
  const plans = new Map<string, number[]>();
  let proved = 0;
  for (const { kind, scope, requirement } of cases) {
    traces.push(time(() => traceWork(graph, scope)));
    let result: ReturnType<typeof planOnce> | undefined;
    const taken = time(() => (result = planOnce(graph, requirement)));
    plans.set(kind, [...(plans.get(kind) ?? []), taken]);
    const { answers, isProved } = presentOrThrow(result, 'result');
    if (isProved) proved += 1;
    for (const { plan } of answers) checks.push(time(() => checkPlan(graph, requirement, plan)));
    staged.push(time(() => planWithStages(graph, requirement)));
  }
  sayTimes('trace', traces);
  sayTimes('check', checks);
  sayTimes('plan, three answers', [...plans.values()].flat());
  for (const [kind, times] of plans) sayTimes(`  of these, ${kind}`, times);
  sayTimes('  with their stages', staged);
  say(`  proved best              ${((100 * proved) / cases.length).toFixed(0)} %`);
}

function measureDemo(): void {
  const plant = parsePlantText(readFileSync('demo/quillmere.plant.json', 'utf8'));
  if (!plant.ok) throw new Error('the demonstration plant does not parse');
  const text = readFileSync('demo/seal-change.scope.json', 'utf8');
  const scope = parseScope(JSON.parse(text), plant.value);
  if (!scope.ok) throw new Error('the demonstration scope does not parse');
  const graph = buildGraph(plant.value);
  const requirement = computeRequirement(graph, scope.value);
  const one = { kind: 'seal change', scope: scope.value, requirement };
  measure(
    'Quillmere',
    graph,
    Array.from({ length: JOBS_EACH }, () => one),
  );
}

function measureMade(size: number): void {
  const { plant, jobs } = makeWorks(SEED, size);
  const graph = buildGraph(plant);
  const cases = Array.from({ length: JOBS_EACH }, (_, n) => {
    const kind = KINDS[n % KINDS.length];
    const list = jobs.filter((job) => job.kind === kind);
    const turn = Math.floor(n / KINDS.length) / (JOBS_EACH / KINDS.length);
    const job =
      list[Math.floor(turn * list.length)] ?? presentOrThrow(jobs[n % jobs.length], 'job');
    return { ...job, requirement: computeRequirement(graph, job.scope) };
  });
  measure(`Works of seed ${SEED}`, graph, cases);
}

/** `npm run bench` measures everything, `-- 1000 10000` the planner on works of these sizes, `-- board` the board alone, `-- gas` a shift of detectors, `-- people` fifty desks at once (wants a build), `-- start` the command line, `-- large` a site of several works (wants a build). */
async function main(): Promise<void> {
  if (process.argv.includes('board')) return benchBoard();
  if (process.argv.includes('gas')) return benchGas();
  if (process.argv.includes('people')) return benchPeople();
  if (process.argv.includes('large')) return benchLarge();
  if (process.argv.includes('start')) return benchStart();
  const sizes = process.argv.slice(2).map(Number).filter(Number.isInteger);
  measureDemo();
  for (const size of sizes.length > 0 ? sizes : SIZES) measureMade(size);
  if (sizes.length > 0) return;
  benchStart();
  await benchBoard();
  await benchGas();
  await benchPeople();
  await benchLarge();
}

void main();
