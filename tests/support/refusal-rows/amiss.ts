import {
  evolveDossier,
  type CommandOf,
  type Dossier,
  type DossierState,
  type OpenJob,
} from '../../../src/core/job';
import {
  carryOut,
  fieldSteps,
  LIVE,
  nobody,
  ON,
  PROVED,
  START,
  STOPPED,
  WALKED,
  type RefusalRow,
  type Step,
  UNSIGNED,
} from '../seal-change';

const REPORT: Step = [
  'kit',
  { kind: 'report-lock', lock: 'P-03', finding: 'damaged', seen: 'shackle bent' },
];
const sanction = (more: Partial<CommandOf<'sanction-test'>> = {}): CommandOf<'sanction-test'> => ({
  kind: 'sanction-test',
  what: 'run',
  purpose: 'direction of rotation',
  points: ['CB-P201', 'FS-TR2004'],
  clear: true,
  performer: 'jun',
  ...more,
});
const TEST: Step = ['hana', sanction()];
const damaged = () => carryOut([REPORT], LIVE());
const linkOf = (state: DossierState, lock: string) =>
  Object.entries(state?.isolation.locked ?? {}).find(([, hung]) => hung.lock === lock)?.[0] ?? '';
const replace = (lock: string): CommandOf<'replace-lock'> => ({
  kind: 'replace-lock',
  link: linkOf(LIVE(), 'P-03'),
  lock,
  how: 'new one on, old one cut',
});
const tag = (more: Partial<CommandOf<'tag-point'>> = {}): CommandOf<'tag-point'> => ({
  kind: 'tag-point',
  link: 'CB-P201',
  tag: 'T-1',
  reason: 'handle broken off',
  measure: 'fuses drawn and kept by the electrician',
  accepter: 'hana',
  ...more,
});

const PHOTO: CommandOf<'add-photo'> = {
  kind: 'add-photo',
  digest: 'a1'.repeat(32),
  of: 'step',
  subject: 'HV-2001',
  words: '',
};
const withPicture = { others: { ...nobody, hasPicture: () => true } };
/** A job with so many photographs, each of another point. */
const shown = (many: number): DossierState => {
  const state = LIVE() as Dossier;
  const photos = Array.from({ length: many }, (_, n) => ({
    ...PHOTO,
    subject: `HV-${n}`,
    by: 'kit',
    at: START,
  }));
  return { ...state, photos };
};

/** Another job that holds one point of this one. */
function sharing(point: string): OpenJob {
  const dossier = LIVE() as Dossier;
  const held = Object.entries(dossier.isolation.locked).filter(([id]) => id === point);
  const isolation = { ...dossier.isolation, locked: Object.fromEntries(held), opened: {} };
  return { id: 'J-0002', dossier: { ...dossier, isolation } };
}

