import type { Command, CommandOf, DossierState } from '../../../src/core/job';
import {
  carryOut,
  HANDED_BACK,
  fieldSteps,
  LIVE,
  noted,
  restoreSteps,
  START,
  type RefusalRow,
  type Step,
  WALKED,
} from '../seal-change';

/** The stop is at ten; it is seven now. */
const HOUR: Command = { kind: 'schedule-job', from: '2026-11-24T10:00:00.000Z', until: '2026-11-24T16:00:00.000Z', operator: 'cora' }; // prettier-ignore
const plan = (
  step: string,
  more: Partial<CommandOf<'plan-run-up'>> = {},
): CommandOf<'plan-run-up'> => ({
  kind: 'plan-run-up',
  step,
  what: `step ${step}`,
  of: 'plant',
  who: 'cora',
  minutes: 30,
  after: [],
  ...more,
});
const begin = (step: string): Command => ({ kind: 'begin-run-up', step });
const finish = (step: string): Command => ({ kind: 'finish-run-up', step, seen: 'empty' });
const call = (which: 'ready' | 'back'): Command => ({
  kind: 'call-window',
  call: which,
  whom: 'the coordinator',
  said: 'it is yours',
});
/** 900 kg of steel from 143 °C to 43 °C in still air at 20 °C: 900 s × 480 ⁄ (8 × 6) × ln(123 ⁄ 23) is 252 min. */
const COOLS = noted({
  calculation: 'cooling',
  inputs: {
    by: 'body',
    from: { value: 143, unit: 'degC' },
    ambient: { value: 20, unit: 'degC' },
    to: { value: 43, unit: 'degC' },
    mass: { value: 900, unit: 'kg' },
    heat: { value: 480, unit: 'J/(kg K)' },
    area: { value: 6, unit: 'm^2' },
    transfer: { value: 8, unit: 'W/(m^2 K)' },
  },
});
const steps = (...commands: readonly Command[]): Step[] =>
  commands.map((command) => ['cora', command]);
const AGREED = (state: DossierState = WALKED()) => carryOut([['ada', HOUR]], state);
const PLANNED = (state?: DossierState) =>
  carryOut(steps(plan('B1'), plan('B2', { after: ['B1'] })), AGREED(state));
const COOLING = () =>
  carryOut(
    [['ada', COOLS], ...steps(plan('B1', { of: 'cool', minutes: 253 }), begin('B1'))],
    AGREED(),
  );
const DONE = (state?: DossierState) =>
  carryOut(steps(begin('B1'), finish('B1'), begin('B2'), finish('B2')), PLANNED(state));
const CALLED = () => carryOut(steps(call('ready')), DONE());
const [TOLD, STOP] = fieldSteps() as [Step, Step];
const LOCK = fieldSteps().find(([, { kind }]) => kind === 'lock-point') as Step;
/** The whole job with a run-up, up to where it can be closed. */
const ENDED = () => {
  const freed = carryOut(HANDED_BACK, carryOut(steps(call('ready')), DONE(LIVE())));
  return carryOut(restoreSteps(freed).slice(0, -1), freed);
};
const CLOSE: Command = { kind: 'close-job' };
const at = (minutes: number) => ({
  now: new Date(Date.parse(START) + minutes * 60_000).toISOString(),
});

