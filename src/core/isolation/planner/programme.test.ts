import { solveJob } from '../../../../tests/support/programme/solve-job';
import { loadSolver } from '../../../../tests/support/programme/solver';
import { makeWorks } from '../../../../tests/support/works';
import { buildGraph } from '../../plant';
import { computeRequirement } from '../requirement';
import { PlanFinder } from './best';

/** Seeds whose jobs the integer programme solves in seconds: pumps, motors, cables, a valve and vessels. */
const SEEDS = [3, 4, 6, 8];

describe('PlanFinder against an integer programme with lazy cuts', () => {
  it('finds the same best effort and outage on works too large to try every subset', async () => {
    const solver = await loadSolver();
    let compared = 0;
    for (const seed of SEEDS) {
      const { plant, jobs } = makeWorks(seed, 30);
      const graph = buildGraph(plant);
      for (const { kind, scope } of jobs) {
        const requirement = computeRequirement(graph, scope);
        const finder = new PlanFinder(graph, requirement);
        const costs = (['effort', 'outage'] as const).map((aim) => {
          const { price, lost } = finder.best(aim)?.figures ?? { price: NaN, lost: NaN };
          return [price, lost];
        });
        const byProgramme = [
          solveJob(graph, requirement, 'effort', 'outage', solver),
          solveJob(graph, requirement, 'outage', 'effort', solver),
        ].map((cost) => [cost?.effort, cost?.outage]);
        expect({ seed, kind, costs }).toEqual({ seed, kind, costs: byProgramme });
        compared += 1;
      }
    }
    expect(compared).toBeGreaterThan(10);
  }, 120_000);
});
