import {
  carryOut,
  deadRound,
  fieldSteps,
  fieldStepsOf,
  HANDED_BACK,
  ISSUE,
  LIVE,
  ON,
  OXMOOR_ON,
  PERMIT,
  PROVING,
  refusalsOf,
  restoreSteps,
  site,
  START,
  voltageProof,
  WALKED,
  type Step,
} from '../support/seal-change';
import { walkedDown } from '../support/any-job';
import { findWorkOrder, listHanging, type Command, type DossierState } from '../../src/core/job';
import type { RuleCode } from '../../src/core/rules/book';

/**
 * Source: 29 CFR 1910.147 (c) to (f), paragraphs paraphrased from memory. Each is tried out: the step that would break it is
 * refused, and allowed once the paragraph is met.
 */
const SIGN_ON: Command = { kind: 'sign-on', person: 'kit', lock: 'W-02' };
const codes = (state: DossierState, [actor, command]: Step): RuleCode[] =>
  refusalsOf(state, actor, command);
/** The field work up to and without the first step of a kind. */
const upTo = (kind: Command['kind']) => {
  const steps = fieldSteps();
  const at = steps.findIndex(([, command]) => command.kind === kind);
  return { state: carryOut(steps.slice(0, at), WALKED()), next: steps[at] as Step };
};
const stepOf = (kind: Command['kind']): Step =>
  fieldSteps().find(([, command]) => command.kind === kind) as Step;

describe('29 CFR 1910.147(d), application of control', () => {
  it.each<[paragraph: string, does: Command['kind'], too: Command['kind'], RuleCode]>([
    ['(c)(9): affected employees are told before', 'stop-plant', 'tell-affected', 'not-told'],
    ['(d)(2): shut down before isolating', 'lock-point', 'stop-plant', 'not-stopped'],
    [
      '(d)(3)-(4): isolated and locked before letting down',
      'open-outlet',
      'lock-point',
      'out-of-order',
    ],
    ['(d)(5): stored energy relieved before proving', 'prove', 'open-outlet', 'out-of-order'],
  ])('%s', (_paragraph, does, first, code) => {
    const { state, next } = upTo(first);
    expect(codes(state, stepOf(does))).toContain(code);
    expect(codes(state, next)).toEqual([]);
  });

  it('(d)(6): nobody works before isolation is verified, and everyone may once it is', () => {
    const proved = carryOut([...fieldSteps()], WALKED());
    expect(codes(carryOut([...PERMIT], proved), ['hana', SIGN_ON])).toEqual([]);
    const early = refusalsOf(PROVING(), 'hana', ISSUE);
    expect(early).toEqual(expect.arrayContaining(['not-proved', 'not-tried']));
  });

  it('(d)(5)(ii): where energy may build up again, verification goes on until the work is done', () => {
    const hour = (hours: number) => new Date(Date.parse(START) + hours * 3_600_000).toISOString();
    expect(refusalsOf(LIVE(), 'hana', SIGN_ON, { now: hour(1) })).toEqual([]);
    expect(refusalsOf(LIVE(), 'hana', SIGN_ON, { now: hour(1.1) })).toContain('left-unattended');
  });
});

describe('29 CFR 1910.147(c)(5), materials', () => {
  it('(c)(5)(ii): devices are singularly identified and not used for other purposes', () => {
    const { state } = upTo('lock-point');
    const hang = (lock: string): Command => ({
      kind: 'lock-point',
      link: 'CB-P201',
      lock,
      tag: 'T',
    });
    expect(refusalsOf(state, 'elif', hang('W-02'))).toEqual(['lock-wrong-use']);
    expect(refusalsOf(state, 'elif', hang('X-99'))).toEqual(['lock-unknown']);
    expect(
      refusalsOf(carryOut([['elif', hang('E-01')]], state), 'elif', {
        ...hang('E-01'),
        kind: 'lock-point',
        link: 'FS-TR2004',
      } as Command),
    ).toEqual(['lock-in-use']);
  });

  it('(c)(3)(ii): a tag without a lock takes a further measure and someone who accepts it', () => {
    const { state } = upTo('lock-point');
    const tag = {
      kind: 'tag-point',
      link: 'CB-P201',
      tag: 'T',
      reason: 'no hole for a lock',
      measure: 'fuses drawn and kept',
      accepter: 'hana',
    } as const;
    expect(refusalsOf(state, 'elif', tag)).toEqual([]);
    expect(refusalsOf(state, 'elif', { ...tag, accepter: 'kit' })).toContain('role-missing');
  });
});

