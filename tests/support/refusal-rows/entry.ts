import type { Command, CommandOf, DossierState } from '../../../src/core/job';
import {
  airTestOf,
  carryOut,
  ISSUED_WITH,
  LIVE,
  PLAN_ENTRY,
  READY,
  START,
  type RefusalRow,
  type Step,
  UNSIGNED,
} from '../seal-change';

const ENTRY = () => ISSUED_WITH('enter');
const after = (minutes: number) => new Date(Date.parse(START) + minutes * 60_000).toISOString();
const on = (person: string, lock: string): Step => ['hana', { kind: 'sign-on', person, lock }];
const ATTEND: Step = [
  'hana',
  { kind: 'take-duty', person: 'sol', duty: 'attendant', checked: READY.attendant },
];
export const PURGE: CommandOf<'start-purge'> = {
  kind: 'start-purge',
  volume_m3: 90,
  blower_m3_min: 60,
  bends: 1,
  fan: 'supply',
  mixing: 0.3,
  chimneys: 1,
  gas: 'methane',
  start_pct: 60,
  oxygen_pct: 8,
  leak_m3_min: 0,
  intake: 'upwind, by the road',
};
/** By the sum for methane from 60 % vol, which is the longest here. */
const PURGED_AT = 60;
const OPEN: Step = ['jun', { kind: 'open-space', guard: 'rail and sign at the manway' }];
const purge = (more: Partial<typeof PURGE> = {}): Command => ({ ...PURGE, ...more });
export const END_PURGE: Command = { kind: 'end-purge', seen: 'clock over, blower left running' };
const MANNED = () => carryOut([ATTEND, on('kit', 'W-02'), on('lena', 'W-03')], ENTRY());
export const OPENED = () => carryOut([OPEN], MANNED());
const PURGING = () => carryOut([['jun', purge()]], OPENED());
export const PURGED = () => carryOut([['jun', END_PURGE]], PURGING(), after(PURGED_AT));
const test = (state: DossierState, minutes: number, more = {}): DossierState =>
  carryOut([['finn', airTestOf(state, 'entry', more, after(minutes))]], state, after(minutes));
export const READY_TO_ENTER = () => test(PURGED(), PURGED_AT + 2);
const enter = (person: string, tools = 3): Command => ({ kind: 'enter-space', person, tools });
const leave = (person: string, tools = 3): Command => ({ kind: 'leave-space', person, tools });
const INSIDE = () => carryOut([['sol', enter('kit')]], READY_TO_ENTER(), after(63));
/** A test from outside alone. */
const fromOutside = (state: DossierState, minutes: number): DossierState => {
  const now = after(minutes);
  return carryOut([['finn', { ...airTestOf(state, 'entry', {}, now), places: [] }]], state, now);
};
/** One person inside, the first since the purge; nobody has tested there yet. */
const ONE_IN = () =>
  carryOut([['sol', enter('kit')]], fromOutside(PURGED(), PURGED_AT + 2), after(63));
const AT = { now: after(64) };
const BAD = () => test(INSIDE(), 65, { 'hydrogen-sulphide': 40 });
const RETURNED = () => carryOut([['sol', leave('kit')]], INSIDE(), after(70));

/** The same job, with nothing looked at round the opening. */
const unchecked = (state: DossierState): DossierState =>
  state && { ...state, entry: { ...state.entry, checked: {} } };
const UNCHECKED = () => unchecked(ENTRY());
const cover = (weight_kg: number, drawn: 'one' | 'two'): Command => ({
  kind: 'check-space',
  answers: {},
  cover: { weight_kg, drawn },
});
const look = (code: 'monitor' | 'blower' | 'light', more: object = {}): Command => ({
  kind: 'check-space',
  answers: { [code]: { here: true, words: 'as it should be', ...more } },
});

