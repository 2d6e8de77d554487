import {
  carryOut,
  fieldSteps,
  HANDED_BACK,
  ISSUED,
  LIVE,
  outgrownSite,
  PERMIT,
  RAISE,
  restoreSteps,
  REVIEWED,
  USABLE,
  WALKED_DOWN,
  site,
  START,
  contextFor,
  type Step,
} from '../../../tests/support/seal-change';
import { Dice } from '../../../tests/support/random-plant';
import {
  computeLamps,
  decideJob,
  evolveDossier,
  findStage,
  gateIsolation,
  isLapsed,
  listHolding,
  listSigners,
  type DossierState,
} from '.';

describe('one job from raise to close', () => {
  it('goes through every stage in order, and ends with nothing holding it up', () => {
    const stage = (state: DossierState) => state && findStage(state, site);
    let state = carryOut([['ada', RAISE]]);
    expect(stage(state)).toBe('plan');
    state = carryOut(REVIEWED);
    expect(stage(state)).toBe('walk-down');
    state = carryOut(WALKED_DOWN, state);
    expect(stage(state)).toBe('isolate');
    state = carryOut(fieldSteps(), state);
    expect(stage(state)).toBe('permit');
    state = carryOut(PERMIT, state);
    expect(stage(state)).toBe('work');
    state = carryOut(HANDED_BACK, state);
    expect(stage(state)).toBe('restore');
    state = carryOut(restoreSteps(state), state);
    expect(stage(state)).toBe('closed');
    expect(state && listHolding(state, { site, now: START })).toEqual([]);
  });

  it('turns each lamp from lit to shuttered to dark', () => {
    const states = (state: DossierState) =>
      new Set(state && computeLamps(state, site).map((lamp) => lamp.state));
    expect(states(carryOut(REVIEWED))).toEqual(new Set(['lit']));
    const field = fieldSteps();
    const untilProof = field.findIndex(([, command]) => command.kind === 'prove');
    expect(states(carryOut(field.slice(0, untilProof), carryOut(USABLE)))).toEqual(
      new Set(['shuttered']),
    );
    expect(states(carryOut(field, carryOut(USABLE)))).toEqual(new Set(['dark']));
  });
});

it('lights every lamp again when the plan no longer passes on a newer drawing', () => {
  const proved = carryOut([...USABLE, ...fieldSteps()]);
  const states = (facts: typeof site) =>
    new Set(
      proved &&
        computeLamps(proved, facts)
          .filter(({ kind }) => kind === 'source')
          .map(({ state }) => state),
    );
  expect(states(site)).toEqual(new Set(['dark']));
  expect(states(outgrownSite)).toEqual(new Set(['lit']));
});

describe('no sequence of commands whatsoever', () => {
  it('leaves a worker signed on while a point is unlocked or unproved, or after the permit is gone', () => {
    const script = ISSUED();
    const pool: Step[] = [
      ...script,
      ...HANDED_BACK,
      ...restoreSteps(carryOut(HANDED_BACK, LIVE())),
      ['hana', { kind: 'sign-on', person: 'lena', lock: 'W-03' }],
      ['lena', { kind: 'sign-off', person: 'lena', lock: 'W-03' }],
      ['hana', { kind: 'sign-on', person: 'jun', lock: 'W-01' }],
      ['jun', { kind: 'sign-off', person: 'jun', lock: 'W-01' }],
    ];
    let signOns = 0;
    for (let seed = 1; seed <= 12; seed++) {
      const dice = new Dice(seed);
      let state: DossierState;
      let at = 0;
      let now = Date.parse(START);
      for (let step = 0; step < 350; step++) {
        if (dice.chance(0.02)) now += dice.below(5) * 3_600_000;
        const inOrder = at < script.length && dice.chance(0.7);
        const [actor, command] = inOrder ? (script[at] as Step) : dice.pick(pool);
        const signed = dice.chance(0.9) ? listSigners(command, actor) : [];
        const time = new Date(now).toISOString();
        const decision = decideJob(state, command, contextFor(actor, signed, time));
        if (inOrder && (decision.ok || dice.chance(0.3))) at += 1;
        if (!decision.ok) continue;
        for (const event of decision.events) {
          if (event.kind === 'signed-on') {
            signOns += 1;
            expect({ seed, step, lapsed: state && isLapsed(state, time) }).toEqual({
              seed,
              step,
              lapsed: false,
            });
          }
          state = evolveDossier(state, event, { by: actor, at: time });
        }
        const on = state?.permit.kind === 'issued' ? Object.keys(state.permit.people) : [];
        if (state && on.length > 0) {
          expect({
            seed,
            step,
            missing: gateIsolation(state, site).map(({ code }) => code),
          }).toEqual({ seed, step, missing: [] });
        }
      }
    }
    expect(signOns).toBeGreaterThan(5);
  });
});
