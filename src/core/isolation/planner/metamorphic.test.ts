import { Dice, rollPlant } from '../../../../tests/support/random-plant';
import { loadSolver } from '../../../server/solver';
import { buildGraph, parsePlant, type Grade, type Plant, type Scope } from '../../plant';
import { checkPlan } from '../check';
import { computeRequirement } from '../requirement';
import { planIsolation } from './plan';

function shuffle<T>(dice: Dice, rows: readonly T[]): T[] {
  const left = [...rows];
  return rows.map(() => left.splice(dice.below(left.length), 1)[0] as T);
}

/** The same plant with its tables in another order and links written the other way round. */
function reorder(seed: number, plant: Plant): Plant {
  const dice = new Dice(seed + 7777);
  return {
    ...plant,
    sections: shuffle(dice, plant.sections),
    links: shuffle(dice, plant.links).map((link) => ({
      ...link,
      between: [link.between[1], link.between[0]],
    })),
    outlets: shuffle(dice, plant.outlets),
  };
}

async function solve(plant: Plant, scope: Scope, grades: Record<string, Grade>) {
  const parsed = parsePlant(plant);
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems));
  const graph = buildGraph(parsed.value);
  const requirement = computeRequirement(graph, scope, grades);
  return { graph, requirement, result: planIsolation(graph, requirement, await loadSolver()) };
}

describe('planning', () => {
  it('gives the same answers, point by point, for the same plant in another order', async () => {
    for (let seed = 500; seed < 560; seed++) {
      const { plant, scope, grades } = rollPlant(seed);
      const { result } = await solve(plant, scope, grades);
      const { result: again } = await solve(reorder(seed, plant), scope, grades);
      const points = (one: typeof result) =>
        Object.values(one.answers).map(({ close, open, restrain, cost }) => ({
          close,
          open,
          restrain,
          cost,
        }));
      expect({ seed, unmet: again.unmet, points: points(again) }).toEqual({
        seed,
        unmet: result.unmet,
        points: points(result),
      });
    }
  });

  it('costs no less when a grade is raised', async () => {
    for (let seed = 600; seed < 640; seed++) {
      const { plant, scope } = rollPlant(seed);
      const lower = await solve(plant, scope, {});
      const raised = Object.fromEntries(
        lower.requirement.demands.map(({ id }) => [id, 'positive' as const]),
      );
      const higher = await solve(plant, scope, raised);
      if (!higher.result.feasible) continue;
      const cost = [lower, higher].map(({ result }) => result.answers.effort.cost.effort);
      expect({
        seed,
        feasible: lower.result.feasible,
        rises: (cost[0] ?? 0) <= (cost[1] ?? 0),
      }).toEqual({ seed, feasible: true, rises: true });
    }
  });

  it('never loses hold of a source by one more locked barrier', async () => {
    for (let seed = 700; seed < 740; seed++) {
      const { plant, scope, grades } = rollPlant(seed);
      const { graph, requirement, result } = await solve(plant, scope, grades);
      if (!result.feasible) continue;
      const { close, open, restrain } = result.answers.effort;
      for (const link of graph.links) {
        const { findings } = checkPlan(graph, requirement, {
          close: [...close, link.id],
          open,
          restrain,
        });
        const reaching = findings.filter(
          ({ code }) =>
            code === 'source-reaches-work' ||
            code === 'positive-not-met' ||
            code === 'double-not-met',
        );
        expect({ seed, link: link.id, reaching }).toEqual({ seed, link: link.id, reaching: [] });
      }
    }
  });
});
