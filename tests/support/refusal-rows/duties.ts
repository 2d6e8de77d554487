import type { Command, SiteFacts } from '../../../src/core/job';
import { presentOrThrow } from '../../../src/core/result';
import {
  carryOut,
  ISSUED_WITH,
  LIVE,
  ON,
  READY,
  site,
  type RefusalRow,
  type Step,
  UNSIGNED,
} from '../seal-change';

const HOT = () => ISSUED_WITH('spark');
const ENTRY = () => ISSUED_WITH('enter');
const watch = (person: string): Step => [
  'hana',
  { kind: 'take-duty', person, duty: 'fire-watch', checked: READY['fire-watch'] },
];
const weld = (person: string, lock: string): Step => [
  'hana',
  { kind: 'sign-on', person, lock, sparks: true },
];
const ATTEND: Step = [
  'hana',
  { kind: 'take-duty', person: 'sol', duty: 'attendant', checked: READY.attendant },
];
const ENTER: Step = ['hana', { kind: 'sign-on', person: 'kit', lock: 'W-02' }];
const SHARE: Step = ['hana', { kind: 'share-fire-watch', reason: 'one bench, three metres long' }];
const shared: SiteFacts = { ...site, values: { ...site.values, 'fire-watch': 'shared' } };
const back = (more: object): Command => ({
  kind: 'hand-back',
  cleared: true,
  finished: true,
  unsigned: UNSIGNED,
  remarks: '',
  ...more,
});
const WATCHED = () => carryOut([['jun', back({ watcher: 'sol' })]], HOT());
const CLOSE: Command = { kind: 'close-permit', inspected: 'cold' };

/** Steps about fire watch, attendant and tail that are refused, with the codes. */
/** The site as its register of employers has been changed. */
const withEmployers = (employers: SiteFacts['employers']) => ({ site: { ...site, employers } });
const tarnbeck = presentOrThrow(
  site.employers?.find(({ name }) => name === 'Tarnbeck Mechanical'),
  'Tarnbeck Mechanical',
);
const KIT: Command = { kind: 'sign-on', person: 'kit', lock: 'W-02' };

