import { jobOn, planOf, smallPlant } from '../../../tests/support/small-plant';
import { rollPlant } from '../../../tests/support/random-plant';
import {
  buildGraph,
  emptyOut,
  findWhyNotEmptied,
  listEmptiable,
  parsePlant,
  parseScope,
  type Plant,
  type Scope,
} from '../plant';
import { listProofs } from '../proving';
import { planSequence } from '../sequence';
import { checkPlan } from './check/check';
import { planIsolation } from './planner/plan';
import { computeRequirement } from './requirement';

type Change = Parameters<typeof smallPlant>[0];

/** A tank instead of the header: SRC holds 40 m³. */
const tank = (change: Change = {}) =>
  smallPlant({
    ...change,
    sections: { SRC: { source: { name: 'tank level' }, volume_m3: 40 }, ...change.sections },
  });
const INTO_TANK: Scope = {
  work: [{ section: 'SRC', activity: 'enter' }],
  hours: 4,
  emptied: ['SRC'],
};

const WHY: readonly [string, Plant, string, RegExp | undefined][] = [
  ['a tank', tank(), 'SRC', undefined],
  ['a header without a volume', smallPlant(), 'SRC', /no volume/],
  ['a tank of no volume', tank({ sections: { SRC: { source: { name: 'x' } } } }), 'SRC', /no vol/],
  ['a busbar', tank(), 'BUS', /is not run out/],
  ['a hopper of solids', tank({ medium: { phase: 'solid' } }), 'SRC', /is not run out/],
  ['a line', tank(), 'MID', /no source/],
  ['what the plant has not', tank(), 'GHOST', /not a section/],
];

describe('what can be run empty', () => {
  it.each(WHY)('%s', (...[, plant, id, why]) => {
    const found = findWhyNotEmptied(plant, id);
    if (why) expect(found).toMatch(why);
    else expect(found).toBeUndefined();
  });

  it('is what holds a known volume', () => {
    expect([listEmptiable(tank()), listEmptiable(smallPlant())]).toEqual([['SRC'], []]);
  });

  it('lets a tank be a place of work, and names each thing that cannot be emptied by its path', () => {
    const scope = (emptied: readonly string[]) =>
      parseScope({ work: INTO_TANK.work, hours: 4, emptied }, tank());
    expect(scope(['SRC']).ok).toBe(true);
    const bad = scope(['BUS', 'GHOST']);
    expect(bad.ok ? [] : bad.problems.map(({ path }) => path)).toEqual([
      'work[0].section',
      'emptied[0]',
      'emptied[1]',
    ]);
  });
});

describe('a source that is run empty', () => {
  it('demands nothing of the isolation, reaches nobody, and is named with its route', () => {
    const scope = { work: [{ section: 'W', activity: 'open' as const }], hours: 8 };
    const full = jobOn(tank(), scope);
    const empty = jobOn(tank(), { ...scope, emptied: ['SRC'] });
    expect(full.requirement.demands.map(({ id }) => id)).toEqual(['BUS', 'SRC']);
    expect(empty.requirement.demands.map(({ id }) => id)).toEqual(['BUS']);
    expect(empty.requirement.trace.emptied).toMatchObject([{ id: 'SRC', route: ['V1', 'V2'] }]);
    const passes = ({ graph, requirement }: typeof full) =>
      checkPlan(graph, requirement, planOf(['CB'], ['DR'])).passes;
    expect([passes(full), passes(empty)]).toEqual([false, true]);
  });

  it('is proved empty where it is open to the work, and where it is shut off from it', () => {
    const scope = { work: [{ section: 'W', activity: 'open' as const }], hours: 8 };
    const { graph, requirement } = jobOn(tank(), { ...scope, emptied: ['SRC'] });
    const proofs = (close: string[]) =>
      listProofs(graph, requirement, planOf(close, ['DR'])).map(({ kind, covers, sees }) => [
        kind,
        covers.includes('SRC'),
        sees,
      ]);
    expect(proofs(['CB'])).toContainEqual([
      'pressure',
      true,
      ['bleed-clear', 'no-flow', 'no-level'],
    ]);
    expect(proofs(['CB', 'V1'])).toContainEqual(['pressure', true, ['no-flow', 'no-level']]);
    expect(proofs(['CB', 'V1'])).toContainEqual([
      'pressure',
      false,
      ['bleed-clear', 'no-flow', 'no-level'],
    ]);
  });

  it('is read at its level gauge where it has one', () => {
    const plant = tank();
    const gauges = [...plant.gauges, { id: 'LG', section: 'SRC', reads: 'level' as const }];
    const { graph, requirement } = jobOn({ ...plant, gauges }, INTO_TANK);
    const level = listProofs(graph, requirement, planOf(['V1', 'CB'])).find(
      ({ kind }) => kind === 'level',
    );
    expect([level?.section, level?.gauges]).toEqual(['SRC', ['LG']]);
  });

  it('is run empty when the plant is stopped, before anything is shut', () => {
    const { graph, requirement } = jobOn(tank(), INTO_TANK);
    const steps = planSequence(graph, requirement, planOf(['V1']));
    const stop = steps.findIndex(({ phase }) => phase === 'stop');
    expect(steps[stop]?.words).toBe('stop by the normal controls, and run SRC (SRC, 40 m³) empty');
    expect(steps.findIndex(({ subject }) => subject === 'V1')).toBeGreaterThan(stop);
  });

  it('is planned like the same plant drawn without it, point by point (seeded)', () => {
    let compared = 0;
    for (let seed = 900; seed < 960; seed++) {
      const { plant, scope, grades } = rollPlant(seed);
      const volumed: Plant = {
        ...plant,
        sections: plant.sections.map((one) => ({ ...one, volume_m3: 1 })),
      };
      const [emptied] = listEmptiable(volumed);
      if (emptied === undefined) continue;
      compared += 1;
      const drawn = {
        ...volumed,
        sections: volumed.sections.map((one) =>
          one.id === emptied ? { ...one, source: undefined, pressure_bar: 0 } : one,
        ),
      };
      const solve = (one: Plant, of: Scope) => {
        const graph = buildGraph(one);
        return planIsolation(graph, computeRequirement(graph, of, grades));
      };
      expect({ seed, ...solve(volumed, { ...scope, emptied: [emptied] }) }).toEqual({
        seed,
        ...solve(drawn, scope),
      });
    }
    expect(compared).toBeGreaterThan(20);
  });

  it('leaves the drawing as it is, and answers the same plant when asked again', () => {
    const parsed = parsePlant(tank());
    if (!parsed.ok) throw new Error('bad plant');
    const graph = buildGraph(parsed.value);
    const at = graph.sectionAt.get('SRC') ?? -1;
    const empty = emptyOut(graph, [at]);
    expect([graph.isSource[at], empty.isSource[at]]).toEqual([1, 0]);
    expect(emptyOut(graph, [at, at])).toBe(empty);
    expect(emptyOut(empty, [at])).toBe(empty);
    expect(emptyOut(graph, [])).toBe(graph);
  });
});