/** Entries into a space that are refused, with the codes. */
export const ENTRY_ROWS: RefusalRow[] = [
  ['an entry planned', ENTRY, 'hana', PLAN_ENTRY, []],
  ['an entry planned where no paper names one', LIVE, 'hana', PLAN_ENTRY, ['no-entry-here']],
  ['a space that nobody knows', ENTRY, 'hana', { ...PLAN_ENTRY, space: 'BT-9' }, ['space-unknown']],
  [
    'a deep space without a device',
    ENTRY,
    'hana',
    { ...PLAN_ENTRY, rescue: 'team' },
    ['rescue-by-device'],
  ],
  [
    'a rescue practised a year and a day ago',
    ENTRY,
    'hana',
    { ...PLAN_ENTRY, drilledAt: '2025-11-23T06:00:00.000Z' },
    ['rescue-not-practised'],
  ],
  [
    'a rescue practised tomorrow',
    ENTRY,
    'hana',
    { ...PLAN_ENTRY, drilledAt: after(1440) },
    ['rescue-in-future'],
  ],
  [
    'a permit without a plan of the entry',
    () => {
      const state = ENTRY();
      return (
        state && {
          ...state,
          permit: { kind: 'draft' },
          entry: { checked: {}, inside: {}, tools: 0 },
        }
      );
    },
    'hana',
    { kind: 'issue-permit', briefed: true, performer: 'jun' },
    ['not-assessed', 'not-approved', 'entry-not-planned'],
  ],
  ['the lid opened after a test', ENTRY, ...OPEN, []],
  ['the lid opened, and nobody looked round it', UNCHECKED, ...OPEN, ['space-unchecked']],
  [
    'entered, and nobody looked at what stands there',
    () => unchecked(READY_TO_ENTER()),
    'sol',
    enter('kit'),
    ['space-unchecked'],
    AT,
  ],
  ['a cover at the limit drawn by one', ENTRY, 'jun', cover(23, 'one'), []],
  ['a cover above it drawn by one', ENTRY, 'jun', cover(23.1, 'one'), ['cover-too-heavy']],
  ['a heavy cover drawn by two', ENTRY, 'jun', cover(60, 'two'), []],
  ['a monitor that nobody stays with', ENTRY, 'jun', look('monitor'), ['check-without-name']],
  ['a monitor with somebody', ENTRY, 'jun', look('monitor', { person: 'kit' }), []],
  [
    'a blower with somebody whom nobody knows',
    ENTRY,
    'jun',
    look('blower', { person: 'xy' }),
    ['person-unknown'],
  ],
  [
    'a blower with the attendant',
    MANNED,
    'jun',
    look('blower', { person: 'sol' }),
    ['blower-by-attendant'],
  ],
  ['no blower', ENTRY, 'jun', look('blower', { here: false }), []],
  ['looked at by a worker', ENTRY, 'kit', look('light'), ['role-missing']],
  [
    'the lid opened long after the test',
    MANNED,
    ...OPEN,
    ['space-before-test'],
    { now: after(61) },
  ],
  [
    'pumped out long after the test',
    MANNED,
    'jun',
    { kind: 'pump-out', to: 'slurry lagoon', allowed: 'digestate as always' },
    ['space-before-test'],
    { now: after(61) },
  ],
  [
    'pumped out after a test',
    ENTRY,
    'jun',
    { kind: 'pump-out', to: 'slurry lagoon', allowed: 'digestate as always' },
    [],
  ],
  ['purged through a shut lid', ENTRY, 'jun', purge(), ['space-shut']],
  ['purged', OPENED, 'jun', purge(), []],
  ['purged through two bends', OPENED, 'jun', purge({ bends: 2 }), ['purge-bends']],
  [
    'purged against a leak that is larger',
    OPENED,
    'jun',
    purge({ leak_m3_min: 5 }),
    ['purge-never', 'purge-never'],
  ],
  ['purged twice at once', PURGING, 'jun', purge(), ['purge-under-way']],
  [
    'a purge ended a minute early',
    PURGING,
    'jun',
    END_PURGE,
    ['purge-running'],
    { now: after(40) },
  ],
  ['a purge ended that nobody began', OPENED, 'jun', END_PURGE, ['purge-not-begun']],
  ['a purge stopped', PURGING, 'jun', { kind: 'stop-purge', why: 'blower tripped' }, []],
  [
    'a purge stopped that nobody began',
    OPENED,
    'jun',
    { kind: 'stop-purge', why: 'blower tripped' },
    ['purge-not-begun'],
  ],
  ['going in', READY_TO_ENTER, 'sol', enter('kit'), [], AT],
  [
    'going in unpurged',
    () => carryOut([ATTEND, on('kit', 'W-02')], ENTRY()),
    'sol',
    enter('kit'),
    ['space-shut', 'purge-missing'],
  ],
  [
    'going in while it is purged',
    PURGING,
    'sol',
    enter('kit'),
    ['purge-running'],
    { now: after(9) },
  ],
  [
    'going in when the clock is over and nobody has ended it',
    PURGING,
    'sol',
    enter('kit'),
    ['purge-missing', 'air-test-old'],
    { now: after(PURGED_AT + 1) },
  ],
  [
    'going in after a purge without a test',
    PURGED,
    'sol',
    enter('kit'),
    ['test-before-purge'],
    { now: after(PURGED_AT) },
  ],
  ['going in without being signed on', READY_TO_ENTER, 'sol', enter('rosa'), ['not-on'], AT],
  [
    'going in without being trained',
    READY_TO_ENTER,
    'sol',
    enter('otto'),
    ['role-missing', 'not-on'],
    AT,
  ],
  [
    'the count kept by someone else',
    READY_TO_ENTER,
    'hana',
    enter('kit'),
    ['role-missing', 'not-the-attendant'],
    AT,
  ],
  ['going in twice', INSIDE, 'sol', enter('kit'), ['already-inside'], AT],
  [
    'one more than may be in',
    () => {
      const state = INSIDE();
      return state?.entry.plan
        ? { ...state, entry: { ...state.entry, plan: { ...state.entry.plan, most: 1 } } }
        : state;
    },
    'sol',
    enter('lena'),
    ['space-full'],
    AT,
  ],
  [
    'following the first one in before it was tested inside',
    ONE_IN,
    'sol',
    enter('lena'),
    ['inside-not-tested'],
    AT,
  ],
  ['following once it was', () => test(ONE_IN(), 63.5), 'sol', enter('lena'), [], AT],
  [
    'following after a later test from outside alone',
    () => fromOutside(INSIDE(), 63.5),
    'sol',
    enter('lena'),
    [],
    AT,
  ],
  [
    'going in while those inside were not called',
    INSIDE,
    'sol',
    enter('lena'),
    ['call-late'],
    { now: after(79) },
  ],
  [
    'going in once they were called',
    () => carryOut([['sol', { kind: 'call-in', heard: 'both well' }]], INSIDE(), after(77)),
    'sol',
    enter('lena'),
    [],
    { now: after(79) },
  ],
  [
    'going in while someone has stayed too long',
    () => {
      const state = INSIDE();
      return state?.entry.plan
        ? { ...state, entry: { ...state.entry, plan: { ...state.entry.plan, stay_min: 10 } } }
        : state;
    },
    'sol',
    enter('lena'),
    ['stay-over'],
    { now: after(74) },
  ],
  [
    'calling where nobody is',
    READY_TO_ENTER,
    'sol',
    { kind: 'call-in', heard: '' + 'x' },
    ['not-inside'],
    AT,
  ],
  ['out, by the attendant', INSIDE, 'sol', leave('kit'), [], AT],
  ['out, by whoever runs the job and sees them outside', INSIDE, 'jun', leave('kit'), [], AT],
  ['out, by themselves', INSIDE, 'kit', leave('kit'), ['role-missing', 'not-the-attendant'], AT],
  ['out, who is not in', INSIDE, 'sol', leave('lena', 0), ['not-inside'], AT],
  ['more brought out than went in', INSIDE, 'sol', leave('kit', 4), ['tools-too-many'], AT],
  [
    'going back after the space was empty',
    RETURNED,
    'sol',
    enter('kit'),
    ['purge-missing'],
    { now: after(71) },
  ],
  [
    'signed off while inside',
    INSIDE,
    'kit',
    { kind: 'sign-off', person: 'kit', lock: 'W-02' },
    ['people-inside'],
    AT,
  ],
  [
    'handed back with someone inside',
    INSIDE,
    'jun',
    { kind: 'hand-back', cleared: true, finished: true, unsigned: UNSIGNED, remarks: '' },
    ['people-on', 'people-inside'],
    AT,
  ],
  [
    'handed back with a tool inside',
    () => carryOut([['sol', leave('kit', 2)]], INSIDE(), after(70)),
    'jun',
    { kind: 'hand-back', cleared: true, finished: true, unsigned: UNSIGNED, remarks: '' },
    ['people-on', 'tools-inside'],
    AT,
  ],
  [
    'the attendant who leaves while someone is in',
    INSIDE,
    'sol',
    { kind: 'leave-duty', person: 'sol' },
    ['duty-needed'],
    AT,
  ],
  [
    'going in after an alarm',
    BAD,
    'sol',
    enter('lena'),
    ['work-stopped', 'air-unfit'],
    { now: after(66) },
  ],
  [
    'going on before everyone is accounted for',
    () => test(BAD(), 70),
    'hana',
    { kind: 'lift-stop', found: 'sludge stirred up' },
    ['not-accounted'],
    { now: after(71) },
  ],
  [
    'going on once everyone is ticked out and it is fit',
    () => test(carryOut([['sol', leave('kit')]], BAD(), after(68)), 70),
    'hana',
    { kind: 'lift-stop', found: 'sludge stirred up' },
    [],
    { now: after(71) },
  ],
];
