import { rollLines } from '../../../../tests/support/random-lines';
import { makeWorks } from '../../../../tests/support/works';
import { buildGraph, type PlantGraph } from '../../plant';
import { presentOrThrow } from '../../result';
import { computeRequirement, type Requirement } from '../requirement';
import { PlanFinder } from './best';
import { listEarthings } from './arrangements';
import { Fields } from './fields';
import { edgesOf, otherCell } from './cells';
import { buildModel } from './model';
import { AS_CLOSED } from './possible';
import type { Region } from './region';
import { MARKS } from './tighten-net';

const SEEDS = [1, 2, 3, 5, 7, 9];
const AIMS = ['effort', 'outage', 'points'] as const;
/** More rings than any of these works has: the whole plant. */
const ALL_RINGS = 300;
const WIDE = { mostStates: 30_000, mostCells: Infinity, isOver: () => false };
const ANYTHING = { price: Infinity, lost: Infinity, isAttained: false };

function fieldsOf(graph: PlantGraph, requirement: Requirement): Fields | undefined {
  const model = buildModel(graph, requirement);
  const [earthing] = listEarthings(model);
  return earthing && new Fields(model, earthing);
}

/** Every job of some small works, with the fields of its first earthing. */
function* listCases() {
  for (const seed of SEEDS) {
    const { plant, jobs } = makeWorks(seed, 60);
    const graph = buildGraph(plant);
    for (const { kind, scope } of jobs) {
      const requirement = computeRequirement(graph, scope);
      const fields = fieldsOf(graph, requirement);
      if (fields && !fields.isHopeless('effort'))
        yield { name: `${seed} ${kind}`, graph, requirement, fields };
    }
  }
}

/** Small lines with two valves and a bleed, and all their cells. */
function* listLines(count: number) {
  for (let seed = 1; seed <= count; seed++) {
    const { plant, scope } = rollLines(seed);
    const graph = buildGraph(plant);
    const fields = fieldsOf(graph, computeRequirement(graph, scope));
    if (!fields || fields.isHopeless('effort')) continue;
    yield { seed, fields, everywhere: fields.regionNear(ALL_RINGS, WIDE) };
  }
}

