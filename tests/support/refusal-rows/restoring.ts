import type { Command } from '../../../src/core/job';
import {
  carryOut,
  DRAFT,
  HANDED_BACK,
  LEAK_TEST,
  LIVE,
  restoreSteps,
  SEE_START,
  START,
  type RefusalRow,
} from '../seal-change';

/** Handed back, and so many steps of the way back done: the box, the restraint, five drains and bleeds, then the leak test. */
export const restored = (steps: number) => {
  const s = carryOut(HANDED_BACK, LIVE());
  return carryOut(restoreSteps(s).slice(0, steps), s);
};
const before = (kind: Command['kind']) => {
  const s = carryOut(HANDED_BACK, LIVE());
  return restored(restoreSteps(s).findIndex(([, command]) => command.kind === kind));
};
/** Every lock off, nothing walked; and everything walked. */
const unwalked = () => before('walk-lineup');
const walked = () => before('see-start');
/** The same, with a message that was sent and read back right. */
const told = () =>
  carryOut(
    [
      ['cora', { kind: 'send-message', to: 'dov', said: 'the pump starts' }],
      ['dov', { kind: 'read-back', message: 1, right: true, heard: 'the pump starts' }],
    ],
    walked(),
  );
/** So many minutes after the points were put back. */
const at = (minutes: number) => ({
  now: new Date(Date.parse(START) + minutes * 60_000).toISOString(),
});
const TESTED = at(10);
const UNLOCK: Command = { kind: 'unlock-point', link: 'HV-2002' };
const walk = (point: string, found: 'open' | 'closed', end?: 'plugged' | 'open-end'): Command => ({
  kind: 'walk-lineup',
  point,
  found,
  end,
});

