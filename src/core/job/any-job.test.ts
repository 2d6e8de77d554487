import { walkedDown } from '../../../tests/support/any-job';
import {
  carryOut,
  fieldStepsOf,
  HANDED_BACK,
  permitSteps,
  refusalsOf,
  restoreSteps,
  site,
  START,
  type Step,
} from '../../../tests/support/seal-change';
import type { Scope } from '../plant';
import { computeLamps, listHanging, type DossierState } from '.';

/** Long enough for the hottest part to cool (min). */
const DAYS = 3 * 24 * 60;
const FAR = '2030-01-01T00:00:00.000Z';
const CONTROL: Step = ['ada', { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' }];
const isolated = (walked: DossierState) =>
  carryOut([...fieldStepsOf(walked), CONTROL], walked, START, DAYS);
const untilPhase = (walked: DossierState, stop: (step: Step) => boolean) => {
  const steps = fieldStepsOf(walked);
  return carryOut(steps.slice(0, steps.findIndex(stop)), walked, START, DAYS);
};

describe('a job on any kind of energy', () => {
  it.each<[string, Scope['work']]>([
    ['high voltage, earthed', [{ section: 'TX1-HV', activity: 'touch' }]],
    ['a capacitor bank', [{ section: 'CAP-1', activity: 'touch' }]],
    ['an inverter', [{ section: 'PV-INV', activity: 'touch' }]],
    ['a gas filter', [{ section: 'CF-1', activity: 'open' }]],
    ['a press held up by oil', [{ section: 'PRS-RAM', activity: 'touch' }]],
    ['a macerator with a heavy lid', [{ section: 'MAC-ROT', activity: 'touch' }]],
  ])('goes from raise to close: %s', (_label, work) => {
    const state = isolated(walkedDown(work));
    expect(state && new Set(computeLamps(state, site).map((lamp) => lamp.state))).toEqual(
      new Set(['dark']),
    );
    const back = carryOut([...permitSteps(state), ...HANDED_BACK], state);
    const closed = carryOut(restoreSteps(back), back);
    expect(closed?.kind).toBe('closed');
    expect(closed && listHanging(closed)).toEqual([]);
  });
});

describe('earths', () => {
  const walked = walkedDown([{ section: 'TX1-HV', activity: 'touch' }]);
  const earthing = () => untilPhase(walked, ([, { kind }]) => kind === 'open-outlet');
  const step = fieldStepsOf(walked).find(([, { kind }]) => kind === 'open-outlet');
  const earth = step?.[1];
  if (earth?.kind !== 'open-outlet') throw new Error('no earth in the plan');
  const refused = (more: object) => refusalsOf(earthing(), 'elif', { ...earth, ...more });
  const SAID = { endFirst: true, ordered: true, clear: true, to: 'point' as const };

  it('go on by two, from a numbered set in date, the earth end first', () => {
    expect(refused({})).toEqual([]);
    expect(refused({ earth: undefined })).toEqual(['earth-set-missing']);
    expect(refused({ earth: { ...SAID, set: 'ES-1', endFirst: false } })).toEqual([
      'earth-end-first',
    ]);
    expect(refused({ earth: { ...SAID, set: 'ES-4' } })).toEqual(['instrument-overdue']);
    expect(refused({ earth: { ...SAID, set: 'ES-9' } })).toEqual(['instrument-unknown']);
    expect(refused({ second: undefined })).toEqual(['second-missing']);
    const said = (more: object) => refused({ earth: { ...SAID, set: 'ES-1', ...more } });
    expect(said({ ordered: undefined })).toEqual(['earth-order']);
    expect(said({ ordered: false })).toEqual(['earth-order']);
    expect(said({ clear: false })).toEqual(['earth-lead-held']);
    expect(refused({ second: 'elif' })).toEqual(['second-is-first']);
    expect(refused({ second: 'kit' })).toEqual(['role-missing']);
  });

  it.each<[string, object, string[]]>([
    ['on a fixed point', { to: 'point' }, []],
    ['on a stake of 0.6 m', { to: 'stake', stake_m: 0.6 }, []],
    ['on a stake a little shorter', { to: 'stake', stake_m: 0.59 }, ['stake-shallow']],
    ['on a stake that nobody measured', { to: 'stake' }, ['stake-shallow']],
    ['on what nobody says', { to: undefined }, ['stake-shallow']],
  ])('stand deep enough: %s', (_, more, codes) => {
    expect(refused({ earth: { ...SAID, set: 'ES-1', ...more } })).toEqual(codes);
  });

  it('come off the other way round, and nobody touches a lead', () => {
    const on = isolated(walked);
    const back = carryOut([...permitSteps(on), ...HANDED_BACK], on);
    const steps = restoreSteps(back);
    const first = steps.findIndex(([, { kind }]) => kind === 'close-outlet');
    const state = carryOut(steps.slice(0, first), back);
    const [who = '', off] = steps[first] ?? [];
    const taken = (more: object) => refusalsOf(state, who, { ...off, ...more } as never);
    expect(taken({})).toEqual([]);
    expect(taken({ off: { reversed: false, clear: true } })).toEqual(['earth-off-order']);
    expect(taken({ off: undefined })).toEqual(['earth-off-order', 'earth-lead-held']);
  });

  it('stand on conductors that were tested in their order', () => {
    const proving = untilPhase(walked, ([, { kind }]) => kind === 'prove');
    const [who = '', proof] = fieldStepsOf(walked).find(([, { kind }]) => kind === 'prove') ?? [];
    expect(refusalsOf(proving, who, proof as never)).toEqual([]);
    expect(refusalsOf(proving, who, { ...proof, ordered: undefined } as never)).toEqual(['round-order']); // prettier-ignore
  });

  it('carry the fault current of the place for as long as it flows', () => {
    const own = (more: object) =>
      refusalsOf(
        earthing(),
        'elif',
        { ...earth, earth: { ...SAID, set: 'ES-1' } },
        {
          site: {
            ...site,
            earths: new Map([['ES-1', { id: 'ES-1', name: 'set', testedUntil: FAR, ...more }]]),
          },
        },
      );
    // At the transformer a fault is 12.5 kA for 1 s.
    expect(own({ rated_ka: 12.5, rated_s: 1 })).toEqual([]);
    expect(own({ rated_ka: 12.4, rated_s: 3 })).toEqual(['earth-too-small']);
    expect(own({ rated_ka: 12.5, rated_s: 0.99 })).toEqual(['earth-too-small']);
    expect(own({ rated_ka: 25, rated_s: 0.25 })).toEqual([]);
    expect(own({})).toEqual(['earth-rating-unknown']);
  });

  it('are proved dead by two before', () => {
    const proving = untilPhase(walked, ([, { kind }]) => kind === 'prove');
    const proof = fieldStepsOf(walked).find(([, { kind }]) => kind === 'prove')?.[1];
    expect(refusalsOf(proving, 'elif', { ...proof, second: undefined } as never)).toEqual([
      'second-missing',
    ]);
  });

  it('come off and are counted before any lock does', () => {
    const back = carryOut([...permitSteps(walked), ...HANDED_BACK], isolated(walked));
    const steps = restoreSteps(back);
    const count = steps.findIndex(([, { kind }]) => kind === 'count-earths');
    const off = carryOut(steps.slice(0, count), back);
    const [, unlock] = steps.find(([, { kind }]) => kind === 'unlock-point') ?? [];
    expect(unlock && refusalsOf(off, 'elif', unlock)).toEqual(['earths-not-counted']);
    const on = Object.keys(back?.isolation.earths ?? {}).length;
    expect(refusalsOf(off, 'elif', { kind: 'count-earths', counted: on - 1 })).toEqual([
      'earth-count-wrong',
    ]);
    expect(refusalsOf(off, 'elif', { kind: 'count-earths', counted: on })).toEqual([]);
  });

  it('are put on with a set that is on nowhere else', () => {
    const on = carryOut(step ? [step] : [], earthing());
    const next = fieldStepsOf(walked).filter(([, { kind }]) => kind === 'open-outlet')[1]?.[1];
    if (next?.kind !== 'open-outlet') return;
    expect(refusalsOf(on, 'elif', { ...next, earth: { ...SAID, set: 'ES-1' } })).toEqual([
      'earth-in-use',
    ]);
  });
});

describe('a capacitor', () => {
  const walked = walkedDown([{ section: 'CAP-1', activity: 'touch' }]);
  const waiting = (minutes: number) => {
    const steps = fieldStepsOf(walked);
    const at = steps.findIndex(([, { kind }]) => kind === 'wait-out-store');
    return carryOut(steps.slice(0, at), walked, START, minutes);
  };
  const [actor, command] = fieldStepsOf(walked).find(
    ([, { kind }]) => kind === 'wait-out-store',
  ) as Step;
  const refused = (more: object, minutes = 30) =>
    refusalsOf(waiting(minutes), actor, { ...command, ...more } as never);

  it('is waited out, read and shorted', () => {
    expect(refused({})).toEqual([]);
    expect(refused({ volts: 50 })).toEqual([]);
    expect(refused({ volts: 50.1 })).toEqual(['capacitor-charged']);
    expect(refused({ volts: -400 })).toEqual(['capacitor-charged']);
    expect(refused({ volts: undefined })).toEqual(['capacitor-charged']);
    expect(refused({ shorted: false })).toEqual(['not-shorted']);
  });

  it('is not called discharged before its resistors can have done it', () => {
    expect(refused({}, 1)).toEqual(['run-down-too-soon']);
  });
});
