import type { AuditAnswer, AuditCode } from '../../../src/core/audit';
import type { Command, CommandOf, DossierState } from '../../../src/core/job';
import {
  carryOut,
  HANDED_BACK,
  UNSIGNED,
  ISSUED_WITH,
  LIVE,
  ON,
  START,
  WALKED,
  type RefusalRow,
  type Step,
} from '../seal-change';

/** What is asked of the seal change. */
const BASIC: readonly AuditCode[] = [
  'shown',
  'people',
  'points',
  'scope',
  'controls',
  'worn',
  'emergency',
  'tidy',
  'dead-parts',
];

/** A check that finds everything as written but what is given. */
export const check = (
  more: Partial<Record<AuditCode, AuditAnswer>> = {},
  counted = 0,
  asked: readonly AuditCode[] = BASIC,
): CommandOf<'audit-permit'> => ({
  kind: 'audit-permit',
  counted,
  answers: {
    ...Object.fromEntries(asked.map((code) => [code, { found: 'as-written' as const }])),
    ...more,
  },
});

const hoursOn = (hours: number) => new Date(Date.parse(START) + hours * 3_600_000).toISOString();
const followUp = { what: 'hang a new copy', who: 'jun', until: hoursOn(4) };
const differs = (more: Partial<AuditAnswer> = {}): AuditAnswer => ({
  found: 'differs',
  seen: 'torn',
  ...more,
});
/** A live permit that was checked, with something to be done. */
export const CHECKED = (): DossierState =>
  carryOut([['quin', check({ shown: differs({ followUp }) })]], LIVE());
const finish = (more: Partial<CommandOf<'finish-follow-up'>> = {}): Command => ({
  kind: 'finish-follow-up',
  audit: 0,
  code: 'shown',
  done: 'hangs',
  ...more,
});
const GIVE: Step = ['hana', { kind: 'give-copy', holder: 'crew' }];
const COPIED = () => carryOut([GIVE], LIVE());
const takeIn = (number: number, end: 'back' | 'lost' = 'back'): Command => ({
  kind: 'take-in-copy',
  number,
  end,
  note: '',
});
const CLOSE: Command = { kind: 'close-permit', inspected: 'dry' };
const [, , HAND_BACK] = HANDED_BACK;
const UNSIGNED_BACK = { ...(HAND_BACK?.[1] as CommandOf<'hand-back'>), unsigned: UNSIGNED };
const BACK = (state: DossierState) => carryOut([['jun', UNSIGNED_BACK]], state);

/** Steps of the check at work and of copies that are refused, with the codes. */
export const AUDIT_ROWS: RefusalRow[] = [
  ['a check of a live permit', LIVE, 'quin', check(), []],
  ['a check where nothing is live', WALKED, 'quin', check(), ['audit-not-live']],
  ['a check by the issuer', LIVE, 'hana', check(), ['audit-own-work']],
  ['a check by a worker', LIVE, 'kit', check(), ['role-missing']],
  [
    'a question left open',
    LIVE,
    'quin',
    { ...check(), answers: {} },
    BASIC.map(() => 'audit-open'),
  ],
  [
    'an answer that was not asked for',
    LIVE,
    'quin',
    check({ 'fire-watch': { found: 'as-written' } }),
    ['audit-not-asked'],
  ],
  [
    'a hot permit without its questions',
    () => ISSUED_WITH('spark'),
    'quin',
    check(),
    ['audit-open', 'audit-open'],
  ],
  [
    'more people counted than are on, and nothing said',
    ON,
    'quin',
    check({}, 2),
    ['audit-count-differs'],
  ],
  [
    'more people counted, said and put right',
    ON,
    'quin',
    check({ people: differs({ putRight: 'sent out' }) }, 2),
    [],
  ],
  [
    'something differs without words or answer',
    LIVE,
    'quin',
    check({ worn: { found: 'differs' } }),
    ['audit-unsaid', 'audit-nothing-done'],
  ],
  [
    'something not looked at without a reason',
    LIVE,
    'quin',
    check({ worn: { found: 'not-seen' } }),
    ['audit-unsaid'],
  ],
  [
    'a follow-up that is over already',
    LIVE,
    'quin',
    check({ worn: differs({ followUp: { ...followUp, until: START } }) }),
    ['follow-up-past'],
  ],
  [
    'a follow-up by nobody known',
    LIVE,
    'quin',
    check({ worn: differs({ followUp: { ...followUp, who: 'nobody' } }) }),
    ['person-unknown'],
  ],
  ['a follow-up done by whoever is named', CHECKED, 'jun', finish(), []],
  ['a follow-up done by an issuing authority', CHECKED, 'hana', finish(), []],
  ['a follow-up of someone else', CHECKED, 'kit', finish(), ['follow-up-not-yours']],
  ['a follow-up that is not there', CHECKED, 'jun', finish({ audit: 3 }), ['follow-up-unknown']],
  [
    'a follow-up done twice',
    () => carryOut([['jun', finish()]], CHECKED()),
    'jun',
    finish(),
    ['already-done'],
  ],
  ['closing with a copy out', () => BACK(COPIED()), 'hana', CLOSE, ['copies-out']],
  [
    'closing with the copy taken in',
    () => carryOut([['hana', takeIn(1)]], BACK(COPIED())),
    'hana',
    CLOSE,
    [],
  ],
  [
    'closing with a copy replaced and its second copy lost',
    () =>
      carryOut(
        [
          ['hana', { kind: 'give-copy', holder: 'crew', instead: 1 }],
          ['hana', takeIn(2, 'lost')],
        ],
        COPIED(),
      ),
    'jun',
    UNSIGNED_BACK,
    [],
  ],
  ['a copy that was never given', COPIED, 'hana', takeIn(2), ['copy-unknown']],
  [
    'a copy taken in twice',
    () => carryOut([['hana', takeIn(1)]], COPIED()),
    'hana',
    takeIn(1),
    ['copy-back-already'],
  ],
  ['a copy of a permit that is not out', WALKED, 'hana', takeIn(1), ['not-issued']],
];
