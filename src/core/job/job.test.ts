import { readFileSync } from 'node:fs';
import { Dice } from '../../../tests/support/random-plant';
import { DEFAULT_GRADE_POLICY } from '../isolation';
import { buildGraph, parsePlantText } from '../plant';
import { explainRefusal, RULES, type RuleCode } from '../rules/book';
import {
  decideJob,
  evolveDossier,
  findStage,
  findWorkOrder,
  gateIsolation,
  isLapsed,
  computeLamps,
  listHolding,
  listSigners,
  type Command,
  type Context,
  type DossierState,
  type SiteFacts,
} from '.';
import type { Person } from '../people/people';

interface SiteFile {
  people: Person[];
  registers: { locks: []; boxes: []; instruments: [] };
}
const plant = parsePlantText(readFileSync('demo/quillmere.plant.json', 'utf8'));
if (!plant.ok) throw new Error('the demonstration plant does not parse');
const file = JSON.parse(readFileSync('demo/quillmere.site.json', 'utf8')) as SiteFile;
const byId = <Row extends { id: string }>(rows: readonly Row[]) =>
  new Map(rows.map((row) => [row.id, row]));
const site: SiteFacts = {
  graph: buildGraph(plant.value),
  policy: DEFAULT_GRADE_POLICY,
  people: byId(file.people),
  locks: byId(file.registers.locks),
  boxes: byId(file.registers.boxes),
  instruments: byId(file.registers.instruments),
};
const START = '2026-11-24T07:00:00.000Z';
const nobody = { lockAt: new Map(), boxAt: new Map(), personOn: new Map() } as const;

function contextFor(actor: string, signed: readonly string[] = [actor], now = START): Context {
  return { jobId: 'J-0001', now, actor, signed: new Set(signed), site, others: nobody };
}

type Step = readonly [actor: string, command: Command];

const PLAN = {
  close: [
    'CB-P201',
    'FS-TR2004',
    'HV-2001',
    'HV-2002',
    'HV-2004',
    'HV-2005',
    'HV-2007',
    'HV-2008',
    'HV-2009',
  ],
  open: ['DR-2002', 'DR-2004', 'DR-2007'],
  restrain: ['ST-P201-SPR'],
};
const RAISE: Command = {
  kind: 'raise-job',
  title: 'Seal change',
  equipment: 'P-201',
  work: [
    { section: 'P201-CAS', activity: 'open' },
    { section: 'P201-PSH', activity: 'touch' },
  ],
  hours: 6,
  performer: 'jun',
};
const DRAFT: Command = { kind: 'draft-plan', origin: 'effort', ...PLAN };

/** Applies commands that are all expected to be allowed; answers the state. */
function carryOut(steps: readonly Step[], from?: DossierState, now = START): DossierState {
  return steps.reduce<DossierState>((state, [actor, command]) => {
    const context = contextFor(actor, listSigners(command, actor), now);
    const decision = decideJob(state, command, context);
    if (!decision.ok) {
      throw new Error(
        `${command.kind}: ${decision.refusals.map((one) => explainRefusal(one).says).join(' ')}`,
      );
    }
    return decision.events.reduce<DossierState>(
      (before, event) => evolveDossier(before, event, { by: actor, at: now }),
      state,
    );
  }, from);
}

const refusalsOf = (
  state: DossierState,
  actor: string,
  command: Command,
  more: Partial<Context> = {},
): RuleCode[] => {
  const decision = decideJob(state, command, {
    ...contextFor(actor, listSigners(command, actor)),
    ...more,
  });
  return decision.ok ? [] : decision.refusals.map((refusal) => refusal.code);
};

const REVIEWED: Step[] = [
  ['ada', RAISE],
  ['ada', DRAFT],
  ['ada', { kind: 'submit-plan' }],
  ['hana', { kind: 'accept-plan', note: '' }],
];