/** Steps of this stage that are refused, with the codes. */
export const RESTORING_ROWS: RefusalRow[] = [
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
      return carryOut(restoreSteps(s).slice(1, 8), s);
    },
    'gus',
    { kind: 'unlock-point', link: 'HV-2001' },
    ['lock-not-yours'],
  ],
  [
    'one’s own lock taken off as if one were not there',
    () => {
      const s = carryOut([...HANDED_BACK, ['ada', { kind: 'open-box' }]], LIVE());
      return carryOut(restoreSteps(s).slice(1, 8), s);
    },
    'finn',
    {
      kind: 'remove-absent-lock',
      lock: 'P-03',
      offSite: 'gate log',
      tried: 'telephone',
      manager: 'uma',
    },
    ['owner-is-here'],
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
      return carryOut(restoreSteps(state).slice(1, 8), state);
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
    ['points-locked', 'lineup-missing', 'start-not-seen', 'not-taken-back'],
  ],
  [
    'closed with a blank of hot work still in',
    () => {
      const state = carryOut(HANDED_BACK, LIVE());
      const mark = { by: 'jun', at: START, way: 'blanked', note: '' } as const;
      const blank = { links: ['SB-SP'], under: 'J-0009' };
      return state && { ...state, hotWork: { cleared: { 'OE-SP': { ...mark, blank } } } };
    },
    'ada',
    { kind: 'close-job' },
    ['blanks-in', 'points-locked', 'lineup-missing', 'start-not-seen', 'not-taken-back'],
  ],
  [
    'a leak test of ten minutes, nine after the last drain was shut',
    () => restored(7),
    'cora',
    LEAK_TEST,
    ['leak-test-too-soon'],
    at(9),
  ],
  ['a leak test of ten minutes, ten after it', () => restored(7), 'cora', LEAK_TEST, [], at(10)],
  ['unlocked before the leak test', () => restored(7), 'finn', UNLOCK, ['leak-test-missing']],
  [
    'unlocked after a leak was found',
    () => carryOut([['cora', { ...LEAK_TEST, to_bar: 1.9 }]], restored(7)),
    'finn',
    UNLOCK,
    ['line-leaks'],
  ],
  [
    'unlocked after it was seen to weep',
    () => carryOut([['cora', { ...LEAK_TEST, weeps: true }]], restored(7)),
    'finn',
    UNLOCK,
    ['line-leaks'],
  ],
  [
    'unlocked once it was tight in the end',
    () =>
      carryOut(
        [
          ['cora', { ...LEAK_TEST, weeps: true }],
          ['cora', { ...LEAK_TEST, to_bar: 1.98 }],
        ],
        restored(7),
      ),
    'finn',
    UNLOCK,
    [],
  ],
  [
    'a leak test before the drains are shut',
    () => restored(5),
    'cora',
    LEAK_TEST,
    ['out-of-order'],
    TESTED,
  ],
  [
    'a leak test under a live permit',
    LIVE,
    'cora',
    LEAK_TEST,
    ['still-held', 'permit-open', 'box-still-locked', 'out-of-order'],
  ],
  [
    'a leak test of a line that was not opened',
    () => restored(7),
    'cora',
    { ...LEAK_TEST, section: 'P202-CAS' },
    ['no-leak-test'],
    TESTED,
  ],
  [
    'a leak test too low, too short and rising',
    () => restored(7),
    'cora',
    { ...LEAK_TEST, from_bar: 1.9, minutes: 9.9 },
    ['leak-test-too-low', 'leak-test-too-short', 'leak-test-void'],
    TESTED,
  ],
  [
    'a leak test with gas that nobody accepts',
    () => restored(7),
    'cora',
    { ...LEAK_TEST, fluid: 'gas' },
    ['gas-test-not-accepted'],
    TESTED,
  ],
  [
    'a leak test with gas accepted by one who may not',
    () => restored(7),
    'cora',
    { ...LEAK_TEST, fluid: 'gas', accepter: 'kit' },
    ['role-missing'],
    TESTED,
  ],
  [
    'a leak test with gas accepted by name',
    () => restored(7),
    'cora',
    { ...LEAK_TEST, fluid: 'gas', accepter: 'hana' },
    [],
    TESTED,
  ],
  [
    'started with a valve left shut',
    () => carryOut([['cora', walk('HV-2001', 'closed')]], walked()),
    'cora',
    SEE_START,
    ['position-wrong'],
  ],
  [
    'started with an open end',
    () => carryOut([['cora', walk('DR-2007', 'closed', 'open-end')]], walked()),
    'cora',
    SEE_START,
    ['position-wrong'],
  ],
  [
    'started with an end that nobody looked at',
    () => carryOut([['cora', walk('DR-2007', 'closed')]], walked()),
    'cora',
    SEE_START,
    ['position-wrong'],
  ],
  [
    'started once the valve was found open in the end',
    () =>
      carryOut(
        [
          ['cora', walk('HV-2001', 'closed')],
          ['cora', walk('HV-2001', 'open')],
        ],
        walked(),
      ),
    'cora',
    SEE_START,
    [],
  ],
  ['started before the line was walked', unwalked, 'cora', SEE_START, ['lineup-missing']],
  [
    'started without keeping clear',
    walked,
    'cora',
    { ...SEE_START, clear: false },
    ['not-kept-clear'],
  ],
  [
    'started out of sight without a message',
    walked,
    'cora',
    { ...SEE_START, sight: 'message' },
    ['message-missing'],
  ],
  [
    'started by somebody of whom it is not said',
    walked,
    'cora',
    { ...SEE_START, sight: undefined },
    ['message-missing'],
  ],
  [
    'left standing out of sight',
    walked,
    'cora',
    { ...SEE_START, ran: false, sight: 'message' },
    [],
  ],
  ['started out of sight after a message', told, 'cora', { ...SEE_START, sight: 'message' }, []],
  [
    'taken back before it was started',
    walked,
    'cora',
    { kind: 'take-back', told: 'control room' },
    ['start-not-seen'],
  ],
  [
    'a point walked that has nothing to do with it',
    unwalked,
    'cora',
    walk('HV-2101', 'open'),
    ['not-in-plan'],
  ],
  [
    'a point walked under lock',
    () => restored(8),
    'cora',
    walk('HV-2001', 'open'),
    ['points-locked'],
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
