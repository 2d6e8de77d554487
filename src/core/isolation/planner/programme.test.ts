import { buildGraph, parsePlant, type Grade, type Plant, type Scope } from '../../plant';
import { isExpressible, solveProgramme } from '../../../../tests/support/programme';
import { rollPlant } from '../../../../tests/support/random-plant';
import { makeWorks } from '../../../../tests/support/works';
import { checkPlan } from '../check/check';
import { limitTime } from './limits';
import { computeRequirement } from '../requirement';
import { PlanFinder } from './best';

/** How many jobs are asked; more by `npm run fuzz -- programme N`. */
const JOBS = Number(process.env.LANTERN_PROGRAMMES ?? 24);

interface Asked {
  readonly name: string;
  readonly plant: Plant;
  readonly scope: Scope;
  readonly grades: Readonly<Record<string, Grade>>;
}

/** Jobs without end: small random plants, and works whose mains are joined crosswise, far too large to try every subset. */
function* listJobs(): Generator<Asked> {
  for (let seed = 1; ; seed++) {
    yield { name: `plant ${seed}`, ...rollPlant(seed) };
    const { plant, jobs } = makeWorks(seed, 40);
    for (const [n, { kind, scope }] of jobs.slice(0, 4).entries()) {
      yield { name: `works ${seed}, ${kind} ${n}`, plant, scope, grades: {} };
    }
  }
}

describe('the planner against an integer programme', () => {
  it('finds the same least effort, and the same jobs without a plan', async () => {
    let asked = 0;
    let solved = 0;
    for (const { name, plant, scope, grades } of listJobs()) {
      if (asked >= JOBS) break;
      const parsed = parsePlant(plant);
      if (!parsed.ok) throw new Error(`${name}: ${JSON.stringify(parsed.problems)}`);
      const graph = buildGraph(parsed.value);
      const requirement = computeRequirement(graph, scope, grades);
      if (!isExpressible(graph, requirement)) continue;
      asked += 1;
      const limits = limitTime(20, () => performance.now());
      limits.begin();
      const best = new PlanFinder(graph, requirement, {}, limits).best('effort');
      const programme = await solveProgramme(graph, requirement);
      if (programme) {
        solved += 1;
        const { findings } = checkPlan(graph, requirement, programme.plan);
        const stops = findings.filter(({ severity }) => severity === 'stops');
        expect({ name, stops: stops.map(({ words }) => words) }).toEqual({ name, stops: [] });
      }
      const found = best && (best.isProved ? Math.round(best.figures.price) : 'not proved');
      expect({ name, effort: found }).toEqual({
        name,
        effort: programme && Math.round(programme.effort),
      });
    }
    expect(solved).toBeGreaterThan(JOBS / 3);
  });
});
