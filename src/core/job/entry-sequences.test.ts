import { Dice } from '../../../tests/support/random-plant';
import { PURGE } from '../../../tests/support/refusal-rows/entry';
import {
  airTestOf,
  contextFor,
  ISSUED_WITH,
  READY,
  START,
  type Step,
} from '../../../tests/support/seal-change';
import { decideJob, evolveDossier, isHeld, listOn, listSigners, type Dossier } from '.';

const LOCKS = { kit: 'W-02', lena: 'W-03' } as const;
type Person = keyof typeof LOCKS;

const issued = ISSUED_WITH('enter') as Dossier;

/** One of the things that can be done about an entry, sensible or not. */
function pick(dice: Dice, state: Dossier, now: string): Step {
  const person: Person = dice.pick(['kit', 'lena'] as const);
  const attendant = dice.chance(0.7) ? 'sol' : 'otto';
  const bad = dice.chance(0.15) ? { 'hydrogen-sulphide': 30 } : {};
  const steps: (() => Step)[] = [
    () => [
      'hana',
      { kind: 'take-duty', person: attendant, duty: 'attendant', checked: READY.attendant },
    ],
    () => [attendant, { kind: 'leave-duty', person: attendant }],
    () => ['hana', { kind: 'sign-on', person, lock: LOCKS[person] }],
    () => [person, { kind: 'sign-off', person, lock: LOCKS[person] }],
    () => ['jun', { kind: 'open-space', guard: 'rail' }],
    () => ['jun', { ...PURGE, start_pct: 0.3 }],
    () => ['jun', { kind: 'end-purge', seen: 'over' }],
    () => ['finn', airTestOf(state, 'entry', bad, now)],
    () => [attendant, { kind: 'enter-space', person, tools: 2 }],
    () => [attendant, { kind: 'enter-space', person, tools: 1 }],
    () => [attendant, { kind: 'leave-space', person, tools: dice.below(3) }],
    () => [attendant, { kind: 'call-in', heard: 'well' }],
    () => ['kit', { kind: 'stop-work', reason: 'noise' }],
    () => ['hana', { kind: 'lift-stop', found: 'nothing' }],
    () => ['jun', { kind: 'hand-back', cleared: true, finished: true, remarks: '' }],
  ];
  return dice.pick(steps)();
}

/** What has to hold whatever was done. */
function checkInvariants(before: Dossier, state: Dossier, step: Step, now: string): void {
  const inside = Object.keys(state.entry.inside);
  const on = Object.keys(listOn(state.permit));
  const attendants = Object.values(state.duties).filter(({ duty }) => duty === 'attendant');
  expect(inside.filter((person) => !on.includes(person))).toEqual([]);
  expect(inside.length).toBeLessThanOrEqual(state.entry.plan?.most ?? 0);
  expect(state.entry.tools).toBeGreaterThanOrEqual(0);
  if (on.length > 0) expect(attendants.length).toBeGreaterThan(0);
  if (inside.length > 0) expect(isHeld(state.permit)).toBe(true);
  if (step[1].kind !== 'enter-space') return;
  // Nobody went in but after a purge to its end and a fit test since, with the permit live.
  const test = before.airTests.at(-1);
  expect(before.permit.kind).toBe('issued');
  expect(before.entry.purged).toBeDefined();
  expect(test?.isFit).toBe(true);
  expect(Date.parse(test?.at ?? '')).toBeGreaterThanOrEqual(
    Date.parse(before.entry.purged?.at ?? now),
  );
  expect(before.entry.emptying?.people ?? []).toEqual([]);
}

/** The permit is for eight hours; then another begins. */
const SHIFT_MIN = 470;
const TICKS = 3000;
const ENDS = ['stop-work', 'hand-back', 'sign-off', 'leave-duty'];

/** Does things about an entry at random; answers how often someone went in. */
function roll(seed: number): number {
  const dice = new Dice(seed);
  let state = issued;
  let minutes = 0;
  let entered = 0;
  for (let tick = 0; tick < TICKS; tick++) {
    minutes += dice.chance(0.8) ? 0 : dice.below(6);
    if (minutes > SHIFT_MIN || !isHeld(state.permit)) {
      state = issued;
      minutes = 0;
    }
    const now = new Date(Date.parse(START) + minutes * 60_000).toISOString();
    const step = pick(dice, state, now);
    const [actor, command] = step;
    // What ends everything is not done too often.
    if (ENDS.includes(command.kind) && dice.chance(0.8)) continue;
    const context = contextFor(actor, listSigners(command, actor), now);
    const decision = decideJob(state, command, context);
    if (!decision.ok) continue;
    const before = state;
    for (const event of decision.events) {
      state = evolveDossier(state, event, { by: actor, at: now });
    }
    if (command.kind === 'enter-space') entered += 1;
    checkInvariants(before, state, step, now);
  }
  return entered;
}

it('nobody is inside who may not be, whatever is done and in whatever order', () => {
  const entered = [1, 2, 3, 4, 5, 6].map(roll);
  // Often enough to say something.
  expect(entered.reduce((sum, one) => sum + one, 0)).toBeGreaterThan(5);
});