export const DUTY_ROWS: RefusalRow[] = [
  ['signed on for a firm under contract', LIVE, 'hana', KIT, []],
  [
    'signed on for a firm that nobody registered',
    LIVE,
    'hana',
    KIT,
    ['employer-unknown'],
    withEmployers([{ id: 'QW', name: 'Quillmere Works', own: true }]),
  ],
  [
    'signed on for a firm whose contract is over, and which was never told the rules',
    LIVE,
    'hana',
    KIT,
    ['contract-over', 'rules-not-exchanged'],
    withEmployers([
      { ...tarnbeck, contractUntil: '2026-11-23T00:00:00.000Z', exchangedAt: undefined },
    ]),
  ],
  [
    'a crew lock of a firm whose contract is over',
    LIVE,
    'hana',
    {
      kind: 'hang-crew-lock',
      crew: 'fitters',
      lead: 'jun',
      lock: 'L-1',
      verified: 'box and points',
    },
    ['contract-over'],
    withEmployers([{ ...tarnbeck, contractUntil: '2026-11-23T00:00:00.000Z' }]),
  ],
  ['sparks without a fire watch', HOT, ...weld('kit', 'W-02'), ['duty-missing']],
  [
    'no sparks, and no fire watch',
    HOT,
    'hana',
    { kind: 'sign-on', person: 'kit', lock: 'W-02' },
    [],
  ],
  ['sparks with a fire watch', () => carryOut([watch('sol')], HOT()), ...weld('kit', 'W-02'), []],
  [
    'a second who makes sparks with one fire watch',
    () => carryOut([watch('sol'), weld('kit', 'W-02')], HOT()),
    ...weld('lena', 'W-03'),
    ['duty-missing'],
  ],
  [
    'a second, with one fire watch shared by name at a site that shares',
    () => {
      const on = carryOut([watch('sol'), weld('kit', 'W-02')], HOT());
      return on && { ...on, sharedWatch: { by: 'hana', at: '', reason: 'x' } };
    },
    ...weld('lena', 'W-03'),
    [],
    { site: shared },
  ],
  ['a fire watch shared at a site that does not', HOT, ...SHARE, ['watch-not-shared']],
  ['a fire watch shared at a site that does', HOT, ...SHARE, [], { site: shared }],
  [
    'a fire watch shared where nothing is hot',
    LIVE,
    ...SHARE,
    ['no-sparks-here'],
    { site: shared },
  ],
  ['sparks under a permit that is not for them', LIVE, ...weld('kit', 'W-02'), ['no-sparks-here']],
  ['a fire watch who is not trained', HOT, ...watch('kit'), ['role-missing']],
  [
    'a fire watch who signs on to work',
    () => carryOut([watch('lena')], HOT()),
    'hana',
    { kind: 'sign-on', person: 'lena', lock: 'W-03' },
    ['on-duty'],
  ],
  [
    'a worker who takes a duty',
    () => carryOut([watch('sol'), ENTER], HOT()),
    'hana',
    {
      kind: 'take-duty',
      person: 'kit',
      duty: 'fire-watch',
      checked: READY['fire-watch'],
    },
    ['role-missing', 'already-on'],
  ],
  ['two duties at once', () => carryOut([watch('sol')], HOT()), ...ATTEND, ['on-duty']],
  [
    'a fire watch who leaves while sparks are made',
    () => carryOut([watch('sol'), weld('kit', 'W-02')], HOT()),
    'sol',
    { kind: 'leave-duty', person: 'sol' },
    ['duty-needed'],
  ],
  [
    'a fire watch who leaves in the welder’s break',
    () =>
      carryOut(
        [
          watch('sol'),
          weld('kit', 'W-02'),
          ['kit', { kind: 'sign-off', person: 'kit', lock: 'W-02' }],
        ],
        HOT(),
      ),
    'sol',
    { kind: 'leave-duty', person: 'sol' },
    ['duty-needed'],
  ],
  [
    'a fire watch who leaves before any spark',
    () => carryOut([watch('sol')], HOT()),
    'sol',
    { kind: 'leave-duty', person: 'sol' },
    [],
  ],
  [
    'a fire watch who leaves once another has it',
    () => carryOut([watch('sol'), weld('kit', 'W-02'), watch('lena')], HOT()),
    'sol',
    { kind: 'leave-duty', person: 'sol' },
    [],
  ],
  [
    'a duty left that nobody has',
    HOT,
    'sol',
    { kind: 'leave-duty', person: 'sol' },
    ['not-on-duty'],
  ],
  ['an entry without an attendant', ENTRY, ...ENTER, ['duty-missing']],
  ['an entry with one', () => carryOut([ATTEND], ENTRY()), ...ENTER, []],
  [
    'an entry by someone who is not trained for it',
    () => carryOut([ATTEND], ENTRY()),
    'hana',
    { kind: 'sign-on', person: 'jun', lock: 'W-01' },
    ['role-missing'],
  ],
  [
    'an attendant who leaves while someone is in',
    () => carryOut([ATTEND, ENTER], ENTRY()),
    'sol',
    { kind: 'leave-duty', person: 'sol' },
    ['duty-needed'],
  ],
  [
    'handed back after hot work with nobody who watches',
    HOT,
    'jun',
    back({}),
    ['tail-watcher-missing'],
  ],
  [
    'handed back to a watcher who is not trained',
    HOT,
    'jun',
    back({ watcher: 'kit' }),
    ['role-missing'],
  ],
  [
    'handed back to the fire watch',
    () => carryOut([watch('sol')], HOT()),
    'jun',
    back({ watcher: 'sol' }),
    [],
  ],
  [
    'closed within the tail',
    WATCHED,
    'hana',
    CLOSE,
    ['tail-running'],
    {
      now: '2026-11-24T07:59:59.000Z',
    },
  ],
  [
    'closed an hour on without a round',
    WATCHED,
    'hana',
    CLOSE,
    ['tail-running'],
    { now: '2026-11-24T08:00:00.000Z' },
  ],
  ['handed back without hot work and nobody watches', ON, 'jun', back({}), ['people-on']],
];
