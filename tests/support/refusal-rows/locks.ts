import type { DossierState } from '../../../src/core/job';
import {
  carryOut,
  EACH_POINT,
  HASPS,
  LIVE,
  nobody,
  ownLocks,
  OXMOOR_ON,
  type RefusalRow,
  type Step,
  UNSIGNED,
} from '../seal-change';

const CREW = OXMOOR_ON[0] as Step;
const NEXT_LEAD = {
  kind: 'hang-crew-lock',
  crew: 'Oxmoor Electrical',
  lead: 'pia',
  lock: 'L-2',
  verified: 'locks and tags seen',
} as const;
const LEAVES = {
  kind: 'take-off-crew-lock',
  crew: 'Oxmoor Electrical',
  lead: 'nell',
  lock: 'L-1',
} as const;
const withCrew = () => carryOut(OXMOOR_ON, LIVE());
const incoming = () => carryOut([['ben', { kind: 'hang-incoming', lock: 'C-2' }]], LIVE());

/** A live job on whose box six locks hang. */
const full = (): DossierState =>
  carryOut(
    [
      CREW,
      ...(
        [
          ['jun', 'W-01'],
          ['kit', 'W-02'],
          ['lena', 'W-03'],
        ] as const
      ).map(([person, lock]): Step => ['hana', { kind: 'sign-on', person, lock }]),
      ['hana', { kind: 'sign-on', person: 'otto', lock: 'W-06', crew: 'Oxmoor Electrical' }],
    ],
    LIVE(),
  );