/** Steps before the hour of a stop that are refused, with the codes. */
export const RUN_UP_ROWS: RefusalRow[] = [
  ['planned before an hour is agreed', WALKED, 'cora', plan('B1'), ['run-up-no-hour']],
  ['planned by a worker', AGREED, 'kit', plan('B1'), ['role-missing']],
  ['planned for nobody known', AGREED, 'cora', plan('B1', { who: 'xy' }), ['person-unknown']],
  ['planned after a step that is not there', AGREED, 'cora', plan('B1', { after: ['B7'] }), ['run-up-unknown']],
  ['planned after itself', AGREED, 'cora', plan('B1', { after: ['B1'] }), ['run-up-circle']],
  ['planned in a circle', PLANNED, 'cora', plan('B1', { after: ['B2'] }), ['run-up-circle']],
  ['one person at two steps at once', PLANNED, 'cora', plan('B3'), ['run-up-twice']],
  ['two people at two steps at once', PLANNED, 'cora', plan('B3', { who: 'ada' }), []],
  ['one person at one step after the other', PLANNED, 'cora', plan('B3', { after: ['B2'] }), []],
  ['cooling that nobody worked out', AGREED, 'cora', plan('B1', { of: 'cool' }), ['run-up-cooling-unknown']],
  ['cooling shorter than it was worked out', () => carryOut([['ada', COOLS]], AGREED()), 'cora', plan('B1', { of: 'cool', minutes: 251 }), ['run-up-cooling-short']],
  ['changed once it was begun', () => carryOut(steps(begin('B1')), PLANNED()), 'cora', plan('B1', { minutes: 10 }), ['run-up-underway']],
  ['taken out once it was begun', () => carryOut(steps(begin('B1')), PLANNED()), 'cora', { kind: 'drop-run-up', step: 'B1' }, ['run-up-underway']],
  ['taken out, and not there', PLANNED, 'cora', { kind: 'drop-run-up', step: 'B9' }, ['run-up-unknown']],
  ['taken out', PLANNED, 'cora', { kind: 'drop-run-up', step: 'B1' }, []],
  ['begun before what comes first', PLANNED, 'cora', begin('B2'), ['run-up-too-early']],
  ['begun by somebody else', PLANNED, 'kit', begin('B1'), ['run-up-not-theirs']],
  ['begun and not there', PLANNED, 'cora', begin('B9'), ['run-up-unknown']],
  ['begun', PLANNED, 'cora', begin('B1'), []],
  ['begun twice', () => carryOut(steps(begin('B1')), PLANNED()), 'cora', begin('B1'), ['already-done']],
  ['finished and never begun', PLANNED, 'cora', finish('B1'), ['run-up-not-begun']],
  ['ready, without a beginning', () => carryOut(steps(plan('B1', { of: 'ready', minutes: 0 })), AGREED()), 'cora', finish('B1'), []],
  ['cooled a minute short', COOLING, 'cora', finish('B1'), ['run-up-still-hot'], at(252)],
  ['cooled for as long as it takes', COOLING, 'cora', finish('B1'), [], at(253)],
  ['called ready with a step open', PLANNED, 'cora', call('ready'), ['run-up-open']],
  ['called ready by a worker', DONE, 'kit', call('ready'), ['role-missing']],
  ['called ready with nothing planned', AGREED, 'cora', call('ready'), ['run-up-unknown']],
  ['called ready', DONE, 'cora', call('ready'), []],
  ['called ready twice', CALLED, 'cora', call('ready'), ['already-done']],
  ['stopped before it was called', () => carryOut([TOLD], DONE()), 'cora', STOP[1], ['window-not-called']],
  ['stopped after it was called', () => carryOut([TOLD], CALLED()), 'cora', STOP[1], []],
  ['locked before it was called', () => PLANNED(carryOut([TOLD, STOP], WALKED())), LOCK[0], LOCK[1], ['window-not-called']],
  ['called back and never called ready', () => DONE(), 'ada', call('back'), ['window-not-called', 'permit-open']],
  ['called back with the permit out', () => carryOut(steps(call('ready')), DONE(LIVE())), 'ada', call('back'), ['permit-open', 'points-locked']],
  ['called back by operations', ENDED, 'cora', call('back'), ['role-missing']],
  ['closed before it was called back', ENDED, 'ada', CLOSE, ['window-not-returned']],
  ['closed after it was called back', () => carryOut([['ada', call('back')]], ENDED()), 'ada', CLOSE, []],
]; // prettier-ignore
