import { listEveryPlan } from '../../../../tests/support/every-subset';
import { Dice, rollPlant, wear } from '../../../../tests/support/random-plant';
import { SecondReading } from '../../../../tests/support/second-reading';
import { buildGraph } from '../../plant';
import { computeRequirement } from '../requirement';
import { checkPlan } from './check';

/** How many random plants and plans are read twice; `npm run fuzz -- truth N` reads N. */
const PLANS = Number(process.env.LANTERN_TRUTHS ?? 2_000);
const PLANS_EACH = 20;

describe('a second reading of the rules, written apart', () => {
  it(`says the same of ${PLANS} random plans`, () => {
    let read = 0;
    let passed = 0;
    for (let seed = 1; read < PLANS; seed++) {
      const { plant: whole, scope, grades } = rollPlant(seed);
      const plant = seed % 3 === 0 ? wear(seed, whole) : whole;
      const graph = buildGraph(plant);
      const requirement = computeRequirement(graph, scope, grades);
      const second = new SecondReading({
        plant,
        work: scope.work,
        grades: Object.fromEntries(requirement.demands.map(({ id, grade }) => [id, grade])),
        earths: requirement.earths.map(({ section }) => graph.sections[section]?.id ?? ''),
      });
      const dice = new Dice(seed);
      const all = [...listEveryPlan(graph)];
      for (let n = 0; n < PLANS_EACH; n++) {
        const plan = dice.pick(all);
        const { passes } = checkPlan(graph, requirement, plan);
        expect({ seed, plan, passes }).toEqual({ seed, plan, passes: second.passes(plan) });
        read += 1;
        if (passes) passed += 1;
      }
    }
    expect(passed).toBeGreaterThan(PLANS / 20);
    expect(passed).toBeLessThan(read);
  });
});