/** For each standing of each cell but the last: the whole plant with the cell held to it. */
function* listForced(fields: Fields, everywhere: Region) {
  for (const [cell, standings] of everywhere.open) {
    for (const standing of standings) {
      if (standing === fields.lastOf(cell)) continue;
      const open = new Map(everywhere.open).set(cell, [standing]);
      yield { cell, standing, forced: { ...everywhere, open } };
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

  it('says no more than is true of what a standing of a cell costs at least', () => {
    let tight = 0;
    for (const { seed, fields, everywhere } of listLines(80)) {
      const field = fields.over('effort');
      for (const { cell, standing, forced } of listForced(fields, everywhere)) {
        const { best } = fields.sweep(field, ANYTHING, forced, WIDE);
        const row = presentOrThrow(fields.standings[standing], 'standing');
        const least = field.least + field.floor.leastAbove(cell, row, Infinity);
        const truth = best?.price ?? Infinity;
        const isTrue = least <= truth + 1e-6;
        expect({ seed, cell, standing, isTrue }).toEqual({ seed, cell, standing, isTrue: true });
        if (least > field.least && least === truth) tight += 1;
      }
    }
    // It would be true of nought as well: often it says all there is to say.
    expect(tight).toBeGreaterThan(50);
  });

  it('leaves out for outage only what truly loses more', () => {
    let out = 0;
    for (const { seed, fields, everywhere } of listLines(600)) {
      const whole = fields.over('outage');
      for (const more of [0, 1, 2, 4]) {
        const lost = fields.certainLoss + more;
        const field = fields.ofLoss(lost);
        for (const { cell, standing, forced } of listForced(fields, everywhere)) {
          if (field.possible.has(cell, standing) && !field.isOut?.(cell, standing)) continue;
          const truth = fields.sweep(whole, ANYTHING, forced, WIDE).best?.lost ?? Infinity;
          const isTrue = truth > lost;
          expect({ seed, cell, standing, isTrue }).toEqual({ seed, cell, standing, isTrue: true });
          if (truth !== Infinity) out += 1;
        }
      }
    }
    expect(out).toBeGreaterThan(50);
  });

  it('never counts as certain a loss that some plan saves', () => {
    for (const { name, graph, requirement, fields } of listCases()) {
      const least = new PlanFinder(graph, requirement).best('outage')?.figures.lost ?? Infinity;
      expect({ name, isUnder: fields.certainLoss <= least }).toEqual({ name, isUnder: true });
    }
  });
});

describe('Fields.prepare', () => {
  const never = () => false;

  it('tightens the floor to what the best plan costs on lines without a ring, and never above it', () => {
    let tight = 0;
    let compared = 0;
    for (const { seed, fields, everywhere } of listLines(200)) {
      for (const aim of ['effort', 'points'] as const) {
        const field = fields.over(aim);
        const truth = fields.sweep(field, ANYTHING, everywhere, WIDE).best?.price;
        if (truth === undefined) continue;
        const least = fields.prepare(field, ANYTHING, everywhere, never)?.tightened.least ?? 0;
        const isTrue = least <= truth + 1e-6 && least >= field.least - 1e-6;
        expect({ seed, aim, isTrue }).toEqual({ seed, aim, isTrue: true });
        if (least >= truth * 0.99) tight += 1;
        compared += 1;
      }
    }
    expect(tight).toBeGreaterThan(compared / 2);
  });

  it('keeps every standing that a plan within the room gives a cell, and shows where there is none', () => {
    let none = 0;
    for (const { seed, fields, everywhere } of listLines(200)) {
      const field = fields.over('effort');
      const { best } = fields.sweep(field, ANYTHING, everywhere, WIDE);
      if (!best) continue;
      const within = (price: number) => ({ price, lost: Infinity, isAttained: false });
      const at = fields.prepare(field, within(best.price), everywhere, never);
      const kept = [...best.standingOf].every(
        ([cell, standing]) =>
          at?.region.open.get(cell)?.includes(standing) ?? standing === fields.lastOf(cell),
      );
      expect({ seed, kept }).toEqual({ seed, kept: true });
      const below = within(best.price - 0.5);
      expect({ seed, found: fields.sweep(field, below, everywhere, WIDE) }).toEqual({
        seed,
        found: { best: undefined, dropped: undefined },
      });
      if (!fields.prepare(field, below, everywhere, never)) none += 1;
    }
    expect(none).toBeGreaterThan(50);
  });

  it('says at no place of a sweep that more is to come than does', () => {
    let looked = 0;
    let tight = 0;
    for (const { seed, fields, everywhere } of listLines(120)) {
      const field = fields.over('effort');
      const { best } = fields.sweep(field, ANYTHING, everywhere, WIDE);
      const prepared = best && fields.prepare(field, ANYTHING, everywhere, never);
      if (!best || !prepared) continue;
      const { cells, meeting, prices, region, tightened, lastOf } = prepared;
      const { order } = region;
      const standingAt = (cell: number) => best.standingOf.get(cell) ?? lastOf(cell);
      const placeOf = new Map(order.map((cell, place) => [cell, place]));
      const placeAt = (cell: number) => placeOf.get(cell) ?? -1;
      const outletsOf = (cell: number) =>
        (cells.safeOutlets.get(cell) ?? []).filter((outlet) => best.open.includes(outlet));
      /** What the best plan opens and closes in the cells after a place. */
      const restOf = (place: number): number => {
        const opened = order
          .slice(place + 1)
          .flatMap(outletsOf)
          .reduce((sum, outlet) => sum + prices.outlet(outlet), 0);
        const closed = [...cells.links.keys()]
          .filter((edge) => {
            const [a, b] = [cells.ends[2 * edge] as number, cells.ends[2 * edge + 1] as number];
            if (Math.max(placeAt(a), placeAt(b)) <= place) return false;
            const how = meeting(edge, standingAt(a), standingAt(b));
            return how === AS_CLOSED || best.alsoClosed.includes(edge);
          })
          .reduce((sum, edge) => sum + prices.link(cells.links[edge] as number), 0);
        return opened + closed;
      };
      order.forEach((_, place) => {
        const isAtEdge = (cell: number) =>
          [...edgesOf(cells, cell)].some((edge) => placeAt(otherCell(cells, edge, cell)) > place);
        const ahead = order
          .slice(0, place + 1)
          .filter(isAtEdge)
          .reduce((sum, cell) => {
            const at = standingAt(cell) * MARKS;
            return sum + Math.min(...tightened.ahead(cell, place).subarray(at, at + MARKS));
          }, 0);
        const said = (tightened.restFrom[place + 1] as number) + ahead;
        const rest = restOf(place);
        const isTrue = said <= rest + 1e-6;
        expect({ seed, place, isTrue }).toEqual({ seed, place, isTrue: true });
        if (rest > 0 && said >= rest * 0.99) tight += 1;
        looked += 1;
      });
    }
    expect(looked).toBeGreaterThan(200);
    expect(tight).toBeGreaterThan(looked / 4);
  });
});
