import type { Command, CommandOf } from '../../../src/core/job';
import {
  APPROVED,
  assessOf,
  carryOut,
  fieldSteps,
  HANDED_BACK,
  LIVE,
  nobody,
  PERMIT,
  PLAN,
  RAISE,
  restoreSteps,
  screenOf,
  START,
  USABLE,
  WALKED,
  type RefusalRow,
} from '../seal-change';

const SCREENED = () => carryOut(PERMIT.slice(0, 1), WALKED());
const screen = (more: Partial<CommandOf<'screen-job'>>): Command => ({
  ...screenOf(WALKED()),
  ...more,
});
const assess = (more: Partial<CommandOf<'assess-task'>>): Command => ({
  ...assessOf(SCREENED()),
  ...more,
});
type Treated = CommandOf<'assess-task'>['steps'][number]['hazards'][number];
/** The assessment as proposed, with each hazard changed. */
const treated = (change: (hazard: Treated) => Treated) =>
  assess({
    steps: assessOf(SCREENED()).steps.map((step) => ({
      ...step,
      hazards: step.hazards.map(change),
    })),
  });
const first = (change: Partial<Treated>) =>
  treated((hazard) => (hazard.hazard === 'slips' ? { ...hazard, ...change } : hazard));
const SCOPE: Command = {
  kind: 'change-scope',
  work: [...RAISE.work, { section: 'P201-NOZ', activity: 'open' }],
  hours: 6,
  reason: 'the nozzle is worn too',
};
const CANCEL: Command = { kind: 'cancel-permit', reason: 'no spare part' };
const LATER = { from: '2026-11-25T07:00:00.000Z', until: '2026-11-25T13:00:00.000Z' };
const schedule = (more: object): Command => ({
  kind: 'schedule-job',
  ...LATER,
  operator: 'cora',
  ...more,
});
const REDRAFTED = () => carryOut([['ada', SCOPE]], carryOut(fieldSteps(), WALKED()));

