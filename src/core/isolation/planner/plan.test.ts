import { rollPlant } from '../../../../tests/support/random-plant';
import { searchEverySubset } from '../../../../tests/support/every-subset';
import { loadSolver } from '../../../server/solver';
import { buildGraph, parsePlant } from '../../plant';
import { computeRequirement } from '../requirement';
import { planIsolation } from './plan';

const PLANTS = Number(process.env.LANTERN_SEEDS ?? 250);
const FIRST = Number(process.env.LANTERN_FIRST_SEED ?? 1);

describe('planIsolation against every subset', () => {
  it('is exactly as good on seeded random small plants, and says infeasible just when nothing passes', async () => {
    const solver = await loadSolver();
    let feasible = 0;
    for (let seed = FIRST; seed < FIRST + PLANTS; seed++) {
      const { plant, scope, grades } = rollPlant(seed);
      const parsed = parsePlant(plant);
      if (!parsed.ok) throw new Error(`seed ${seed}: ${JSON.stringify(parsed.problems)}`);
      const graph = buildGraph(parsed.value);
      const requirement = computeRequirement(graph, scope, grades);
      const result = planIsolation(graph, requirement, solver);
      const [effort, outage, points] = searchEverySubset(graph, requirement, [
        ['effort', 'outage'],
        ['outage', 'effort'],
        ['points', 'effort'],
      ]);
      const { answers } = result;
      const found = result.feasible && {
        effort: [answers.effort.cost.effort, answers.effort.cost.outage],
        outage: [answers.outage.cost.outage, answers.outage.cost.effort],
        points: [answers.points.cost.points, answers.points.cost.effort],
      };
      const wanted = effort !== undefined && {
        effort: [effort.effort, effort.outage],
        outage: [outage?.outage, outage?.effort],
        points: [points?.points, points?.effort],
      };
      expect({ seed, found }).toEqual({ seed, found: wanted });
      if (result.feasible) {
        feasible++;
        expect({ seed, passes: Object.values(answers).map((answer) => answer.passes) }).toEqual({
          seed,
          passes: [true, true, true],
        });
        expect({ seed, unmet: result.unmet }).toEqual({ seed, unmet: [] });
      }
    }
    expect(feasible).toBeGreaterThan(PLANTS / 5);
    expect(feasible).toBeLessThan(PLANTS);
  });
});
