import { evolveDossier, type Command, type Dossier, type SiteFacts } from '../../../src/core/job';
import {
  APPROVED,
  carryOut,
  HANDED_BACK,
  ISSUE,
  LATE,
  LIVE,
  ON,
  PERMIT,
  restoreSteps,
  site,
  START,
  type RefusalRow,
  type Step,
} from '../seal-change';

const EXTEND: Command = {
  kind: 'extend-permit',
  hours: 10,
  performer: 'jun',
  retested: 'every reading taken again',
};
const REVALIDATE: Command = {
  kind: 'revalidate-permit',
  seen: 'guards, drains, locks',
  performer: 'jun',
};
const STOP: Step = ['kit', { kind: 'stop-work', reason: 'smell of gas' }];
const LIFT: Command = { kind: 'lift-stop', found: 'a hose of the next job' };
const STOPPED_ON = () => carryOut([STOP], ON());
/** A site of the other school: valid for 24 h, looked at anew each shift. */
const byDay: SiteFacts = { ...site, values: { ...site.values, validity: 'day' } };
/** Issued for 24 h by the other school, with someone on. */
const OVER_NIGHT = () => {
  const state = APPROVED();
  const number = { number: 'P-0001', until: '2026-11-25T07:00:00.000Z', performer: 'jun' };
  return state && carryOut([HANDED_BACK[0] as Step], evolveIssued(state, number));
};
const SHIFT = '2026-11-24T18:00:00.000Z';
const LAPSED_AT = '2026-11-24T15:00:00.001Z';

function evolveIssued(
  state: Dossier,
  issued: { number: string; until: string; performer: string },
): Dossier {
  return evolveDossier(state, { kind: 'permit-issued', ...issued }, { by: 'hana', at: START });
}