/** Steps about papers, assessment and scope that are refused, with the codes. */
export const PAPER_ROWS: RefusalRow[] = [
  [
    'screened with every question open',
    WALKED,
    'ada',
    screen({ answers: {} }),
    Array.from({ length: 9 }, () => 'screening-open' as const),
  ],
  ['screened as proposed', WALKED, 'ada', screen({}), []],
  [
    'line breaking left out, electrical left out without a reason',
    WALKED,
    'ada',
    screen({ kinds: ['general'], left: { 'line-breaking': 'small' } }),
    ['paper-missing', 'paper-left-unsaid'],
  ],
  [
    'electrical left out with a reason',
    WALKED,
    'ada',
    screen({ kinds: ['general', 'line-breaking'], left: { electrical: 'nobody opens anything' } }),
    [],
  ],
  [
    'hot work answered with yes and left out with a reason',
    WALKED,
    'ada',
    {
      ...screenOf(WALKED(), ['spark']),
      kinds: ['general', 'line-breaking', 'electrical'],
      left: { 'hot-work': 'short' },
    },
    ['paper-missing'],
  ],
  ['screened by a worker', WALKED, 'kit', screen({}), ['role-missing']],
  ['screened while the permit is out', LIVE, 'ada', screen({}), ['permit-held']],
  ['assessed as proposed', SCREENED, 'hana', assess({}), []],
  [
    'assessed without one of the hazards',
    SCREENED,
    'hana',
    assess({
      steps: assessOf(SCREENED()).steps.map((step) => ({
        ...step,
        hazards: step.hazards.filter(({ hazard }) => hazard !== 'slips'),
      })),
    }),
    ['hazard-not-treated'],
  ],
  [
    'assessed with a reason why one hazard does not apply',
    SCREENED,
    'hana',
    assess({
      steps: assessOf(SCREENED()).steps.map((step) => ({
        ...step,
        hazards: step.hazards.filter(({ hazard }) => hazard !== 'slips'),
      })),
      left: { slips: 'new grating, nothing lies about' },
    }),
    [],
  ],
  [
    'a hazard without a control',
    SCREENED,
    'hana',
    first({ controls: [] }),
    ['hazard-not-controlled'],
  ],
  [
    'a hazard against which people are only protected',
    SCREENED,
    'hana',
    first({ controls: [{ rank: 'protect', control: 'boots' }] }),
    ['only-protected'],
  ],
  [
    'only protected, with the reason',
    SCREENED,
    'hana',
    first({ controls: [{ rank: 'protect', control: 'boots' }], why: 'it rains in' }),
    [],
  ],
  [
    'more than a low remainder that nobody accepts',
    SCREENED,
    'hana',
    first({ remains: 'raised' }),
    ['remainder-not-accepted'],
  ],
  [
    'a raised remainder accepted by an issuing authority',
    SCREENED,
    'ada',
    first({ remains: 'raised', accepter: 'hana' }),
    [],
  ],
  [
    'a high remainder accepted by an issuing authority',
    SCREENED,
    'ada',
    first({ remains: 'high', accepter: 'hana' }),
    ['role-missing'],
  ],
  [
    'a high remainder accepted by the site manager without a PIN',
    SCREENED,
    'ada',
    first({ remains: 'high', accepter: 'uma' }),
    ['signature-missing'],
    { signed: new Set(['ada']) },
  ],
  [
    'without what the hazards ask for',
    SCREENED,
    'hana',
    assess({ wear: ['visor'], emergency: [], questions: [] }),
    [
      ...Array.from({ length: 10 }, () => 'protection-missing' as const),
      ...Array.from({ length: 12 }, () => 'emergency-missing' as const),
      'questions-missing',
    ],
  ],
  [
    'approved without papers',
    WALKED,
    'hana',
    { kind: 'approve-permit' },
    ['not-screened', 'not-assessed'],
  ],
  [
    'approved by the performing authority',
    () => carryOut(PERMIT.slice(0, 2), WALKED()),
    'jun',
    {
      kind: 'approve-permit',
    },
    ['role-missing', 'performs-and-issues'],
  ],
  ['the scope changed while the permit is out', LIVE, 'ada', SCOPE, ['permit-held']],
  [
    'the scope changed to a place that is not there',
    WALKED,
    'ada',
    { ...SCOPE, work: [{ section: 'NOWHERE', activity: 'open' }] } as Command,
    ['section-unknown'],
  ],
  [
    'the scope changed once the work is over',
    () => carryOut(HANDED_BACK.slice(0, 3), LIVE()),
    'ada',
    SCOPE,
    ['permit-open'],
  ],
  [
    'a plan for the changed scope that leaves out what hangs',
    () =>
      carryOut(
        [['ada', { kind: 'draft-plan', origin: 'own', ...PLAN, restrain: [] }]],
        REDRAFTED(),
      ),
    'ada',
    { kind: 'submit-plan', drawingChecked: false },
    ['plan-drops-standing', 'plan-stops'],
  ],
  [
    'the box taken for granted after the scope changed',
    () => {
      const planned = carryOut(
        [
          ['ada', { kind: 'submit-plan', drawingChecked: false }],
          ['hana', { kind: 'accept-plan', note: '' }],
          ...USABLE.filter(([, { kind }]) => kind === 'check-label'),
        ],
        REDRAFTED(),
      );
      return carryOut(
        [
          ['hana', screenOf(planned)],
          ['hana', assessOf(planned)],
          ['hana', { kind: 'approve-permit' }],
        ],
        planned,
      );
    },
    'hana',
    { kind: 'issue-permit', hours: 1, briefed: true, performer: 'jun' },
    ['scope-changed', 'not-let-down', 'not-proved', 'not-tried', 'briefing-missing'],
  ],
  ['a live permit cancelled', LIVE, 'hana', CANCEL, ['nothing-to-cancel']],
  ['an approved permit cancelled', APPROVED, 'ada', CANCEL, []],
  [
    'assessed anew with the points on their way back',
    () => {
      const cancelled = carryOut([['ada', CANCEL]], APPROVED());
      return carryOut(restoreSteps(cancelled).slice(0, 2), cancelled);
    },
    'hana',
    assess({}),
    ['restoring-begun'],
  ],
  [
    'planned for a time that is over',
    WALKED,
    'ada',
    schedule({ from: START, until: '2026-11-24T06:59:00.000Z' }),
    ['window-wrong'],
  ],
  ['planned to end as it begins', WALKED, 'ada', schedule({ until: LATER.from }), ['window-wrong']],
  [
    'planned with a worker who agrees',
    WALKED,
    'ada',
    schedule({ operator: 'kit' }),
    ['role-missing'],
  ],
  ['planned with an operator who agrees', WALKED, 'ada', schedule({}), []],
  [
    'a team with someone nobody knows',
    WALKED,
    'ada',
    { kind: 'name-team', people: ['zed'] },
    ['person-unknown'],
  ],
  [
    'a clash accepted that is none',
    WALKED,
    'hana',
    {
      kind: 'accept-clash',
      rule: 'lift-over-crew',
      other: 'J-0099',
      how: 'accept',
      measure: 'looked at',
    },
    ['no-clash'],
  ],
  [
    'signed on under another job’s paper',
    LIVE,
    'hana',
    { kind: 'sign-on', person: 'kit', lock: 'W-02', permit: 'P-0007' },
    ['other-permit'],
  ],
  [
    'signed on by someone who is not of the team',
    () => carryOut([['jun', { kind: 'name-team', people: ['lena'] }]], LIVE()),
    'hana',
    { kind: 'sign-on', person: 'kit', lock: 'W-02' },
    ['not-of-this-job'],
  ],
  [
    'signed on by someone named for another job',
    LIVE,
    'hana',
    { kind: 'sign-on', person: 'kit', lock: 'W-02' },
    ['not-of-this-job'],
    {
      others: {
        ...nobody,
        open: () => {
          const dossier = carryOut([['jun', { kind: 'name-team', people: ['kit'] }]], WALKED());
          return dossier ? [{ id: 'J-0007', dossier }] : [];
        },
      },
    },
  ],
];
