import { jobOn, planOf, smallPlant } from '../../../../tests/support/small-plant';
import type { Grade, IsolationPlan, Plant, Scope } from '../../plant';
import { planIsolation } from '../planner/plan';
import { computeRequirement } from '../requirement';
import { checkPlan } from './check';
import type { FindingCode } from '../findings';

type Change = Parameters<typeof smallPlant>[0];
const open: Scope = { work: [{ section: 'W', activity: 'open' }], hours: 8 };
const enter: Scope = { work: [{ section: 'W', activity: 'enter' }], hours: 8 };
const held = (open_: string[] = ['DR']) => planOf(['V2', 'CB'], open_);
const store = (release: string) => ({
  sections: { W: { stores: [{ id: 'ST', kind: 'spring' as const, release }] } },
});

const STOPS: [string, Change, Scope, Record<string, Grade>, IsolationPlan, FindingCode[]][] = [
  ['one valve, drained', {}, open, {}, held(), []],
  [
    'nothing closed',
    {},
    open,
    {},
    planOf([]),
    ['source-reaches-work', 'source-reaches-work', 'work-not-bled'],
  ],
  ['not drained', {}, open, {}, held([]), ['work-not-bled']],
  [
    'a valve that passes',
    { links: { V2: { passing: true } } },
    open,
    {},
    held(),
    ['source-reaches-work', 'work-not-bled', 'outlet-on-live-body'],
  ],
  [
    'a valve worked from afar',
    { links: { V2: { operated: 'remote' } } },
    open,
    {},
    held(),
    ['source-reaches-work', 'work-not-bled', 'outlet-on-live-body'],
  ],
  [
    'a valve that cannot be locked',
    { links: { V2: { lockable: false } } },
    open,
    {},
    held(),
    ['source-reaches-work', 'work-not-bled', 'outlet-on-live-body'],
  ],
  [
    'normally closed but not in the plan',
    { links: { V2: { normal: 'closed' } } },
    open,
    {},
    planOf(['CB'], []),
    ['source-reaches-work', 'work-not-bled'],
  ],
  [
    'double by one valve',
    {},
    open,
    { SRC: 'double' },
    planOf(['V2', 'CB'], ['DR']),
    ['double-not-met'],
  ],
  ['double by two valves', {}, open, { SRC: 'double' }, planOf(['V1', 'V2', 'CB'], ['DR']), []],
  [
    'double bled, bleed shut',
    {},
    open,
    { SRC: 'double-bled' },
    planOf(['V1', 'V2', 'CB'], ['DR']),
    ['double-bled-not-met'],
  ],
  [
    'double bled, bleed open',
    {},
    open,
    { SRC: 'double-bled' },
    planOf(['V1', 'V2', 'CB'], ['BL', 'DR']),
    [],
  ],
  [
    'flammable bled to atmosphere',
    { medium: { hazards: ['flammable'] }, outlets: { BL: { leads_to: 'atmosphere' } } },
    open,
    {},
    planOf(['V1', 'V2', 'CB'], ['BL', 'DR']),
    ['double-bled-not-met'],
  ],
  [
    'water bled to atmosphere',
    { outlets: { BL: { leads_to: 'atmosphere' } } },
    open,
    { SRC: 'double-bled' },
    planOf(['V1', 'V2', 'CB'], ['BL', 'DR']),
    [],
  ],
  [
    'entry behind valves',
    {},
    enter,
    {},
    planOf(['V1', 'V2', 'CB'], ['BL', 'DR']),
    ['positive-not-met'],
  ],
  [
    'entry behind a spool',
    { links: { V2: { kind: 'spool' } } },
    enter,
    {},
    planOf(['V2', 'CB'], ['DR']),
    [],
  ],
  [
    'an outlet on live plant',
    {},
    open,
    {},
    planOf(['V2', 'CB'], ['DR', 'BL']),
    ['outlet-on-live-body'],
  ],
  ['an unknown id', {}, open, {}, planOf(['V2', 'CB', 'V9'], ['DR']), ['unknown-id']],
  ['an id of another table', {}, open, {}, planOf(['V2', 'CB'], ['DR', 'V1']), ['unknown-id']],
  ['a spring free', store('restrain'), open, {}, held(), ['store-not-released']],
  ['a spring held', store('restrain'), open, {}, planOf(['V2', 'CB'], ['DR'], ['ST']), []],
  ['a store that waits', store('wait'), open, {}, held(), []],
  ['a store released in another body', store('BL'), open, {}, held(), ['store-not-released']],
  [
    'a store restrained that has to be let out',
    store('DR'),
    open,
    { SRC: 'single' },
    planOf(['V2', 'CB'], [], ['ST']),
    ['shut-in-not-bled', 'store-not-released'],
  ],
  ['locked shut and locked open', {}, open, {}, { ...held(), stand: ['V2'] }, ['cannot-be-both']],
  [
    'locked open together with what excludes it',
    { links: { V1: { normal: 'closed', excludes: ['SB'] }, SB: { kind: 'ball-valve' } } },
    open,
    {},
    { ...held(), stand: ['V1', 'SB'] },
    ['cannot-be-both'],
  ],
  [
    'drained into a system under pressure',
    { outlets: { DR: { leads_to: 'closed-system', system: 'SRC' } } },
    open,
    {},
    held(),
    ['outlet-into-pressure'],
  ],
  [
    'drained into it past what stops it from coming back',
    { outlets: { DR: { leads_to: 'closed-system', system: 'SRC', non_return: true } } },
    open,
    {},
    held(),
    [],
  ],
  [
    'the only relief of a source shut off',
    { links: { SB: { kind: 'relief-valve', between: ['MID', 'END'], protects: ['SRC'] } } },
    open,
    {},
    planOf(['V1', 'CB'], ['DR']),
    ['relief-lost'],
  ],
  [
    'high voltage without an earth',
    { sections: { CBL: { voltage_v: 11000 } } },
    { work: [{ section: 'CBL', activity: 'touch' }], hours: 1 },
    {},
    planOf(['V2', 'CB']),
    ['earth-missing'],
  ],
  [
    'high voltage earthed',
    { sections: { CBL: { voltage_v: 11000 } } },
    { work: [{ section: 'CBL', activity: 'touch' }], hours: 1 },
    {},
    planOf(['V2', 'CB'], ['EA']),
    [],
  ],
];