/** Steps about validity, stops and copies that are refused, with the codes. */
export const VALIDITY_ROWS: RefusalRow[] = [
  [
    'issued for as long as the site allows',
    APPROVED,
    'hana',
    {
      kind: 'issue-permit',
      briefed: true,
      performer: 'jun',
    },
    [],
  ],
  [
    'issued for 24 h by the school of the day',
    APPROVED,
    'hana',
    { ...ISSUE, hours: 24 } as Command,
    [],
    {
      site: byDay,
    },
  ],
  [
    'issued for more than 24 h by the school of the day',
    APPROVED,
    'hana',
    { ...ISSUE, hours: 24.1 } as Command,
    ['validity-too-long'],
    { site: byDay },
  ],
  [
    'extended with the proofs an hour old',
    ON,
    'hana',
    { ...EXTEND, hours: 9.9 } as Command,
    [],
    { now: '2026-11-24T08:00:00.000Z' },
  ],
  [
    'extended with the proofs more than an hour old',
    ON,
    'hana',
    { ...EXTEND, hours: 9.9 } as Command,
    ['retest-missing'],
    { now: '2026-11-24T08:00:01.000Z' },
  ],
  [
    'extended to no later than it is valid',
    ON,
    'hana',
    { ...EXTEND, hours: 8 } as Command,
    ['extension-too-short'],
  ],
  [
    'extended past the end of the shift',
    ON,
    'hana',
    { ...EXTEND, hours: 11.5 } as Command,
    ['validity-too-long'],
  ],
  [
    'extended past 24 h after the issue',
    OVER_NIGHT,
    'hana',
    { ...EXTEND, hours: 24 } as Command,
    ['retest-missing', 'validity-too-long'],
    { site: byDay, now: '2026-11-24T09:00:00.000Z' },
  ],
  [
    'extended once it has lapsed',
    ON,
    'hana',
    EXTEND,
    ['permit-lapsed', 'retest-missing', 'validity-too-long'],
    {
      now: LAPSED_AT,
    },
  ],
  ['extended by the coordinator', ON, 'ada', EXTEND, ['role-missing']],
  [
    'extended for another performer',
    ON,
    'hana',
    { ...EXTEND, performer: 'rosa' } as Command,
    ['not-the-performer'],
  ],
  ['revalidated in the shift of the issue', ON, 'hana', REVALIDATE, ['revalidated-already']],
  [
    'signed on in the next shift within the time of grace',
    OVER_NIGHT,
    'hana',
    { kind: 'sign-on', person: 'lena', lock: 'W-03' },
    [],
    { site: byDay, now: '2026-11-24T18:30:00.000Z' },
  ],
  [
    'signed on in the next shift after the time of grace',
    OVER_NIGHT,
    'hana',
    { kind: 'sign-on', person: 'lena', lock: 'W-03' },
    ['not-revalidated'],
    { site: byDay, now: '2026-11-24T18:30:00.001Z' },
  ],
  [
    'revalidated in the next shift',
    OVER_NIGHT,
    'hana',
    REVALIDATE,
    [],
    { site: byDay, now: SHIFT },
  ],
  ['revalidated before issue', APPROVED, 'hana', REVALIDATE, ['not-issued']],
  [
    'a copy instead of one that is not there',
    LIVE,
    'hana',
    {
      kind: 'give-copy',
      holder: 'control room',
      instead: 1,
    },
    ['copy-unknown'],
  ],
  ['a copy', LIVE, 'hana', { kind: 'give-copy', holder: 'control room' }, []],
  ['a copy before issue', APPROVED, 'hana', { kind: 'give-copy', holder: 'x' }, ['not-issued']],
  ['stopped by anyone', ON, 'kit', STOP[1], []],
  ['stopped twice', STOPPED_ON, 'lena', STOP[1], ['already-done']],
  [
    'signed on while stopped',
    STOPPED_ON,
    'hana',
    { kind: 'sign-on', person: 'lena', lock: 'W-03' },
    ['work-stopped'],
  ],
  ['extended while stopped', STOPPED_ON, 'hana', EXTEND, ['work-stopped']],
  ['issued while stopped', () => carryOut([STOP], APPROVED()), 'hana', ISSUE, ['work-stopped']],
  [
    'signed off while stopped',
    STOPPED_ON,
    'kit',
    { kind: 'sign-off', person: 'kit', lock: 'W-02' },
    [],
  ],
  [
    'a point put back while stopped',
    () => {
      const closed = carryOut(HANDED_BACK, LIVE());
      return carryOut([STOP], carryOut(restoreSteps(closed).slice(0, 1), closed));
    },
    'finn',
    { kind: 'free-store', store: 'ST-P201-SPR' },
    ['work-stopped'],
  ],
  ['a stop lifted by the coordinator', STOPPED_ON, 'ada', LIFT, ['role-missing']],
  ['a stop lifted', STOPPED_ON, 'hana', LIFT, []],
  ['a stop lifted that is none', ON, 'hana', LIFT, ['nothing-stopped']],
  [
    'an alarm’s stop lifted while the alarm stands',
    () => carryOut([['kit', { kind: 'raise-alarm', where: 'P201-CAS', seen: 'hissing' }]], ON()),
    'hana',
    LIFT,
    ['alarm-standing'],
  ],
  [
    'signed off from a lapsed permit',
    ON,
    'kit',
    { kind: 'sign-off', person: 'kit', lock: 'W-02' },
    [],
    {
      now: LATE,
    },
  ],
  [
    'a lapsed permit handed back with someone on',
    ON,
    'jun',
    { kind: 'hand-back', cleared: true, finished: false, remarks: '' },
    ['people-on'],
    { now: LATE },
  ],
  [
    'the next number issued on the first one’s assessment',
    () =>
      carryOut(
        [
          ['jun', { kind: 'hand-back', cleared: true, finished: false, remarks: '' }],
          ['hana', { kind: 'close-permit', inspected: 'left safe' }],
        ],
        LIVE(),
      ),
    'hana',
    ISSUE,
    ['not-assessed', 'not-approved'],
  ],
  [
    'the points put back although the work is not finished',
    () =>
      carryOut(
        [
          ['jun', { kind: 'hand-back', cleared: true, finished: false, remarks: '' }],
          ['hana', { kind: 'close-permit', inspected: 'left safe' }],
          ['ada', { kind: 'cancel-permit', reason: 'x' }],
          ...PERMIT.slice(1, 2),
        ],
        LIVE(),
      ),
    'ada',
    { kind: 'open-box' },
    ['permit-open'],
  ],
];
