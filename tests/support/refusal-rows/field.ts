import type { Command, Context } from '../../../src/core/job';
import {
  ACCEPTED,
  carryOut,
  deadRound,
  fieldSteps,
  firstLock,
  HANDED_BACK,
  LIVE,
  PROVING,
  restoreSteps,
  START,
  STOPPED,
  voltageProof,
  WALKED,
  type RefusalRow,
} from '../seal-change';

/** Minutes after START. */
const after = (minutes: number) => new Date(Date.parse(START) + minutes * 60_000).toISOString();
/** Sent at `now`, entered at `at` (minutes after START). */
const sent = (now: number, at: number): Partial<Context> => ({
  now: after(now),
  enteredAt: after(at),
});
const label: Command = {
  kind: 'check-label',
  point: 'HV-2001',
  scanned: 'J-0001/hv-2002',
  found: 'as-drawn',
  note: '',
};
const HOT: Command = {
  kind: 'prove',
  proof: 'pressure:P201-CAS',
  reading: 0,
  unit: 'bar',
  instrument: 'PG-T1',
  seen: ['bleed-clear', 'no-flow', 'no-level'],
};
/** Everything done but proving, the outlets opened a minute before START instead of half an hour. */
const JUST_OPENED = () => {
  const field = fieldSteps();
  const first = field.findIndex(([, { kind }]) => kind === 'prove');
  return carryOut(field.slice(0, first), WALKED(), START, 1);
};

/** Everything isolated, nothing let down yet. */
const ISOLATED = () => {
  const field = fieldSteps();
  const first = field.findIndex(([, { kind }]) => kind === 'open-outlet');
  return carryOut(field.slice(0, first), WALKED());
};

/** Handed back, with so many steps of the way back done, or all before the first of a kind. */
function restoring(until: number | Command['kind']) {
  const state = carryOut(HANDED_BACK, LIVE());
  const steps = restoreSteps(state);
  const at = typeof until === 'number' ? until : steps.findIndex(([, { kind }]) => kind === until);
  return carryOut(steps.slice(0, at), state);
}

/** Steps entered by code at the plant, and sent late, that are refused. */
export const FIELD_ROWS: RefusalRow[] = [
  [
    'the code of another point',
    STOPPED,
    'elif',
    firstLock({ scanned: 'FS-TR2004' }),
    ['wrong-point'],
  ],
  ['a code of nothing', STOPPED, 'elif', firstLock({ scanned: 'HELLO' }), ['wrong-point']],
  ['the right code in small letters', STOPPED, 'elif', firstLock({ scanned: ' cb-p201 ' }), []],
  ['the tag of this job', STOPPED, 'elif', firstLock({ scanned: 'J-0001/CB-P201' }), []],
  [
    'the tag of another job at the same point',
    STOPPED,
    'elif',
    firstLock({ scanned: 'J-0044/CB-P201' }),
    ['tag-of-other-job'],
  ],
  ['another label walked down', ACCEPTED, 'finn', label, ['wrong-point']],
  ['a proof at another gauge', PROVING, 'finn', { ...HOT, scanned: 'PI-2001' }, ['wrong-point']],
  ['a proof at its section', PROVING, 'finn', { ...HOT, scanned: 'P201-CAS' }, []],
  ['entered in the future', STOPPED, 'elif', firstLock({}), ['entered-ahead'], sent(0, 2)],
  ['entered by a clock a minute ahead', STOPPED, 'elif', firstLock({}), [], sent(0, 1)],
  [
    'entered too long ago',
    STOPPED,
    'elif',
    firstLock({}),
    ['entered-long-ago'],
    sent(12 * 60 + 1, 0),
  ],
  ['entered twelve hours ago', STOPPED, 'elif', firstLock({}), [], sent(12 * 60, 0)],
  [
    'read before the last drain was open',
    JUST_OPENED,
    'finn',
    HOT,
    ['entry-overtaken', 'let-down-too-soon'],
    sent(30, -2),
  ],
  [
    'read before the wait was over, and sent after it',
    JUST_OPENED,
    'finn',
    HOT,
    ['let-down-too-soon'],
    sent(30, 0),
  ],
  ['read when the wait was over, and sent later', JUST_OPENED, 'finn', HOT, [], sent(50, 1)],
  [
    'read before the shift changed, and sent after',
    () =>
      carryOut(
        [
          ['ben', { kind: 'hang-incoming', lock: 'C-2' }],
          ['ada', { kind: 'take-off-control', lock: 'C-1' }],
          ['finn', { kind: 'wait-out-store', store: 'ST-P201-ROT', seen: 'stands still' }],
        ],
        LIVE(),
        after(10),
      ),
    'elif',
    voltageProof({}),
    ['entry-overtaken'],
    sent(20, 5),
  ],
  [
    'read dead before it was found live, and sent after',
    () =>
      carryOut(
        [['elif', voltageProof({ round: deadRound({ readings: { 'L1-E': 231 } }) })]],
        PROVING(),
        after(10),
      ),
    'elif',
    voltageProof({}),
    ['entry-overtaken'],
    sent(20, 5),
  ],
  [
    'isolated before the plan was accepted, and sent after',
    STOPPED,
    'elif',
    firstLock({}),
    ['entry-overtaken'],
    sent(20, -40),
  ],
  [
    'unlocked before the permit was closed, and sent after',
    () => restoring(2),
    'finn',
    { kind: 'close-outlet', outlet: 'DR-2004' },
    ['entry-overtaken'],
    sent(20, -1),
  ],
  [
    'walked before the last lock was off, and sent after',
    () => restoring('walk-lineup'),
    'cora',
    { kind: 'walk-lineup', point: 'HV-2001', found: 'open' },
    ['entry-overtaken'],
    sent(20, 9),
  ],
  [
    'walked once the last lock was off, and sent after',
    () => restoring('walk-lineup'),
    'cora',
    { kind: 'walk-lineup', point: 'HV-2001', found: 'open' },
    [],
    sent(20, 10),
  ],
  [
    'drained before everything was isolated, and sent after',
    ISOLATED,
    'finn',
    { kind: 'open-outlet', outlet: 'DR-2002', tag: 'T', watcher: 'cora' },
    ['entry-overtaken'],
    sent(20, -31),
  ],
  [
    'isolated before it was stopped, and sent after',
    STOPPED,
    'elif',
    firstLock({}),
    ['entry-overtaken'],
    sent(20, -30.5),
  ],
];
