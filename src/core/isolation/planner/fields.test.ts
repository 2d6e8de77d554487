import { makeWorks } from '../../../../tests/support/works';
import { buildGraph } from '../../plant';
import { computeRequirement } from '../requirement';
import { PlanFinder } from './best';
import { listEarthings } from './earths';
import { Fields } from './fields';
import { buildModel } from './model';

const SEEDS = [1, 2, 3, 5, 7, 9];
const AIMS = ['effort', 'outage', 'points'] as const;
/** More rings than any of these works has: the whole plant. */
const ALL_RINGS = 300;
const WIDE = { mostStates: 30_000, mostCells: Infinity, isOver: () => false };
const ANYTHING = { price: Infinity, lost: Infinity, isAttained: false };

/** Every job of some small works, with the fields of its first earthing. */
function* listCases() {
  for (const seed of SEEDS) {
    const { plant, jobs } = makeWorks(seed, 60);
    const graph = buildGraph(plant);
    for (const { kind, scope } of jobs) {
      const requirement = computeRequirement(graph, scope);
      const model = buildModel(graph, requirement);
      const [earthing] = listEarthings(model);
      if (!earthing) continue;
      const fields = new Fields(model, earthing.earths, earthing.keptOpen);
      yield { name: `${seed} ${kind}`, graph, requirement, fields };
    }
  }
}

describe('Fields', () => {
  it('leaves out no cell that the best plan needs: the whole plant, swept at once, has none better', () => {
    let compared = 0;
    for (const { name, graph, requirement, fields } of listCases()) {
      const finder = new PlanFinder(graph, requirement);
      for (const aim of AIMS) {
        const region = fields.regionNear(ALL_RINGS, WIDE);
        const swept = fields.sweep(fields.over(aim), ANYTHING, region, WIDE);
        const found = finder.best(aim);
        if (swept.dropped || !found?.isProved) continue;
        const { price, lost } = found.figures;
        const lostOf = (figure: number | undefined) => (aim === 'points' ? 0 : figure);
        expect({ name, aim, price, lost: lostOf(lost) }).toEqual({
          name,
          aim,
          price: swept.best?.price,
          lost: lostOf(swept.best?.lost),
        });
        compared += 1;
      }
    }
    expect(compared).toBeGreaterThan(40);
  });

  it('sets its floor under every best plan, and leaves open to each cell the standing that it has there', () => {
    let compared = 0;
    for (const { name, fields } of listCases()) {
      for (const aim of ['effort', 'points'] as const) {
        const field = fields.over(aim);
        const everywhere = fields.regionNear(ALL_RINGS, WIDE);
        const { best } = fields.sweep(field, ANYTHING, everywhere, WIDE);
        if (!best) continue;
        expect({ name, isUnder: field.least <= best.price }).toEqual({ name, isUnder: true });
        const { open } = fields.regionWithin(field, best.price, WIDE);
        for (const [cell, standing] of best.standingOf) {
          const bits = open.get(cell) ?? 1 << fields.last;
          expect({ name, cell, isOpen: (bits >> standing) & 1 }).toEqual({ name, cell, isOpen: 1 });
          compared += 1;
        }
      }
    }
    expect(compared).toBeGreaterThan(500);
  });

  it('never counts as certain a loss that some plan saves', () => {
    for (const { name, graph, requirement, fields } of listCases()) {
      const least = new PlanFinder(graph, requirement).best('outage')?.figures.lost ?? Infinity;
      expect({ name, isUnder: fields.certainLoss <= least }).toEqual({ name, isUnder: true });
    }
  });
});