describe('29 CFR 1910.147(e), release from lockout', () => {
  const back = (steps: number) => {
    const state = carryOut(HANDED_BACK, LIVE());
    return carryOut(restoreSteps(state).slice(0, steps), state);
  };

  it('(e)(1): tools out and the machine whole before the permit is handed back', () => {
    const off = carryOut(HANDED_BACK.slice(0, 2), LIVE());
    const hand = (cleared: boolean): Command => ({
      kind: 'hand-back',
      cleared,
      finished: true,
      remarks: '',
    });
    expect(refusalsOf(off, 'jun', hand(false))).toEqual(['not-cleared']);
    expect(refusalsOf(off, 'jun', hand(true))).toEqual([]);
  });

  it('(e)(2)(i): everyone is clear before it starts, (ii) and told', () => {
    const all = restoreSteps(carryOut(HANDED_BACK, LIVE()));
    const at = all.findIndex(([, { kind }]) => kind === 'see-start');
    const start = all[at]?.[1] as Command & { kind: 'see-start' };
    expect(refusalsOf(back(at), 'cora', { ...start, clear: false })).toEqual(['not-kept-clear']);
    expect(refusalsOf(back(at), 'cora', start)).toEqual([]);
  });

  it('(e)(3): each device comes off by whoever put it on', () => {
    const off: Command = { kind: 'sign-off', person: 'kit', lock: 'W-02' };
    expect(refusalsOf(ON(), 'lena', off, { signed: new Set(['lena']) })).toEqual([
      'signature-missing',
    ]);
    expect(refusalsOf(back(8), 'gus', { kind: 'unlock-point', link: 'HV-2001' })).toEqual([
      'lock-not-yours',
    ]);
  });

  it('(e)(3)(i)-(iii): the owner is away, was tried, and is told before work goes on', () => {
    const remove: Command = {
      kind: 'remove-absent-lock',
      lock: 'W-02',
      offSite: 'gate log',
      tried: 'telephone',
      manager: 'uma',
    };
    const removed = carryOut([['ada', remove]], ON());
    expect(codes(removed, ['hana', SIGN_ON])).toEqual(['owner-not-told']);
    const told = carryOut(
      [['hana', { kind: 'tell-absent-owner', owner: 'kit', told: 'why' }]],
      removed,
    );
    expect(codes(told, ['hana', SIGN_ON])).toEqual([]);
  });
});

describe('29 CFR 1910.147(f), additional requirements', () => {
  it('(f)(1): for a test the place is cleared, points are lifted by those entitled, and isolated again after', () => {
    const sanction: Command = {
      kind: 'sanction-test',
      what: 'run',
      purpose: 'rotation',
      points: ['CB-P201', 'FS-TR2004'],
      clear: true,
      performer: 'jun',
    };
    expect(refusalsOf(ON(), 'hana', sanction)).toEqual(['people-on']);
    expect(refusalsOf(LIVE(), 'hana', { ...sanction, clear: false })).toEqual(['area-not-clear']);
    const sanctioned = carryOut([['hana', sanction]], LIVE());
    expect(codes(sanctioned, ['hana', SIGN_ON])).toContain('test-open');
    const run = carryOut(
      [
        ['elif', { kind: 'lift-for-test', point: 'CB-P201' }],
        ['elif', { kind: 'lift-for-test', point: 'FS-TR2004' }],
        ['cora', { kind: 'run-test', ran: true, sight: 'seen', seen: 'turns the right way' }],
      ],
      sanctioned,
    );
    expect(codes(run, ['hana', SIGN_ON])).toEqual(
      expect.arrayContaining(['locks-missing', 'not-proved', 'not-tried']),
    );
  });

  it('(f)(2): contractors see the isolation and hang a lock of their own', () => {
    const alone: Command = { kind: 'sign-on', person: 'otto', lock: 'W-06' };
    expect(refusalsOf(LIVE(), 'hana', alone)).toEqual(['crew-missing']);
    expect(refusalsOf(LIVE(), 'hana', OXMOOR_ON[0]?.[1] as Command)).toEqual([]);
  });

  it('(f)(3)(ii)(D): in a group each worker has a lock of their own on the box', () => {
    expect(codes(LIVE(), ['hana', { kind: 'sign-on', person: 'kit' }])).toEqual([
      'own-lock-missing',
    ]);
    expect(listHanging(ON() as NonNullable<DossierState>).map(({ lock }) => lock)).toContain(
      'W-02',
    );
  });

  it('(f)(4): at a change of shift the incoming lock is on before the outgoing comes off', () => {
    const off: Command = { kind: 'take-off-control', lock: 'C-1' };
    expect(refusalsOf(LIVE(), 'ada', off)).toEqual(['no-incoming-lock']);
    const both = carryOut([['ben', { kind: 'hang-incoming', lock: 'C-2' }]], LIVE());
    expect(refusalsOf(both, 'ada', off)).toEqual([]);
  });
});

