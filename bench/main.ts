import { readFileSync } from 'node:fs';
import { checkPlan, computeRequirement, planIsolation, traceWork } from '../src/core/isolation';
import { buildGraph, parsePlantText, parseScope } from '../src/core/plant';
import { loadSolver } from '../src/server/solver';

/** Median and 90th percentile of `runs` timings, in milliseconds. */
function measure(runs: number, work: () => unknown): { median: number; p90: number } {
  const times = Array.from({ length: runs }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return { median: times[Math.floor(runs / 2)] ?? 0, p90: times[Math.floor(runs * 0.9)] ?? 0 };
}

async function main(): Promise<void> {
  const plant = parsePlantText(readFileSync('demo/quillmere.plant.json', 'utf8'));
  if (!plant.ok) throw new Error('the demonstration plant does not parse');
  const scope = parseScope(
    JSON.parse(readFileSync('demo/seal-change.scope.json', 'utf8')),
    plant.value,
  );
  if (!scope.ok) throw new Error('the demonstration scope does not parse');
  const graph = buildGraph(plant.value);
  const requirement = computeRequirement(graph, scope.value);
  const solver = await loadSolver();
  const { answers } = planIsolation(graph, requirement, solver);
  const rows = {
    trace: measure(200, () => traceWork(graph, scope.value)),
    check: measure(200, () => checkPlan(graph, requirement, answers.effort)),
    'plan, three answers': measure(5, () => planIsolation(graph, requirement, solver)),
  };
  process.stdout.write(
    `Quillmere: ${graph.sections.length} sections, ${graph.links.length} links\n`,
  );
  for (const [name, { median, p90 }] of Object.entries(rows)) {
    process.stdout.write(
      `${name.padEnd(22)} median ${median.toFixed(2)} ms, 90th percentile ${p90.toFixed(2)} ms\n`,
    );
  }
  const ratio = rows['plan, three answers'].median / rows.check.median;
  process.stdout.write(`plan to check: ${ratio.toFixed(0)} to 1\n`);
}

main().catch((error: unknown) => {
  process.stderr.write(`${String(error)}\n`);
  process.exitCode = 1;
});
