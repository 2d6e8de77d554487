import { jobOn, planOf, smallPlant } from '../../../tests/support/small-plant';
import { listFailures } from './failures';

const PASSING = planOf(['V1', 'V2', 'CB'], ['BL', 'DR']);
const failuresOf = (plan = PASSING, change: Parameters<typeof smallPlant>[0] = {}) => {
  const { graph, requirement } = jobOn(smallPlant(change));
  return listFailures(graph, requirement, plan);
};
const failureOf = (link: string) => failuresOf().find((failure) => failure.link === link);

describe('listFailures', () => {
  it('puts what reaches the crew first: the only break before the bus', () => {
    const [worst] = failuresOf();
    expect(worst?.link).toBe('CB');
    expect(worst?.exposures).toEqual([
      { source: 'BUS', grade: 'single', reaches: true, stands: [], route: ['CB', 'M'] },
    ]);
  });

  it('names what still stands behind the first of two valves, and the bleed that would run', () => {
    expect(failureOf('V1')?.exposures).toEqual([
      { source: 'SRC', grade: 'single-bled', reaches: false, stands: ['V2'], route: ['V1', 'V2'] },
    ]);
    expect(failureOf('V1')?.signs).toEqual([{ kind: 'flow', id: 'BL', section: 'MID' }]);
  });

  it('says that nothing would be noticed when the valve next to the work passes while the first holds', () => {
    expect(failureOf('V2')?.signs).toEqual([]);
    expect(failureOf('V2')?.exposures[0]).toMatchObject({ reaches: false, stands: ['V1'] });
  });

  it('reads the rise on a gauge of the body that energy enters', () => {
    const alone = failuresOf(planOf(['V2', 'CB'], ['DR'])).find(({ link }) => link === 'V2');
    expect(alone?.exposures[0]).toMatchObject({ source: 'SRC', reaches: true });
    expect(alone?.signs.map(({ kind, id }) => [kind, id])).toEqual([
      ['flow', 'DR'],
      ['rise', 'PG'],
    ]);
  });

  it('leaves out what is no barrier and what is not there', () => {
    const plan = planOf(['V1', 'V2', 'CB', 'M', 'NOWHERE'], ['BL', 'DR']);
    expect(failuresOf(plan).map(({ link }) => link)).toEqual(['CB', 'V2', 'V1']);
  });

  it('has nothing to say of a link that holds nothing back', () => {
    const idle = failuresOf(planOf(['V1', 'V2', 'CB', 'SB'], ['BL', 'DR'])).at(-1);
    expect([idle?.link, idle?.exposures]).toEqual(['SB', []]);
  });
});
