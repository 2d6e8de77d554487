import { DRAFT, HANDED_BACK, LIVE, carryOut, restoreSteps, type RefusalRow } from '../seal-change';

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
      return carryOut(restoreSteps(s).slice(1, 5), s);
    },
    'gus',
    { kind: 'unlock-point', link: 'HV-2001' },
    ['lock-not-yours'],
  ],
  [
    'one’s own lock taken off as if one were not there',
    () => {
      const s = carryOut([...HANDED_BACK, ['ada', { kind: 'open-box' }]], LIVE());
      return carryOut(restoreSteps(s).slice(1, 5), s);
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
      return carryOut(restoreSteps(state).slice(1, 5), state);
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
    ['points-locked', 'lineup-missing', 'not-taken-back'],
  ],
  [
    'a valve left shut',
    () => {
      const s = carryOut(HANDED_BACK, LIVE());
      return carryOut(restoreSteps(s).slice(0, 14), s);
    },
    'cora',
    { kind: 'walk-lineup', point: 'HV-2001', found: 'closed' },
    ['position-wrong'],
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
