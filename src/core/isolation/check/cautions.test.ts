import { jobOn, planOf, smallPlant } from '../../../../tests/support/small-plant';
import type { IsolationPlan, Scope } from '../../plant';
import { checkPlan } from './check';
import type { FindingCode } from '../findings';

type Change = Parameters<typeof smallPlant>[0];
const held = planOf(['V2', 'CB'], ['DR']);

function subjectsOf(
  change: Change,
  plan: IsolationPlan,
  code: FindingCode,
  scope?: Scope,
  more: object = {},
): string[] {
  const { graph, requirement } = jobOn({ ...smallPlant(change), ...more }, scope);
  return checkPlan(graph, requirement, plan)
    .findings.filter((finding) => finding.code === code)
    .map(({ subject }) => subject);
}

const system = (id: string) => ({ leads_to: 'closed-system', system: id });
const pump = { id: 'P-1', name: 'pump', kind: 'pump', area: 'A', sections: ['MID'] };

const TABLE: [string, Change, IsolationPlan, FindingCode, string[], object?][] = [
  ['nothing to say of a plain plan', {}, held, 'shut-in-no-outlet', []],
  [
    'what is shut in behind a check valve with no outlet',
    { links: { SB: { kind: 'check-valve' } } },
    held,
    'shut-in-no-outlet',
    ['END'],
  ],
  [
    'what is shut in without pressure',
    { links: { SB: { kind: 'check-valve' } }, sections: { END: { pressure_bar: 0 } } },
    held,
    'shut-in-no-outlet',
    [],
  ],
  [
    'a machine that loses its supply',
    { links: { M: { kind: 'pump' } } },
    planOf(['V1', 'CB'], ['DR']),
    'equipment-loses-supply',
    ['P-1'],
    { equipment: [pump] },
  ],
  [
    'a machine that keeps it',
    { links: { M: { kind: 'pump' } } },
    held,
    'equipment-loses-supply',
    [],
    { equipment: [pump] },
  ],
  [
    'a barrier that loses its motive power and fails open',
    { links: { V2: { fails: 'open', powered_by: 'CBL' } } },
    held,
    'barrier-fails-open',
    ['V2'],
  ],
  [
    'one that fails closed',
    { links: { V2: { fails: 'closed', powered_by: 'CBL' } } },
    held,
    'barrier-fails-open',
    [],
  ],
  [
    'one whose power stays',
    { links: { V2: { fails: 'open', powered_by: 'BUS' } } },
    held,
    'barrier-fails-open',
    [],
  ],
  [
    'one medium into one system',
    { outlets: { DR: system('pit'), BL: system('pit') } },
    planOf(['V1', 'V2', 'CB'], ['BL', 'DR']),
    'outlets-share-system',
    [],
  ],
  [
    'two media into one system',
    { outlets: { DR: system('pit'), EA: { kind: 'drain', ...system('pit') } } },
    planOf(['V2', 'CB'], ['DR', 'EA']),
    'outlets-share-system',
    ['pit'],
  ],
  [
    'a full space with its bleed open',
    {},
    planOf(['V1', 'V2', 'CB'], ['BL', 'DR']),
    'blocked-in-liquid',
    [],
  ],
  [
    'a gas cannot be shut in full',
    { medium: { phase: 'gas' } },
    planOf(['V1', 'V2', 'CB'], ['DR']),
    'blocked-in-liquid',
    [],
  ],
  [
    'a relief cut off from what a source still drives',
    {
      links: {
        V1: { kind: 'exchanger' },
        SB: { kind: 'relief-valve', protects: ['MID'] },
      },
      sections: { SRC: { medium: 'HEAT' } },
    },
    held,
    'relief-cut-off',
    ['SB'],
    {
      media: [
        { id: 'WATER', name: 'water', energy: 'process', phase: 'liquid', hazards: [] },
        { id: 'POWER', name: 'power', energy: 'electrical', phase: 'none', hazards: [] },
        { id: 'HEAT', name: 'heat', energy: 'thermal', phase: 'none', hazards: [] },
      ],
    },
  ],
  [
    'a relief cut off from what nothing drives',
    { links: { SB: { kind: 'relief-valve', protects: ['MID'] } } },
    planOf(['V1', 'V2', 'CB'], ['DR']),
    'relief-cut-off',
    [],
  ],
];

describe('cautions', () => {
  it.each(TABLE)('%s', (...[, change, plan, code, subjects, more]) => {
    expect(subjectsOf(change, plan, code, undefined, more)).toEqual(subjects);
  });

  it('doubts a drawing on which nothing reaches the work', () => {
    const dead = { sections: { SRC: { source: undefined }, BUS: { source: undefined } } };
    expect(subjectsOf(dead, planOf([]), 'no-source-found')).toEqual(['work']);
  });

  it('never stops a plan', () => {
    const { graph, requirement } = jobOn(smallPlant({ links: { SB: { normal: 'closed' } } }));
    const { passes, findings } = checkPlan(graph, requirement, held);
    expect([passes, findings.map(({ severity }) => severity)]).toEqual([true, ['caution']]);
  });
});