/** Steps with locks, crews and handing over that are refused, with the codes. */
export const LOCK_ROWS: RefusalRow[] = [
  [
    'taken off without an incoming control lock',
    LIVE,
    'ada',
    { kind: 'take-off-control', lock: 'C-1' },
    ['no-incoming-lock'],
  ],
  [
    'another’s control lock taken off',
    incoming,
    'ben',
    { kind: 'take-off-control', lock: 'C-1' },
    ['lock-not-yours'],
  ],
  [
    'a control lock that does not hang',
    LIVE,
    'ada',
    { kind: 'take-off-control', lock: 'C-4' },
    ['lock-not-here'],
  ],
  [
    'the box handed over with people on',
    () => carryOut([['hana', { kind: 'sign-on', person: 'kit', lock: 'W-02' }]], incoming()),
    'ada',
    { kind: 'take-off-control', lock: 'C-1' },
    ['people-on'],
  ],
  [
    'handed over to oneself',
    LIVE,
    'ada',
    { kind: 'hang-incoming', lock: 'C-2' },
    ['hands-to-self'],
  ],
  [
    'a second incoming lock',
    incoming,
    'ben',
    { kind: 'hang-incoming', lock: 'C-3' },
    ['incoming-on'],
  ],
  [
    'an incoming lock of the wrong use',
    LIVE,
    'ben',
    { kind: 'hang-incoming', lock: 'W-05' },
    ['lock-wrong-use'],
  ],
  [
    'the box opened with an incoming lock on',
    incoming,
    'ada',
    { kind: 'open-box' },
    ['still-held', 'permit-open', 'incoming-on'],
  ],
  [
    'the box opened by another coordinator',
    LIVE,
    'ben',
    { kind: 'open-box' },
    ['still-held', 'permit-open', 'lock-not-yours'],
  ],
  [
    'signed on after the shift changed',
    () => carryOut([['ada', { kind: 'take-off-control', lock: 'C-1' }]], incoming()),
    'hana',
    { kind: 'sign-on', person: 'kit', lock: 'W-02' },
    ['shift-changed', 'not-let-down', 'not-proved', 'not-tried'],
  ],
  [
    'a contractor without a crew',
    LIVE,
    'hana',
    { kind: 'sign-on', person: 'otto', lock: 'W-06' },
    ['crew-missing'],
  ],
  [
    'signed on in a crew that is not here',
    LIVE,
    'hana',
    { kind: 'sign-on', person: 'otto', lock: 'W-06', crew: 'Oxmoor Electrical' },
    ['crew-unknown'],
  ],
  ['a crew that is not here takes its lock off', LIVE, 'nell', LEAVES, ['crew-unknown']],
  ['the lead leaves before the crew', withCrew, 'nell', LEAVES, ['crew-members-on']],
  [
    'another lead’s lock',
    withCrew,
    'pia',
    { ...LEAVES, lead: 'pia' },
    ['lock-not-yours', 'crew-members-on'],
  ],
  [
    'one lead for two crews',
    withCrew,
    'hana',
    { ...NEXT_LEAD, crew: 'Second', lead: 'nell' },
    ['leads-already'],
  ],
  [
    'a third lead beside an incoming one',
    () => carryOut([['hana', NEXT_LEAD]], withCrew()),
    'hana',
    { ...NEXT_LEAD, lead: 'tove', lock: 'L-3' },
    ['incoming-on'],
  ],
  ['a lead who may not lead', withCrew, 'hana', { ...NEXT_LEAD, lead: 'kit' }, ['role-missing']],
  [
    'handed back with a crew lock on',
    () => carryOut([CREW], LIVE()),
    'jun',
    { kind: 'hand-back', cleared: true, finished: true, unsigned: UNSIGNED, remarks: '' },
    ['crews-on'],
  ],
  [
    'a seventh lock on the box',
    full,
    'hana',
    { kind: 'sign-on', person: 'pia', lock: 'W-07', crew: 'Oxmoor Electrical' },
    ['hasp-full'],
  ],
  [
    'a seventh lock with a further hasp',
    () => carryOut([['ada', { kind: 'chain-hasp', where: 'BOX-1' }]], full()),
    'hana',
    { kind: 'sign-on', person: 'pia', lock: 'W-07', crew: 'Oxmoor Electrical' },
    [],
  ],
  [
    'a hasp where none belongs',
    LIVE,
    'ada',
    { kind: 'chain-hasp', where: 'BOX-2' },
    ['not-in-plan'],
  ],
  [
    'the way of locking on changed after issue',
    LIVE,
    'ada',
    { kind: 'choose-lockout', way: 'each-point' },
    ['already-done'],
  ],
  [
    'a box where each point is locked',
    EACH_POINT,
    'ada',
    { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' },
    ['box-not-wanted'],
  ],
  [
    'a crew where each point is locked',
    EACH_POINT,
    'hana',
    { ...NEXT_LEAD, lead: 'nell', lock: 'L-1' },
    ['crew-needs-box'],
  ],
  [
    'one lock for every point',
    EACH_POINT,
    'hana',
    { kind: 'sign-on', person: 'sol', lock: 'W-09' },
    ['crew-missing', 'own-lock-missing'],
  ],
  [
    'each point with its hasp',
    () => carryOut(HASPS, EACH_POINT()),
    'hana',
    { kind: 'sign-on', person: 'jun', each: ownLocks() },
    [],
  ],
  [
    'a point without a hasp',
    () => carryOut(HASPS.slice(1), EACH_POINT()),
    'hana',
    { kind: 'sign-on', person: 'jun', each: ownLocks() },
    ['hasp-full'],
  ],
  [
    'one lock named twice, and a point forgotten',
    () => carryOut(HASPS, EACH_POINT()),
    'hana',
    { kind: 'sign-on', person: 'jun', each: ownLocks({ 'HV-2001': 'W-31', 'HV-2009': undefined }) },
    ['own-lock-missing', 'lock-in-use'],
  ],
  [
    'someone else’s lock on a point',
    () => carryOut(HASPS, EACH_POINT()),
    'hana',
    { kind: 'sign-on', person: 'jun', each: ownLocks({ 'HV-2001': 'W-03' }) },
    ['lock-not-yours'],
  ],
  [
    'signed off with one lock left on',
    () =>
      carryOut(
        [...HASPS, ['hana', { kind: 'sign-on', person: 'jun', each: ownLocks() }]],
        EACH_POINT(),
      ),
    'jun',
    { kind: 'sign-off', person: 'jun', each: ownLocks({ 'CB-P201': undefined }) },
    ['own-lock-missing'],
  ],
  [
    'signed on with a lock that hangs elsewhere',
    LIVE,
    'hana',
    { kind: 'sign-on', person: 'kit', lock: 'W-02' },
    ['lock-in-use'],
    { others: { ...nobody, lockAt: new Map([['W-02', 'J-0009']]) } },
  ],
];