describe('checkPlan', () => {
  it.each(STOPS)('%s', (...[, change, scope, grades, plan, codes]) => {
    const { graph, requirement } = jobOn(smallPlant(change), scope, grades);
    const { findings, passes } = checkPlan(graph, requirement, plan);
    const stops = findings.filter(({ severity }) => severity === 'stops').map(({ code }) => code);
    expect(stops).toEqual(codes);
    expect(passes).toBe(codes.length === 0);
  });

  it('gives the route from source to work, and mends that mend', () => {
    const { graph, requirement } = jobOn(smallPlant());
    const { findings } = checkPlan(graph, requirement, planOf(['CB'], []));
    const reach = findings.find(({ code }) => code === 'source-reaches-work');
    expect(reach?.route).toEqual(['V1', 'V2']);
    expect(reach?.mends.map(({ id }) => id)).toEqual(['V2', 'V1']);
    const after = checkPlan(graph, requirement, planOf(['CB', 'V1'], ['DR']));
    expect(after.passes).toBe(true);
  });

  const CAUTIONS: [string, Change, IsolationPlan, FindingCode][] = [
    ['a motor in the plan', {}, planOf(['V2', 'CB', 'M'], ['DR']), 'not-a-barrier'],
    [
      'a motor locked open',
      {},
      { ...planOf(['V2', 'CB'], ['DR']), stand: ['M'] },
      'cannot-stand-open',
    ],
    ['a full space shut at both ends', {}, planOf(['V1', 'V2', 'CB'], ['DR']), 'blocked-in-liquid'],
    [
      'no outlet at all',
      { outlets: { DR: { section: 'SRC' }, BL: { section: 'SRC' } } },
      planOf(['V2', 'CB']),
      'no-outlet',
    ],
  ];
  it.each(CAUTIONS)('cautions: %s', (...[, change, plan, code]) => {
    const { graph, requirement } = jobOn(smallPlant(change));
    const found = checkPlan(graph, requirement, plan).findings.find(
      (finding) => finding.code === code,
    );
    expect(found?.severity).toBe('caution');
  });
});