/** The field work in the order that the work order gives. */
function fieldSteps(): Step[] {
  const state = carryOut(REVIEWED);
  const order = state && findWorkOrder(state, site);
  if (!order) throw new Error('no work order');
  let lock = 0;
  const steps = order.steps.map((step): Step => {
    const tag = `T-${step.subject}`;
    const isElectrical = ['CB-P201', 'FS-TR2004'].includes(step.subject);
    switch (step.phase) {
      case 'tell':
        return ['ada', { kind: 'tell-affected', who: 'control room' }];
      case 'stop':
        return ['cora', { kind: 'stop-plant', how: 'stopped at the panel' }];
      case 'isolate-drives':
      case 'isolate-flows':
      case 'fit':
        lock += 1;
        return [
          isElectrical ? 'elif' : 'finn',
          {
            kind: 'lock-point',
            link: step.subject,
            lock: `${isElectrical ? 'E' : 'P'}-${String(lock).padStart(2, '0')}`,
            tag,
          },
        ];
      case 'let-down':
      case 'earth':
        return ['finn', { kind: 'open-outlet', outlet: step.subject, tag }];
      case 'restrain':
        return ['finn', { kind: 'restrain-store', store: step.subject, how: 'clamped' }];
      case 'wait':
        return ['gus', { kind: 'wait-out-store', store: step.subject, seen: 'stands still' }];
      case 'prove': {
        const demand = order.proofs.find(({ id }) => id === step.subject);
        const instrument = {
          voltage: 'VT-11',
          pressure: 'PG-T1',
          motion: 'TA-3',
          temperature: 'TH-4',
        }[demand?.kind ?? 'motion'];
        return [
          demand?.kind === 'voltage' ? 'elif' : 'finn',
          {
            kind: 'prove',
            proof: step.subject,
            reading: 0,
            unit: demand?.unit ?? 'bar',
            instrument,
            testerProved: true,
            pairs: 6,
          },
        ];
      }
      case 'try-start':
        return ['cora', { kind: 'try-start', station: step.subject, moved: false }];
    }
  });
  return [...steps, ['ada', { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' }]];
}

const PERMIT: Step[] = [
  [
    'hana',
    {
      kind: 'assess-task',
      hazards: [{ hazard: 'splash', control: 'visor' }],
      equipment: 'gloves',
      emergency: 'eyewash',
    },
  ],
  ['hana', { kind: 'approve-permit' }],
  ['hana', { kind: 'issue-permit', hours: 8, briefed: true, performer: 'jun' }],
];
const ISSUED = () => [...REVIEWED, ...fieldSteps(), ...PERMIT];
const HANDED_BACK: Step[] = [
  ['hana', { kind: 'sign-on', person: 'kit', lock: 'W-02' }],
  ['kit', { kind: 'sign-off', person: 'kit', lock: 'W-02' }],
  ['jun', { kind: 'hand-back', cleared: true, remarks: '' }],
  ['hana', { kind: 'close-permit', inspected: 'seal dry' }],
];

function restoreSteps(state: DossierState): Step[] {
  const order = state && findWorkOrder(state, site);
  if (!state || !order) throw new Error('no work order');
  const back = order.restore.map(({ kind, subject }): Step => {
    if (kind === 'unlock' || kind === 'blind-out') {
      return [state.isolation.locked[subject]?.by ?? '', { kind: 'unlock-point', link: subject }];
    }
    if (kind === 'free-store') return ['finn', { kind: 'free-store', store: subject }];
    return ['finn', { kind: 'close-outlet', outlet: subject }];
  });
  const walk = [...PLAN.close, ...PLAN.open].map((point): Step => {
    const normal = PLAN.open.includes(point) || point === 'HV-2009' ? 'closed' : 'open';
    return ['cora', { kind: 'walk-lineup', point, found: normal }];
  });
  return [
    ['ada', { kind: 'open-box' }],
    ...back,
    ...walk,
    ['cora', { kind: 'take-back', told: 'control room' }],
    ['ada', { kind: 'close-job' }],
  ];
}

describe('one job from raise to close', () => {
  it('goes through every stage in order, and ends with nothing holding it up', () => {
    const stage = (state: DossierState) => state && findStage(state, site);
    let state = carryOut([['ada', RAISE]]);
    expect(stage(state)).toBe('plan');
    state = carryOut(REVIEWED);
    expect(stage(state)).toBe('isolate');
    state = carryOut(fieldSteps(), state);
    expect(stage(state)).toBe('permit');
    state = carryOut(PERMIT, state);
    expect(stage(state)).toBe('work');
    state = carryOut(HANDED_BACK, state);
    expect(stage(state)).toBe('restore');
    state = carryOut(restoreSteps(state), state);
    expect(stage(state)).toBe('closed');
    expect(state && listHolding(state, { site, now: START })).toEqual([]);
  });

  it('turns each lamp from lit to shuttered to dark', () => {
    const states = (state: DossierState) =>
      new Set(state && computeLamps(state, site).map((lamp) => lamp.state));
    expect(states(carryOut(REVIEWED))).toEqual(new Set(['lit']));
    const field = fieldSteps();
    const untilProof = field.findIndex(([, command]) => command.kind === 'prove');
    expect(states(carryOut(field.slice(0, untilProof), carryOut(REVIEWED)))).toEqual(
      new Set(['shuttered']),
    );
    expect(states(carryOut(field, carryOut(REVIEWED)))).toEqual(new Set(['dark']));
  });
});

const LIVE = () => carryOut(ISSUED());
const ON = () => carryOut([HANDED_BACK[0] as Step], LIVE());
const ACCEPTED = () => carryOut(REVIEWED);
const STOPPED = () => carryOut(fieldSteps().slice(0, 2), ACCEPTED());
const PROVING = () => {
  const field = fieldSteps();
  return carryOut(
    field.slice(
      0,
      field.findIndex(([, command]) => command.kind === 'prove'),
    ),
    ACCEPTED(),
  );
};
const voltageProof = (more: object): Command => ({
  kind: 'prove',
  proof: 'voltage:P201-CBL',
  reading: 0,
  unit: 'V',
  instrument: 'VT-11',
  testerProved: true,
  pairs: 6,
  ...more,
});
const firstLock = (more: object): Command => ({
  kind: 'lock-point',
  link: 'CB-P201',
  lock: 'E-01',
  tag: 'T1',
  ...more,
});
const LATE = '2026-11-24T23:00:00.000Z';
const ISSUE: Command = { kind: 'issue-permit', hours: 8, briefed: true, performer: 'jun' };

const REFUSALS: [string, () => DossierState, string, Command, RuleCode[], Partial<Context>?][] = [
  ['a worker raises a job', () => undefined, 'kit', RAISE, ['role-missing']],
  [
    'raised for work on a source',
    () => undefined,
    'ada',
    { ...RAISE, work: [{ section: 'D1-LIQ', activity: 'open' }] },
    ['source-in-work'],
  ],
  [
    'raised for a section that is not there',
    () => undefined,
    'ada',
    { ...RAISE, work: [{ section: 'NOWHERE', activity: 'open' }] },
    ['section-unknown'],
  ],
  [
    'raised for nobody',
    () => undefined,
    'ada',
    { ...RAISE, performer: 'ghost' },
    ['person-unknown'],
  ],
  ['planned before raised', () => undefined, 'ada', DRAFT, ['not-yet-raised']],
  ['raised twice', ACCEPTED, 'ada', RAISE, ['already-done']],
  [
    'a plan with a point missing is put up',
    () =>
      carryOut([
        ['ada', RAISE],
        ['ada', { ...DRAFT, close: PLAN.close.slice(1) } as Command],
      ]),
    'ada',
    { kind: 'submit-plan' },
    expect.arrayContaining(['plan-stops']) as never,
  ],
  [
    'no plan is put up',
    () => carryOut([['ada', RAISE]]),
    'ada',
    { kind: 'submit-plan' },
    ['plan-missing'],
  ],
  [
    'a plan not put up is accepted',
    () =>
      carryOut([
        ['ada', RAISE],
        ['ada', DRAFT],
      ]),
    'hana',
    { kind: 'accept-plan', note: '' },
    ['plan-not-submitted'],
  ],
  [
    'the author reviews',
    () =>
      carryOut([
        ['ben', RAISE],
        ['ben', DRAFT],
        ['ben', { kind: 'submit-plan' }],
      ]),
    'ben',
    { kind: 'accept-plan', note: '' },
    ['own-review'],
  ],
  ['a reviewed plan is changed', ACCEPTED, 'ada', DRAFT, ['plan-settled']],
  [
    'a grade is lowered without a reason',
    () => carryOut([['ada', RAISE]]),
    'ada',
    { kind: 'set-grade', source: 'HOLDER', grade: 'single', reason: '' },
    ['reason-missing'],
  ],
  [
    'the grade of nothing is set',
    () => carryOut([['ada', RAISE]]),
    'ada',
    { kind: 'set-grade', source: 'P202-SUC', grade: 'single', reason: 'x' },
    ['source-unknown'],
  ],
  [
    'locked before the review',
    () =>
      carryOut([
        ['ada', RAISE],
        ['ada', DRAFT],
      ]),
    'elif',
    firstLock({}),
    ['plan-not-reviewed'],
  ],
  ['locked before telling', ACCEPTED, 'elif', firstLock({}), ['not-told']],
  ['stopped before telling', ACCEPTED, 'cora', { kind: 'stop-plant', how: 'x' }, ['not-told']],
  [
    'locked before stopping',
    () => carryOut(fieldSteps().slice(0, 1), ACCEPTED()),
    'elif',
    firstLock({}),
    ['not-stopped'],
  ],
  [
    'a valve before the breaker',
    STOPPED,
    'finn',
    { kind: 'lock-point', link: 'HV-2001', lock: 'P-01', tag: 'T' },
    ['out-of-order'],
  ],
  [
    'a point that is not planned',
    STOPPED,
    'finn',
    { kind: 'lock-point', link: 'HV-2301', lock: 'P-01', tag: 'T' },
    ['not-in-plan'],
  ],
  ['the wrong discipline', STOPPED, 'finn', firstLock({}), ['role-missing']],
  [
    'a lapsed authorisation',
    STOPPED,
    'ivo',
    { kind: 'lock-point', link: 'HV-2001', lock: 'P-01', tag: 'T' },
    ['authorisation-lapsed', 'out-of-order'],
  ],
  ['a lock that does not exist', STOPPED, 'elif', firstLock({ lock: 'Z-1' }), ['lock-unknown']],
  ['a personal lock on a point', STOPPED, 'elif', firstLock({ lock: 'W-01' }), ['lock-wrong-use']],
  [
    'a lock that hangs on another job',
    STOPPED,
    'elif',
    firstLock({}),
    ['lock-in-use'],
    { others: { ...nobody, lockAt: new Map([['E-01', 'J-0009']]) } },
  ],
  [
    'drained before locked',
    STOPPED,
    'finn',
    { kind: 'open-outlet', outlet: 'DR-2002', tag: 'T' },
    ['out-of-order'],
  ],
  ['proved before let down', STOPPED, 'elif', voltageProof({}), ['out-of-order']],
  [
    'proved with a tester out of date',
    PROVING,
    'elif',
    voltageProof({ instrument: 'VT-12' }),
    ['instrument-overdue'],
  ],
  [
    'proved with nothing',
    PROVING,
    'elif',
    voltageProof({ instrument: 'X' }),
    ['instrument-unknown'],
  ],
  [
    'voltage proved with a gauge',
    PROVING,
    'elif',
    voltageProof({ instrument: 'PG-T1' }),
    ['instrument-wrong'],
  ],
  ['a live reading', PROVING, 'elif', voltageProof({ reading: 5.1 }), ['reading-not-dead']],
  ['a reading at the limit', PROVING, 'elif', voltageProof({ reading: 5 }), []],
  [
    'a reading below nothing',
    PROVING,
    'elif',
    voltageProof({ reading: -0.1 }),
    ['reading-not-dead'],
  ],
  ['a reading in the wrong unit', PROVING, 'elif', voltageProof({ unit: 'bar' }), ['unit-wrong']],
  [
    'a tester not proved',
    PROVING,
    'elif',
    voltageProof({ testerProved: false }),
    ['tester-not-proved'],
  ],
  ['five pairs of six', PROVING, 'elif', voltageProof({ pairs: 5 }), ['pairs-missing']],
  [
    'it starts',
    () => {
      const field = fieldSteps();
      return carryOut(
        field.slice(
          0,
          field.findIndex(([, c]) => c.kind === 'try-start'),
        ),
        ACCEPTED(),
      );
    },
    'cora',
    { kind: 'try-start', station: 'local start station P-201', moved: true },
    ['it-moved'],
  ],
  [
    'the box before the locks',
    STOPPED,
    'ada',
    { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' },
    ['locks-missing'],
  ],
  [
    'a box that is not there',
    PROVING,
    'ada',
    { kind: 'lock-box', box: 'BOX-9', lock: 'C-1' },
    ['box-unknown'],
  ],
  [
    'a box in use',
    PROVING,
    'ada',
    { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' },
    ['box-in-use'],
    { others: { ...nobody, boxAt: new Map([['BOX-1', 'J-0002']]) } },
  ],
  [
    'issued with nothing let down',
    () => {
      const field = fieldSteps();
      const locked = field.findIndex(([, command]) => command.kind === 'open-outlet');
      return carryOut(field.slice(0, locked), ACCEPTED());
    },
    'hana',
    ISSUE,
    ['not-let-down', 'not-proved', 'not-tried', 'box-not-locked', 'not-assessed', 'not-approved'],
  ],
  [
    'issued with nothing proved',
    PROVING,
    'hana',
    ISSUE,
    ['not-proved', 'not-tried', 'box-not-locked', 'not-assessed', 'not-approved'],
  ],
  [
    'issued for another performer',
    () => carryOut([...REVIEWED, ...fieldSteps(), ...PERMIT.slice(0, 2)]),
    'hana',
    { ...ISSUE, performer: 'rosa' } as Command,
    ['not-the-performer'],
  ],
  [
    'issued without briefing',
    () => carryOut([...REVIEWED, ...fieldSteps(), ...PERMIT.slice(0, 2)]),
    'hana',
    { ...ISSUE, briefed: false } as Command,
    ['briefing-missing'],
  ],
  [
    'issued for 12 h',
    () => carryOut([...REVIEWED, ...fieldSteps(), ...PERMIT.slice(0, 2)]),
    'hana',
    { ...ISSUE, hours: 12 } as Command,
    [],
  ],
  [
    'issued for 12.1 h',
    () => carryOut([...REVIEWED, ...fieldSteps(), ...PERMIT.slice(0, 2)]),
    'hana',
    { ...ISSUE, hours: 12.1 } as Command,
    ['validity-too-long'],
  ],
  [
    'issued without the performer’s PIN',
    () => carryOut([...REVIEWED, ...fieldSteps(), ...PERMIT.slice(0, 2)]),
    'hana',
    ISSUE,
    ['signature-missing'],
    { signed: new Set(['hana']) },
  ],
  [
    'signed on with a lapsed permit',
    LIVE,
    'hana',
    { kind: 'sign-on', person: 'kit', lock: 'W-02' },
    ['permit-lapsed'],
    { now: LATE },
  ],
  [
    'signed on before issue',
    ACCEPTED,
    'hana',
    { kind: 'sign-on', person: 'kit', lock: 'W-02' },
    ['not-issued'],
  ],
  [
    'signed on with someone else’s lock',
    LIVE,
    'hana',
    { kind: 'sign-on', person: 'kit', lock: 'W-03' },
    ['lock-not-yours'],
  ],
  [
    'a lapsed worker',
    LIVE,
    'hana',
    { kind: 'sign-on', person: 'moss', lock: 'W-04' },
    ['authorisation-lapsed'],
  ],
  [
    'signed on without the issuer',
    LIVE,
    'kit',
    { kind: 'sign-on', person: 'kit', lock: 'W-02' },
    ['role-missing', 'performs-and-issues'],
  ],
  [
    'signed on twice',
    ON,
    'hana',
    { kind: 'sign-on', person: 'kit', lock: 'W-02' },
    ['already-on', 'lock-in-use'],
  ],
  [
    'signed on elsewhere',
    LIVE,
    'hana',
    { kind: 'sign-on', person: 'kit', lock: 'W-02' },
    ['already-on'],
    { others: { ...nobody, personOn: new Map([['kit', 'J-0003']]) } },
  ],
  [
    'someone else takes the lock off',
    ON,
    'lena',
    { kind: 'sign-off', person: 'kit', lock: 'W-02' },
    ['signature-missing'],
    { signed: new Set(['lena']) },
  ],
  [
    'signed off with another’s lock',
    () => carryOut([['hana', { kind: 'sign-on', person: 'lena', lock: 'W-03' }]], ON()),
    'kit',
    { kind: 'sign-off', person: 'kit', lock: 'W-03' },
    ['lock-not-yours'],
  ],
  [
    'signed off without being on',
    LIVE,
    'kit',
    { kind: 'sign-off', person: 'kit', lock: 'W-02' },
    ['not-on'],
  ],
  [
    'handed back with people on',
    ON,
    'jun',
    { kind: 'hand-back', cleared: true, remarks: '' },
    ['people-on'],
  ],
  [
    'handed back with tools in',
    LIVE,
    'jun',
    { kind: 'hand-back', cleared: false, remarks: '' },
    ['not-cleared'],
  ],
  [
    'handed back by another',
    LIVE,
    'rosa',
    { kind: 'hand-back', cleared: true, remarks: '' },
    ['not-the-performer'],
  ],
  [
    'unlocked under a live permit',
    LIVE,
    'elif',
    { kind: 'unlock-point', link: 'CB-P201' },
    ['still-held', 'permit-open', 'box-still-locked'],
  ],
  [
    'unlocked under the control lock',
    () => carryOut(HANDED_BACK, LIVE()),
    'elif',
    { kind: 'unlock-point', link: 'CB-P201' },
    ['box-still-locked'],
  ],
  [
    'unlocked by another authority',
    () => {
      const s = carryOut([...HANDED_BACK, ['ada', { kind: 'open-box' }]], LIVE());
      return carryOut(restoreSteps(s).slice(1, 5), s);
    },
    'gus',
    { kind: 'unlock-point', link: 'HV-2001' },
    ['lock-not-yours'],
  ],
  [
    'restored out of order',
    () => carryOut([...HANDED_BACK, ['ada', { kind: 'open-box' }]], LIVE()),
    'elif',
    { kind: 'unlock-point', link: 'CB-P201' },
    ['out-of-order'],
  ],
  [
    'the breaker unlocked before the valves',
    () => {
      const state = carryOut([...HANDED_BACK, ['ada', { kind: 'open-box' }]], LIVE());
      return carryOut(restoreSteps(state).slice(1, 5), state);
    },
    'elif',
    { kind: 'unlock-point', link: 'CB-P201' },
    ['out-of-order'],
  ],
  [
    'closed too early',
    () => carryOut(HANDED_BACK, LIVE()),
    'ada',
    { kind: 'close-job' },
    ['points-locked', 'lineup-missing', 'not-taken-back'],
  ],
  [
    'a valve left shut',
    () => {
      const s = carryOut(HANDED_BACK, LIVE());
      return carryOut(restoreSteps(s).slice(0, 14), s);
    },
    'cora',
    { kind: 'walk-lineup', point: 'HV-2001', found: 'closed' },
    ['position-wrong'],
  ],
  [
    'anything after closing',
    () => {
      const s = carryOut(HANDED_BACK, LIVE());
      return carryOut(restoreSteps(s), s);
    },
    'ada',
    DRAFT,
    ['job-closed'],
  ],
];

describe('refusals', () => {
  it.each(REFUSALS)('%s', (...row) => {
    const [, state, actor, command, codes, more] = row;
    expect(refusalsOf(state(), actor, command, more)).toEqual(codes);
  });

  it('has a row that produces each code', () => {
    const produced = new Set<string>(
      REFUSALS.flatMap(([, , , , codes]) => (Array.isArray(codes) ? codes : [])),
    );
    // Matched loosely in its row, because a plan may break several rules at once; and given by the server, not the decider.
    const elsewhere = ['plan-stops', 'key-reused'];
    const missing = Object.keys(RULES).filter((code) => !produced.has(code));
    expect(missing.filter((code) => !elsewhere.includes(code))).toEqual([]);
  });

  it('has words, a basis and a way to clear for every code', () => {
    for (const code of Object.keys(RULES) as RuleCode[]) {
      const { says, basis, clear } = explainRefusal({ code, facts: {} });
      expect([code, says.length > 5, basis.length > 5, clear.length > 5]).toEqual([
        code,
        true,
        true,
        true,
      ]);
    }
  });
});

describe('no sequence of commands whatsoever', () => {
  it('leaves a worker signed on while a point is unlocked or unproved, or after the permit is gone', () => {
    const script = ISSUED();
    const pool: Step[] = [
      ...script,
      ...HANDED_BACK,
      ...restoreSteps(carryOut(HANDED_BACK, LIVE())),
      ['hana', { kind: 'sign-on', person: 'lena', lock: 'W-03' }],
      ['lena', { kind: 'sign-off', person: 'lena', lock: 'W-03' }],
      ['hana', { kind: 'sign-on', person: 'jun', lock: 'W-01' }],
      ['jun', { kind: 'sign-off', person: 'jun', lock: 'W-01' }],
    ];
    let signOns = 0;
    for (let seed = 1; seed <= 12; seed++) {
      const dice = new Dice(seed);
      let state: DossierState;
      let at = 0;
      let now = Date.parse(START);
      for (let step = 0; step < 350; step++) {
        if (dice.chance(0.02)) now += dice.below(5) * 3_600_000;
        const inOrder = at < script.length && dice.chance(0.7);
        const [actor, command] = inOrder ? (script[at] as Step) : dice.pick(pool);
        const signed = dice.chance(0.9) ? listSigners(command, actor) : [];
        const time = new Date(now).toISOString();
        const decision = decideJob(state, command, contextFor(actor, signed, time));
        if (inOrder && (decision.ok || dice.chance(0.3))) at += 1;
        if (!decision.ok) continue;
        for (const event of decision.events) {
          if (event.kind === 'signed-on') {
            signOns += 1;
            expect({ seed, step, lapsed: state && isLapsed(state, time) }).toEqual({
              seed,
              step,
              lapsed: false,
            });
          }
          state = evolveDossier(state, event, { by: actor, at: time });
        }
        const on = state?.permit.kind === 'issued' ? Object.keys(state.permit.people) : [];
        if (state && on.length > 0) {
          expect({
            seed,
            step,
            missing: gateIsolation(state, site).map(({ code }) => code),
          }).toEqual({ seed, step, missing: [] });
        }
      }
    }
    expect(signOns).toBeGreaterThan(5);
  });
});
