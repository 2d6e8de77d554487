import type { Command } from '../../../src/core/job';
import {
  WALKED,
  DRAFT,
  PROVING,
  RAISE,
  STOPPED,
  carryOut,
  deadRound,
  fieldSteps,
  firstLock,
  nobody,
  site,
  voltageProof,
  type RefusalRow,
} from '../seal-change';

/** Every pair of three wires dead, but one. */
const readingsBut = (left?: string) =>
  Object.fromEntries(Object.entries(deadRound().readings).filter(([pair]) => pair !== left));

/** Everything locked, nothing opened yet. */
const DRAINING = () => {
  const field = fieldSteps();
  return carryOut(
    field.slice(
      0,
      field.findIndex(([, { kind }]) => kind === 'open-outlet'),
    ),
    WALKED(),
  );
};
const watched = () =>
  carryOut(
    [['finn', { kind: 'open-outlet', outlet: 'DR-2002', tag: 'T', watcher: 'cora' }]],
    DRAINING(),
  );
const DEAD_LINE: Command = {
  kind: 'prove',
  proof: 'pressure:P201-CAS',
  reading: 0,
  unit: 'bar',
  instrument: 'PG-T1',
  seen: ['bleed-clear', 'no-flow', 'no-level'],
};

/** Steps of this stage that are refused, with the codes. */
export const ISOLATING_ROWS: RefusalRow[] = [
  [
    'locked before the review',
    () =>
      carryOut([
        ['ada', RAISE],
        ['ada', DRAFT],
      ]),
    'elif',
    firstLock({}),
    ['plan-not-reviewed'],
  ],
  ['locked before telling', WALKED, 'elif', firstLock({}), ['not-told']],
  ['stopped before telling', WALKED, 'cora', { kind: 'stop-plant', how: 'x' }, ['not-told']],
  [
    'locked before stopping',
    () => carryOut(fieldSteps().slice(0, 1), WALKED()),
    'elif',
    firstLock({}),
    ['not-stopped'],
  ],
  [
    'a valve before the breaker',
    STOPPED,
    'finn',
    { kind: 'lock-point', link: 'HV-2001', lock: 'P-01', tag: 'T' },
    ['out-of-order'],
  ],
  [
    'a point that is not planned',
    STOPPED,
    'finn',
    { kind: 'lock-point', link: 'HV-2301', lock: 'P-01', tag: 'T' },
    ['not-in-plan'],
  ],
  [
    'by someone who has not been told of their lock',
    STOPPED,
    'elif',
    firstLock({}),
    ['owner-not-told'],
    { others: { ...nobody, untold: new Map([['elif', 'J-0002']]) } },
  ],
  ['the wrong discipline', STOPPED, 'finn', firstLock({}), ['role-missing']],
  [
    'a lapsed authorisation',
    STOPPED,
    'ivo',
    { kind: 'lock-point', link: 'HV-2001', lock: 'P-01', tag: 'T' },
    ['authorisation-lapsed', 'out-of-order'],
  ],
  ['a lock that does not exist', STOPPED, 'elif', firstLock({ lock: 'Z-1' }), ['lock-unknown']],
  ['a personal lock on a point', STOPPED, 'elif', firstLock({ lock: 'W-01' }), ['lock-wrong-use']],
  [
    'a lock that hangs on another job',
    STOPPED,
    'elif',
    firstLock({}),
    ['lock-in-use'],
    { others: { ...nobody, lockAt: new Map([['E-01', 'J-0009']]) } },
  ],
  [
    'a breaker locked by someone whose authorisation stops below its voltage',
    STOPPED,
    'tove',
    firstLock({}),
    ['voltage-beyond'],
    { site: { ...site, values: { ...site.values, 'electrical-authority-v': 230 } } },
  ],
  [
    'drained before locked',
    STOPPED,
    'finn',
    { kind: 'open-outlet', outlet: 'DR-2002', tag: 'T', watcher: 'cora' },
    ['out-of-order'],
  ],
  ['proved before let down', STOPPED, 'elif', voltageProof({}), ['out-of-order']],
  [
    'proved with a tester out of date',
    PROVING,
    'elif',
    voltageProof({ instrument: 'VT-12' }),
    ['instrument-overdue'],
  ],
  [
    'proved with nothing',
    PROVING,
    'elif',
    voltageProof({ instrument: 'X' }),
    ['instrument-unknown'],
  ],
  [
    'voltage proved with a gauge',
    PROVING,
    'elif',
    voltageProof({ instrument: 'PG-T1' }),
    ['instrument-wrong'],
  ],
  ['a reading at the limit', PROVING, 'elif', voltageProof({ reading: 5 }), []],
  [
    'a reading below nothing',
    PROVING,
    'finn',
    {
      kind: 'prove',
      proof: 'pressure:P201-CAS',
      reading: -0.1,
      unit: 'bar',
      instrument: 'PG-T1',
      seen: ['bleed-clear', 'no-flow', 'no-level'],
    },
    ['reading-not-dead'],
  ],
  ['a reading in the wrong unit', PROVING, 'elif', voltageProof({ unit: 'bar' }), ['unit-wrong']],
  [
    'a tester that does not show the known source before',
    PROVING,
    'elif',
    voltageProof({ round: deadRound({ before_v: 0 }) }),
    ['tester-not-proved'],
  ],
  [
    'a tester that does not show the known source after',
    PROVING,
    'elif',
    voltageProof({ round: deadRound({ after_v: 49 }) }),
    ['tester-not-proved'],
  ],
  [
    'a known source below the line',
    PROVING,
    'elif',
    voltageProof({ round: deadRound({ source_v: 230 }) }),
    ['source-underrated'],
  ],
  [
    'voltage without a round',
    PROVING,
    'elif',
    voltageProof({ round: undefined }),
    ['round-missing'],
  ],
  [
    'a pair that was skipped',
    PROVING,
    'elif',
    voltageProof({ round: deadRound({ readings: readingsBut('L2-L3') }) }),
    ['pairs-missing'],
  ],
  [
    'a pair of another arrangement',
    PROVING,
    'elif',
    voltageProof({ round: deadRound({ readings: { ...readingsBut(), 'L1-N': 0 } }) }),
    ['pair-unknown'],
  ],
  [
    'an indicator that does not touch',
    PROVING,
    'elif',
    voltageProof({ instrument: 'VT-13' }),
    ['tester-unfit'],
  ],
  [
    'a tester for less than the line',
    PROVING,
    'elif',
    voltageProof({ instrument: 'VT-14' }),
    ['tester-underrated'],
  ],
  [
    'the box before the locks',
    STOPPED,
    'ada',
    { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' },
    ['locks-missing'],
  ],
  [
    'a box that is not there',
    PROVING,
    'ada',
    { kind: 'lock-box', box: 'BOX-9', lock: 'C-1' },
    ['box-unknown'],
  ],
  [
    'a box in use',
    PROVING,
    'ada',
    { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' },
    ['box-in-use'],
    { others: { ...nobody, boxAt: new Map([['BOX-1', 'J-0002']]) } },
  ],
  [
    'a drain opened with nobody to watch it',
    DRAINING,
    'finn',
    { kind: 'open-outlet', outlet: 'DR-2002', tag: 'T' },
    ['watcher-missing'],
  ],
  [
    'a drain watched by a worker',
    DRAINING,
    'finn',
    { kind: 'open-outlet', outlet: 'DR-2002', tag: 'T', watcher: 'kit' },
    ['role-missing'],
  ],
  [
    'another step by the watcher',
    watched,
    'cora',
    { kind: 'open-outlet', outlet: 'DR-2004', tag: 'T', watcher: 'dov' },
    ['role-missing', 'watcher-busy'],
  ],
  [
    'two drains watched by one',
    watched,
    'finn',
    { kind: 'open-outlet', outlet: 'DR-2004', tag: 'T', watcher: 'cora' },
    ['watcher-busy'],
  ],
  [
    'a watch ended by another',
    watched,
    'finn',
    { kind: 'end-watch', outlet: 'DR-2002', end: 'drained', seen: 'x' },
    ['not-the-watcher'],
  ],
  [
    'a watch ended that never began',
    DRAINING,
    'cora',
    { kind: 'end-watch', outlet: 'DR-2002', end: 'drained', seen: 'x' },
    ['not-watched'],
  ],
  ['a watch taken over', watched, 'dov', { kind: 'take-watch', outlet: 'DR-2002' }, []],
  [
    'restrained while it drains',
    watched,
    'finn',
    { kind: 'restrain-store', store: 'ST-P201-SPR', how: 'clamped' },
    ['out-of-order'],
  ],
  [
    'read before it can have let down',
    PROVING,
    'finn',
    DEAD_LINE,
    ['let-down-too-soon'],
    { now: '2026-11-24T06:31:00.000Z' },
  ],
  ['read after it has let down', PROVING, 'finn', DEAD_LINE, []],
  [
    'read without looking at the bleed',
    PROVING,
    'finn',
    { ...DEAD_LINE, seen: ['no-flow', 'no-level'] },
    ['not-seen'],
  ],
  [
    'called run down too soon',
    () => {
      const field = fieldSteps();
      const at = field.findIndex(([, { kind }]) => kind === 'wait-out-store');
      return carryOut(field.slice(0, at), WALKED());
    },
    'gus',
    { kind: 'wait-out-store', store: 'ST-P201-ROT', seen: 'x' },
    ['run-down-too-soon'],
    { now: '2026-11-24T06:30:10.000Z' },
  ],
];
