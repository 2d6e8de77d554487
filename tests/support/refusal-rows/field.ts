import type { Command, Context } from '../../../src/core/job';
import {
  ACCEPTED,
  carryOut,
  fieldSteps,
  firstLock,
  LIVE,
  PROVING,
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
    ['reading-overtaken', 'let-down-too-soon'],
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
    ['reading-overtaken'],
    sent(20, 5),
  ],
];