describe('EN 50110-1, 6.2, the five rules, on the high-voltage side of a transformer (from memory)', () => {
  const walked = walkedDown([{ section: 'TX1-HV', activity: 'touch' }]);
  const steps = fieldStepsOf(walked);
  const first = (wanted: (command: Command) => boolean) =>
    steps.findIndex(([, command]) => wanted(command));
  const isVoltage = (command: Command) => command.kind === 'prove' && command.unit === 'V';

  it('comes in order: disconnect and secure, prove dead, earth', () => {
    const at = [
      first(({ kind }) => kind === 'lock-point'),
      first(isVoltage),
      first((command) => command.kind === 'open-outlet' && command.earth !== undefined),
    ];
    expect(at.every((one) => one >= 0)).toBe(true);
    expect(at).toEqual([...at].sort((a, b) => a - b));
    for (const later of at.slice(1)) {
      const early = steps[later] as Step;
      const days = carryOut(steps.slice(0, 2), walked);
      expect(codes(days, early)).toContain('out-of-order');
    }
  });

  it('3: is proved dead on every pair of conductors, with a tester shown live before and after', () => {
    expect(refusalsOf(PROVING(), 'elif', voltageProof({}))).toEqual([]);
    const all = Object.entries(deadRound().readings);
    const readings = Object.fromEntries(all.filter(([pair]) => pair !== 'L2-E'));
    for (const [round, code] of [
      [deadRound({ readings }), 'pairs-missing'],
      [deadRound({ before_v: 0 }), 'tester-not-proved'],
      [deadRound({ after_v: 0 }), 'tester-not-proved'],
    ] as const) {
      expect(refusalsOf(PROVING(), 'elif', voltageProof({ round }))).toEqual([code]);
    }
  });

  it('5: is not proved before what stays live beside it is screened off', () => {
    const at = first(
      (command) =>
        command.kind === 'prove' && command.seen?.includes('live-parts-screened') === true,
    );
    const [actor, prove] = steps[at] as Step;
    const before = carryOut(steps.slice(0, at), walked, START, 60);
    expect(prove).toMatchObject({ seen: ['live-parts-screened'] });
    expect(refusalsOf(before, actor, prove)).toEqual([]);
    expect(refusalsOf(before, actor, { ...prove, seen: [] } as Command)).toEqual(['not-seen']);
  });
});

describe('times to wait', () => {
  const waitOf = (section: string, subject: string) => {
    const walked = walkedDown([{ section, activity: 'touch' }]);
    const order = walked && findWorkOrder(walked, site);
    return order?.steps.find((step) => step.subject === subject)?.wait_s ?? 0;
  };

  it('a capacitor falls from its peak to 50 V in R C ln(√2 U / 50): 3 mF, 30 kΩ, 400 V', () => {
    const least = 30_000 * 0.003 * Math.log((Math.SQRT2 * 400) / 50);
    expect(least).toBeCloseTo(218.3, 1);
    expect(waitOf('CAP-1', 'ST-CAP1')).toBeGreaterThanOrEqual(least);
    expect(waitOf('CAP-1', 'ST-CAP1')).toBeLessThan(least * 1.5);
  });

  it('a rotor stands still after J ω / M: 0.9 kg m², 152 rad/s, 2.4 N m', () => {
    const order = findWorkOrder(WALKED() as NonNullable<DossierState>, site);
    const wait = order?.steps.find(({ subject }) => subject === 'ST-P201-ROT')?.wait_s;
    expect(wait).toBeCloseTo((0.9 * 152) / 2.4, 6);
  });

  it('a drained upright body of liquid is empty after A √(2 h / g) / (Cd a): Torricelli', () => {
    const order = findWorkOrder(WALKED() as NonNullable<DossierState>, site);
    const wait = order?.steps.find(({ subject }) => subject === 'DR-2002')?.wait_s ?? 0;
    const outlet = site.graph.outlets[site.graph.outletAt.get('DR-2002') ?? -1];
    const bore = (outlet?.dn_mm ?? 0) / 1000;
    const area = (Math.PI * bore * bore) / 4;
    // 40 l standing 0.5 m high; the discharge coefficient that the Bench opens with.
    const surface = 0.04 / 0.5;
    const seconds = (surface / area) * Math.sqrt((2 * 0.5) / 9.80665);
    expect(wait / seconds).toBeCloseTo(1 / 0.62, 1);
  });
});
