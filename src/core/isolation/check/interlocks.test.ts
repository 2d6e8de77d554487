import {
  buildGraph,
  parsePlant,
  type Interlock,
  type IsolationPlan,
  type Plant,
} from '../../plant';
import { computeRequirement } from '../requirement';
import { planIsolation } from '../planner/plan';
import { smallPlant } from '../../../../tests/support/small-plant';
import { checkPlan } from './check';

const NOTHING: IsolationPlan = { close: [], open: [], restrain: [] };

/** The small line with a shut bypass BP round V1 and a drain valve DV that stands shut, and with some interlocks. */
function drawn(
  interlocks: readonly Partial<Interlock>[],
  change: (plant: Plant) => void = () => undefined,
) {
  const plant = smallPlant();
  plant.links.push(
    { id: 'BP', kind: 'gate-valve', between: ['SRC', 'MID'], normal: 'closed' },
    { id: 'DV', kind: 'ball-valve', between: ['W', 'END'], normal: 'closed' },
  );
  change(plant);
  const parsed = parsePlant({
    ...plant,
    interlocks: interlocks.map((one, n) => ({ id: `KI-${n}`, ...one })),
  });
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems));
  const graph = buildGraph(parsed.value);
  const requirement = computeRequirement(graph, {
    work: [{ section: 'W', activity: 'open' }],
    hours: 8,
  });
  const findings = (plan: Partial<IsolationPlan>) =>
    checkPlan(graph, requirement, { ...NOTHING, ...plan }).findings.filter(
      ({ code }) => code === 'interlock-bars' || code === 'cannot-be-both',
    );
  return { graph, requirement, findings };
}

describe('what an interlock bars', () => {
  it.each<[string, Partial<Interlock>, Partial<IsolationPlan>, boolean]>([
    ['two valves closed', { closed: ['V1', 'V2'] }, { close: ['V1', 'V2'] }, true],
    ['one of two closed', { closed: ['V1', 'V2'] }, { close: ['V1'] }, false],
    ['one closed, the other shut as it stands', { closed: ['V1', 'BP'] }, { close: ['V1'] }, true],
    ['the other opened first', { closed: ['V1', 'BP'] }, { close: ['V1'], stand: ['BP'] }, false],
    ['what stands shut, locked so', { closed: ['V1', 'BP'] }, { close: ['BP'] }, false],
    ['two shut ones opened', { open: ['BP', 'DV'] }, { stand: ['BP', 'DV'] }, true],
    ['one opened, one stands open', { open: ['V2', 'DV'] }, { stand: ['DV'] }, true],
    [
      'one opened, the other closed',
      { open: ['V2', 'DV'] },
      { close: ['V2'], stand: ['DV'] },
      false,
    ],
    ['an outlet beside what is open', { open: ['DR', 'V2'] }, { open: ['DR'] }, true],
    [
      'an outlet once that is closed',
      { open: ['DR', 'V2'] },
      { open: ['DR'], close: ['V2'] },
      false,
    ],
    ['nothing of it moved', { open: ['V1'], closed: ['BP'] }, { close: ['V2'] }, false],
    ['three, of which two stand', { open: ['DR'], closed: ['V1', 'BP'] }, { close: ['V1'] }, false],
  ])('%s', (_label, bar, plan, isBarred) => {
    expect(drawn([bar]).findings(plan)).toHaveLength(isBarred ? 1 : 0);
  });

  it('does not take what only might be closed for closed', () => {
    const { findings } = drawn([{ open: ['DR', 'V2'] }], (plant) => {
      plant.links.forEach((link) => {
        if (link.id === 'V2') link.lockable = false;
      });
    });
    expect(findings({ open: ['DR'], close: ['V2'] })).toHaveLength(1);
  });

  it('says what stands how, and what would mend it', () => {
    const [finding] = drawn([{ open: ['DR', 'V2'] }]).findings({ open: ['DR'] });
    expect(finding).toMatchObject({
      code: 'interlock-bars',
      severity: 'stops',
      subject: 'KI-0',
      words:
        'the interlock KI-0 does not let these stand at once: DR opened and V2 open as it stands in normal running',
      mends: [
        { action: 'drop', id: 'DR' },
        { action: 'close', id: 'V2' },
      ],
    });
  });

  it('takes links that exclude one another for the ways of one valve', () => {
    const { findings } = drawn([], (plant) => {
      plant.links.forEach((link) => {
        if (link.id === 'DV') link.excludes = ['BP', 'V2'];
      });
    });
    expect(findings({ stand: ['DV', 'BP'], close: ['V2'] }).map(({ code }) => code)).toEqual([
      'cannot-be-both',
    ]);
    expect(findings({ stand: ['DV'] })).toHaveLength(1);
    expect(findings({ stand: ['DV'], close: ['V2'] })).toEqual([]);
  });
});

describe('planning round an interlock', () => {
  it('takes the next best way', () => {
    const free = drawn([]);
    const before = planIsolation(free.graph, free.requirement).answers.effort;
    expect(before.close).toContain('V2');
    const barred = drawn([{ open: ['DR'], closed: ['V2'] }]);
    const after = planIsolation(barred.graph, barred.requirement);
    expect(after.feasible).toBe(true);
    expect(after.answers.effort).toMatchObject({ passes: true, optimal: true });
    const { close, open } = after.answers.effort;
    expect(close.includes('V2') && open.includes('DR')).toBe(false);
  });

  it('opens what has to stand open, and closes what has to be closed', () => {
    const { graph, requirement } = drawn([{ closed: ['V2', 'DV'] }]);
    const { effort } = planIsolation(graph, requirement).answers;
    expect(effort.passes).toBe(true);
    const stand = effort.close.includes('V2') ? effort.stand : ['DV'];
    expect(stand).toContain('DV');
  });

  it('says that there is no plan when every way is barred', () => {
    const { graph, requirement } = drawn([
      { open: ['DR'], closed: ['V1'] },
      { open: ['DR'], closed: ['V2'] },
      { open: ['BL'], closed: ['V1'] },
    ]);
    const result = planIsolation(graph, requirement);
    expect(result.feasible).toBe(false);
    expect(result.answers.effort.passes).toBe(false);
  });
});
