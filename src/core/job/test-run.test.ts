import {
  carryOut,
  fieldSteps,
  HANDED_BACK,
  LIVE,
  PERMIT,
  PROVED,
  refusalsOf,
  restoreSteps,
  site,
  type Step,
  USABLE,
} from '../../../tests/support/seal-change';
import { surveyLocks } from '../locks/survey';
import { computeLamps, gateIsolation, type DossierState } from '.';

const KIT_ON: Step = ['hana', { kind: 'sign-on', person: 'kit', lock: 'W-02' }];
const lamps = (state: DossierState) =>
  new Set(state && computeLamps(state, site).map((lamp) => lamp.state));
const findings = (state: DossierState) =>
  state &&
  surveyLocks(site.locks.values(), site.boxes.values(), [{ id: 'J-0001', dossier: state }])
    .findings;
/** Locks and proofs of the field again, as far as they are asked for. */
const again = (...subjects: string[]): Step[] =>
  fieldSteps().filter(
    ([, command]) =>
      ['wait-out-store', 'prove', 'try-start'].includes(command.kind) ||
      (command.kind === 'lock-point' && subjects.includes(command.link)),
  );
const sanction = (what: 'run' | 'inch', points: string[]): Step => [
  'hana',
  { kind: 'sanction-test', what, purpose: 'rotation', points, clear: true, performer: 'jun' },
];
const lift = (point: string): Step => ['elif', { kind: 'lift-for-test', point }];
const RUN: Step = [
  'cora',
  { kind: 'run-test', ran: true, sight: 'seen', seen: 'turns the right way' },
];

describe('a sanction to test', () => {
  const points = ['CB-P201', 'FS-TR2004'];
  const lifted = () => carryOut([sanction('run', points), ...points.map(lift)], LIVE());

  it('lifts the named locks, takes their keys out of the box, and lights the lamps', () => {
    const state = lifted();
    expect(Object.keys(state?.isolation.locked ?? {})).toHaveLength(7);
    expect(findings(state)).toEqual([]);
    expect(lamps(state)).toContain('lit');
    expect(refusalsOf(state, ...KIT_ON)).toContain('test-open');
  });

  it('lets nobody on before all is isolated and proved again, and then it does', () => {
    const run = carryOut([RUN], lifted());
    expect(refusalsOf(run, ...KIT_ON)).toEqual([
      'after-test',
      'locks-missing',
      'not-let-down',
      'not-proved',
      'not-tried',
    ]);
    const proved = carryOut(again(...points), run);
    expect(proved && gateIsolation(proved, site)).toEqual([]);
    expect(lamps(proved)).toEqual(new Set(['dark']));
    expect(findings(proved)).toEqual([]);
    expect(refusalsOf(proved, ...KIT_ON)).toEqual([]);
  });

  it('may be called off half way', () => {
    const half = carryOut([sanction('run', points), lift('CB-P201')], LIVE());
    const off = carryOut([['cora', { kind: 'run-test', ran: false, seen: 'rain' }]], half);
    expect(lamps(carryOut(again('CB-P201'), off))).toEqual(new Set(['dark']));
  });

  it('lifts drains before valves, and valves before drives', () => {
    const state = carryOut(
      [
        sanction('run', [
          'BL-2003',
          'DR-2001',
          'DR-2002',
          'DR-2004',
          'HV-2002',
          'HV-2001',
          'CB-P201',
        ]),
      ],
      LIVE(),
    );
    expect(refusalsOf(state, ...lift('CB-P201'))).toEqual(['out-of-order']);
    expect(refusalsOf(state, 'finn', { kind: 'lift-for-test', point: 'HV-2002' })).toEqual([
      'out-of-order',
    ]);
    const drained = carryOut(
      ['BL-2003', 'DR-2001', 'DR-2002', 'DR-2004'].map((point) => [
        'finn',
        { kind: 'lift-for-test', point },
      ]),
      state,
    );
    expect(refusalsOf(drained, 'finn', { kind: 'lift-for-test', point: 'HV-2002' })).toEqual([]);
  });
});

it('allows an inch of the rotor before the last lock, and then asks for it again', () => {
  const inched = carryOut([sanction('inch', ['CB-P201']), lift('CB-P201'), RUN], PROVED());
  expect(refusalsOf(inched, 'ada', { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' })).toEqual([
    'locks-missing',
  ]);
  expect(lamps(carryOut(again('CB-P201'), inched))).toEqual(new Set(['dark']));
});

describe('a lock that does not hold', () => {
  it('is replaced with the new one on first, its key in the box, and everything is proved again', () => {
    const point = Object.entries(LIVE()?.isolation.locked ?? {}).find(
      ([, { lock }]) => lock === 'P-03',
    )?.[0];
    const reported = carryOut(
      [
        [
          'kit',
          { kind: 'report-lock', lock: 'P-03', finding: 'key-lost', seen: 'not on the ring' },
        ],
      ],
      LIVE(),
    );
    expect(lamps(reported)).toContain('lit');
    const replaced = carryOut(
      [['finn', { kind: 'replace-lock', link: point ?? '', lock: 'P-20', how: 'old one cut' }]],
      reported,
    );
    expect(findings(replaced)).toEqual([]);
    expect(lamps(carryOut(again(), replaced))).toEqual(new Set(['dark']));
    expect(
      refusalsOf(replaced, 'ada', { kind: 'renew-lock', lock: 'P-03', done: 'new barrel' }),
    ).toEqual([]);
  });
});

it('holds a point by a tag alone, with its reason, its measure and who accepted it', () => {
  const field = fieldSteps();
  const tagged = field.map(([actor, command]): Step =>
    command.kind === 'lock-point' && command.link === 'CB-P201'
      ? [
          actor,
          {
            kind: 'tag-point',
            link: 'CB-P201',
            tag: 'T-1',
            reason: 'handle broken off',
            measure: 'fuses drawn and kept',
            accepter: 'hana',
          },
        ]
      : [actor, command],
  );
  const state = carryOut([...USABLE, ...tagged, ...PERMIT]);
  expect(state?.isolation.tagged['CB-P201']).toMatchObject({ by: 'elif', accepter: 'hana' });
  expect(lamps(state)).toEqual(new Set(['dark']));
  expect(findings(state)).toEqual([]);
  const back = carryOut(HANDED_BACK, state);
  const steps = restoreSteps(back).map(([actor, command]): Step =>
    command.kind === 'unlock-point' && command.link === 'CB-P201'
      ? ['elif', command]
      : [actor, command],
  );
  expect(carryOut(steps, back)?.kind).toBe('closed');
});