/** Alarms, unfit locks, tags alone and tests: what is refused, with the codes. */
export const AMISS_ROWS: RefusalRow[] = [
  ['a photograph whose picture never came', LIVE, 'kit', PHOTO, ['picture-missing']],
  ['a photograph by anybody', LIVE, 'kit', PHOTO, [], withPicture],
  [
    'the same photograph of the same point twice',
    () => {
      const mark = { by: 'kit', at: START };
      return evolveDossier(LIVE(), { ...PHOTO, kind: 'photo-added' }, mark);
    },
    'kit',
    PHOTO,
    ['already-done'],
    withPicture,
  ],
  ['one photograph too many', () => shown(300), 'kit', PHOTO, ['photos-full'], withPicture],

  [
    'signed on while an alarm stands',
    () => carryOut([['kit', { kind: 'raise-alarm', where: 'P201-CAS', seen: 'hissing' }]], LIVE()),
    'hana',
    { kind: 'sign-on', person: 'kit', lock: 'W-02' },
    ['work-stopped', 'alarm-standing', 'after-alarm', 'not-let-down', 'not-proved', 'not-tried'],
  ],
  [
    'an alarm at a place that is not there',
    ON,
    'kit',
    { kind: 'raise-alarm', where: 'NOWHERE', seen: 'hissing' },
    ['place-unknown'],
  ],
  [
    'an alarm cleared that was not raised',
    ON,
    'hana',
    { kind: 'clear-alarm', found: 'x' },
    ['no-alarm'],
  ],
  [
    'an alarm cleared by a worker',
    () => carryOut([['kit', { kind: 'raise-alarm', where: 'P201-CAS', seen: 'hissing' }]], LIVE()),
    'kit',
    { kind: 'clear-alarm', found: 'a hose' },
    ['role-missing'],
  ],
  [
    'signed on behind a damaged lock',
    damaged,
    'hana',
    { kind: 'sign-on', person: 'kit', lock: 'W-02' },
    ['unfit-on-point', 'after-unfit-lock', 'not-let-down', 'not-proved', 'not-tried'],
  ],
  [
    'a lock hung that was found unfit on another job',
    STOPPED,
    'elif',
    { kind: 'lock-point', link: 'CB-P201', lock: 'E-01', tag: 'T' },
    ['lock-unfit'],
    { others: { ...nobody, unfit: new Map([['E-01', 'J-0002']]) } },
  ],
  ['reported twice', damaged, ...REPORT, ['already-done']],
  [
    'a lock of another job reported',
    ON,
    ...REPORT,
    ['lock-in-use'],
    { others: { ...nobody, lockAt: new Map([['P-03', 'J-0002']]) } },
  ],
  [
    'a lock reported that is not registered',
    ON,
    'kit',
    { kind: 'report-lock', lock: 'Z-9', finding: 'key-lost', seen: 'x' },
    ['lock-unknown'],
  ],
  ['a sound lock replaced', LIVE, 'finn', replace('P-20'), ['lock-is-fit']],
  ['replaced by another than its owner', damaged, 'gus', replace('P-20'), ['lock-not-yours']],
  [
    'replaced with people on',
    () => carryOut([REPORT], ON()),
    'finn',
    replace('P-20'),
    ['people-on'],
  ],
  ['replaced by one that hangs', damaged, 'finn', replace('P-04'), ['lock-in-use']],
  [
    'made good while it hangs',
    damaged,
    'ada',
    { kind: 'renew-lock', lock: 'P-03', done: 'new' },
    ['unfit-lock-hangs'],
  ],
  [
    'made good though sound',
    LIVE,
    'ada',
    { kind: 'renew-lock', lock: 'P-20', done: 'new' },
    ['lock-is-fit'],
  ],
  ['a tag alone before its turn', WALKED, 'elif', tag(), ['not-told']],
  ['a tag alone', STOPPED, 'elif', tag(), []],
  [
    'a tag alone without the acceptance',
    STOPPED,
    'elif',
    tag(),
    ['signature-missing'],
    { signed: new Set(['elif']) },
  ],
  ['a tag alone accepted by a worker', STOPPED, 'elif', tag({ accepter: 'kit' }), ['role-missing']],
  [
    'a tag accepted by who hangs it',
    () => carryOut(fieldSteps().slice(0, 4), WALKED()),
    'ivo',
    tag({ link: 'HV-2001', accepter: 'ivo' }),
    ['authorisation-lapsed', 'accepts-own'],
  ],
  ['a test before issue', PROVED, 'hana', sanction(), ['not-issued']],
  ['a test with people on', ON, 'hana', sanction(), ['people-on']],
  ['a test with someone about', LIVE, 'hana', sanction({ clear: false }), ['area-not-clear']],
  [
    'a test of points that do not stand',
    LIVE,
    'hana',
    sanction({ points: ['HV-2301'] }),
    ['not-standing'],
  ],
  [
    'a test accepted by another',
    LIVE,
    'hana',
    sanction({ performer: 'rosa' }),
    ['not-the-performer'],
  ],
  [
    'a test with a drain left open on what comes alive',
    LIVE,
    'hana',
    sanction({ points: ['HV-2001', 'HV-2002'] }),
    ['test-spills', 'test-spills', 'test-spills', 'test-spills'],
  ],
  [
    'a test that lifts what another job needs',
    LIVE,
    'hana',
    sanction(),
    ['point-shared'],
    {
      others: {
        ...nobody,
        open: () => [sharing('CB-P201')],
      },
    },
  ],
  ['a second test', () => carryOut([TEST], LIVE()), ...TEST, ['test-open']],
  ['an inch after the box', LIVE, 'hana', sanction({ what: 'inch' }), ['inch-too-late']],
  ['an inch before the box', PROVED, 'hana', sanction({ what: 'inch', points: ['CB-P201'] }), []],
  [
    'lifted without a sanction',
    LIVE,
    'elif',
    { kind: 'lift-for-test', point: 'CB-P201' },
    ['no-test'],
  ],
  [
    'lifted by the wrong discipline',
    () => carryOut([TEST], LIVE()),
    'finn',
    { kind: 'lift-for-test', point: 'CB-P201' },
    ['role-missing', 'lock-not-yours'],
  ],
  [
    'lifted though not named',
    () => carryOut([TEST], LIVE()),
    'finn',
    { kind: 'lift-for-test', point: 'HV-2001' },
    ['not-standing'],
  ],
  [
    'signed on during a test',
    () => carryOut([TEST], LIVE()),
    'hana',
    { kind: 'sign-on', person: 'kit', lock: 'W-02' },
    ['test-open'],
  ],
  [
    'signed on after a test that was called off before anything was lifted',
    () => carryOut([TEST, ['cora', { kind: 'run-test', ran: false, seen: 'rain' }]], LIVE()),
    'hana',
    { kind: 'sign-on', person: 'kit', lock: 'W-02' },
    [],
  ],
  [
    'signed on with what was lifted still off',
    () =>
      carryOut(
        [
          TEST,
          ['elif', { kind: 'lift-for-test', point: 'CB-P201' }],
          ['cora', { kind: 'run-test', ran: false, seen: 'called off' }],
        ],
        LIVE(),
      ),
    'hana',
    { kind: 'sign-on', person: 'kit', lock: 'W-02' },
    ['after-test', 'locks-missing', 'not-let-down', 'not-proved', 'not-tried'],
  ],
  [
    'run with a lock on',
    () => carryOut([TEST], LIVE()),
    'cora',
    { kind: 'run-test', ran: true, sight: 'seen', seen: 'turns the right way' },
    ['test-not-lifted'],
  ],
  [
    'run without a sanction',
    LIVE,
    'cora',
    { kind: 'run-test', ran: true, sight: 'seen', seen: 'x' },
    ['no-test'],
  ],
  [
    'handed back with a test open',
    () => carryOut([TEST], LIVE()),
    'jun',
    { kind: 'hand-back', cleared: true, finished: true, unsigned: UNSIGNED, remarks: '' },
    ['test-open'],
  ],
];
