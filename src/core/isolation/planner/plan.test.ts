import { rollLines } from '../../../../tests/support/random-lines';
import { rollPlant, wear } from '../../../../tests/support/random-plant';
import { searchEverySubset } from '../../../../tests/support/every-subset';
import { makeWorks } from '../../../../tests/support/works';
import { buildGraph, parsePlant, type Grade, type Plant, type Scope } from '../../plant';
import { computeRequirement } from '../requirement';
import { PlanFinder } from './best';
import { listEarthings } from './arrangements';
import { buildModel } from './model';
import { planIsolation } from './plan';
import { PlanSearch } from './search';

const PLANTS = Number(process.env.LANTERN_SEEDS ?? 250);
const FIRST = Number(process.env.LANTERN_FIRST_SEED ?? 1);

/** Compares one job with the best of all subsets, aim by aim; answers whether any plan passes. */
function expectBest(
  seed: number,
  plant: Plant,
  scope: Scope,
  grades: Record<string, Grade> = {},
): boolean {
  const parsed = parsePlant(plant);
  if (!parsed.ok) throw new Error(`seed ${seed}: ${JSON.stringify(parsed.problems)}`);
  const graph = buildGraph(parsed.value);
  const requirement = computeRequirement(graph, scope, grades);
  const result = planIsolation(graph, requirement);
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
  if (!result.feasible) return false;
  expect({
    seed,
    unmet: result.unmet,
    passes: Object.values(answers).map((answer) => answer.passes),
  }).toEqual({ seed, unmet: [], passes: [true, true, true] });
  return true;
}

const seeds = (count: number) => Array.from({ length: count }, (_, n) => FIRST + n);

describe('planIsolation against every subset', () => {
  it('is exactly as good on seeded random small plants, and says infeasible just when nothing passes', () => {
    const feasible = seeds(PLANTS).filter((seed) => {
      const { plant, scope, grades } = rollPlant(seed);
      return expectBest(seed, plant, scope, grades);
    });
    expect(feasible.length).toBeGreaterThan(PLANTS / 10);
    expect(feasible.length).toBeLessThan(PLANTS);
  });

  it('is exactly as good where links are stuck and outlets are blocked', () => {
    const feasible = seeds(PLANTS).filter((seed) => {
      const { plant, scope, grades } = rollPlant(seed);
      return expectBest(seed, wear(seed, plant), scope, grades);
    });
    expect(feasible.length).toBeGreaterThan(PLANTS / 20);
  });

  it('is exactly as good on lines with two valves and a bleed, on shared headers and by-passed', () => {
    const feasible = seeds(PLANTS).filter((seed) => {
      const { plant, scope } = rollLines(seed);
      return expectBest(seed, plant, scope);
    });
    expect(feasible.length).toBeGreaterThan(PLANTS / 10);
  });

  it('never takes what it had no room or time to look at for none', () => {
    const cramped = { mostStates: 200, mostCells: 1, isOver: () => true };
    let feasible = 0;
    for (const seed of seeds(Math.min(PLANTS, 200))) {
      const { plant, scope, grades } =
        seed % 2 ? rollPlant(seed) : { grades: {}, ...rollLines(seed) };
      const graph = buildGraph(plant);
      const requirement = computeRequirement(graph, scope, grades);
      const isFeasible = new PlanFinder(graph, requirement).isFeasible();
      const inHaste = new PlanFinder(graph, requirement, {}, cramped);
      expect({ seed, isFeasible: inHaste.isFeasible() }).toEqual({ seed, isFeasible });
      expect({ seed, has: inHaste.best('effort') !== undefined }).toEqual({
        seed,
        has: isFeasible,
      });
      if (isFeasible) feasible += 1;
    }
    expect(feasible).toBeGreaterThan(20);
  });

  it('goes on past the region it may search at its best before it says that there is no plan', () => {
    const cramped = { mostStates: 200, mostCells: 1, isOver: () => true };
    const { plant, jobs } = makeWorks(7, 1000);
    const graph = buildGraph(plant);
    for (const { kind, scope } of jobs.filter((job) => job.kind === 'exchanger').slice(0, 2)) {
      const model = buildModel(graph, computeRequirement(graph, scope), {});
      const [earthing] = listEarthings(model);
      if (!earthing) throw new Error('no earthing');
      const search = new PlanSearch(model, earthing, cramped);
      expect({ kind, isFeasible: search.isFeasible() }).toEqual({ kind, isFeasible: true });
    }
  });
});