describe('relief that a plan takes away from what keeps a source', () => {
  const job = (accepted: readonly string[]) => {
    const plant = smallPlant({
      links: { SB: { kind: 'relief-valve', between: ['MID', 'END'], protects: ['SRC'] } },
    });
    const { graph } = jobOn(plant);
    const scope = { work: [{ section: 'W', activity: 'open' as const }], hours: 8 };
    const requirement = computeRequirement(graph, scope, {}, undefined, accepted);
    const { findings } = checkPlan(graph, requirement, planOf(['V1', 'V2', 'CB'], ['BL', 'DR']));
    return findings.filter(({ code }) => code.startsWith('relief'));
  };

  it('stops the plan, and says that it can be accepted by name', () => {
    expect(job([])).toMatchObject([
      { code: 'relief-lost', severity: 'stops', mends: [{ action: 'accept', id: 'SB' }] },
    ]);
    expect(job(['V1'])).toMatchObject([{ code: 'relief-lost' }]);
  });

  it('is a caution once each valve that is lost was accepted', () => {
    expect(job(['SB'])).toMatchObject([{ code: 'relief-accepted', severity: 'caution' }]);
  });
});

describe('blades turned by what is shut in', () => {
  /** Air over a valve into an air engine, whose shaft turns the blades in the vessel W. */
  const stirred: Plant = {
    ...smallPlant(),
    media: [
      ...smallPlant().media,
      { id: 'AIR', name: 'air', energy: 'pressure', phase: 'gas', hazards: [] },
      { id: 'SHAFT', name: 'shaft', energy: 'mechanical', phase: 'none', hazards: [] },
    ],
    sections: [
      {
        id: 'AH',
        name: 'air main',
        medium: 'AIR',
        area: 'A',
        pressure_bar: 7,
        source: { name: 'air' },
      },
      { id: 'AL', name: 'air line', medium: 'AIR', area: 'A', pressure_bar: 7 },
      { id: 'SH', name: 'stirrer shaft', medium: 'SHAFT', area: 'A' },
      { id: 'W', name: 'vessel', medium: 'WATER', area: 'A', pressure_bar: 0 },
    ],
    links: [
      { id: 'AV', kind: 'ball-valve', between: ['AH', 'AL'] },
      { id: 'AE', kind: 'engine', between: ['AL', 'SH'] },
      { id: 'AG', kind: 'agitator', between: ['SH', 'W'] },
    ],
    outlets: [{ id: 'AB', section: 'AL', kind: 'vent', leads_to: 'safe' }],
    gauges: [],
  };
  const { graph, requirement } = jobOn(stirred, enter);
  const codesOf = (plan: IsolationPlan) =>
    checkPlan(graph, requirement, plan).findings.map(({ code }) => code);

  it('asks for the air between the valve and the engine to be let down', () => {
    expect(codesOf(planOf(['AV']))).toContain('shut-in-not-bled');
    expect(codesOf(planOf(['AV'], ['AB']))).not.toContain('shut-in-not-bled');
  });

  it('and the planner lets it down', () => {
    expect(planIsolation(graph, requirement).answers.effort).toMatchObject({
      close: ['AV'],
      open: ['AB'],
      passes: true,
    });
  });
});
