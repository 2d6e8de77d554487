import {
  briefingOf,
  carryOut,
  fieldSteps,
  HANDED_BACK,
  ISSUED,
  LEAK_TEST,
  LIVE,
  OXMOOR_ON,
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
import { surveyLocks } from '../locks/survey';
import { standAt } from './attendance';
import { Dice } from '../../../tests/support/random-plant';
import {
  computeLamps,
  decideJob,
  evolveDossier,
  findStage,
  gateIsolation,
  isHeld,
  listHolding,
  listOn,
  listSigners,
  permitAt,
  timeOf,
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
          .filter(({ kind }) => kind !== 'store')
          .map(({ state }) => state),
    );
  expect(states(site)).toEqual(new Set(['dark']));
  expect(states(outgrownSite)).toEqual(new Set(['lit']));
});

/** People signed on in a crew whose lead has no lock on the box. */
function listLeaderless(state: DossierState): string[] {
  if (!state || !isHeld(state.permit)) return [];
  const { people, crews } = state.permit;
  return Object.entries(people)
    .filter(([, { crew }]) => crew !== undefined && !(crew in crews))
    .map(([person]) => person);
}

/** Steps of handing over, in either direction, of the box and of a crew. */
const HANDOVERS: Step[] = [
  ...(
    [
      ['ada', 'C-1'],
      ['ben', 'C-2'],
    ] as const
  ).flatMap(([person, lock]): Step[] => [
    [person, { kind: 'hang-incoming', lock }],
    [person, { kind: 'take-off-control', lock }],
    [person, { kind: 'open-box' }],
  ]),
  ...(
    [
      ['nell', 'L-1'],
      ['pia', 'L-2'],
    ] as const
  ).flatMap(([lead, lock]): Step[] => {
    const crew = 'Oxmoor Electrical';
    return [
      ['hana', { kind: 'hang-crew-lock', crew, lead, lock, verified: 'locks and tags' }],
      [lead, { kind: 'take-off-crew-lock', crew, lead, lock }],
    ];
  }),
  ['otto', { kind: 'sign-off', person: 'otto', lock: 'W-06' }],
  ['ada', { kind: 'chain-hasp', where: 'BOX-1' }],
];

/** Steps of stops, of validity and of the next number, in either direction. */
const PERMITS: Step[] = [
  ['jun', { kind: 'hand-back', cleared: true, finished: false, remarks: '' }],
  ['hana', { kind: 'close-permit', inspected: 'left safe' }],
  ['lena', { kind: 'stop-work', reason: 'noise' }],
  ['hana', { kind: 'lift-stop', found: 'a loose guard' }],
  ['hana', { kind: 'lift-stop', found: 'a loose guard' }],
  ...[2, 6].map((hours): Step => {
    return ['hana', { kind: 'extend-permit', hours, performer: 'jun', retested: 'all readings' }];
  }),
  ['hana', { kind: 'revalidate-permit', seen: 'locks and guards', performer: 'jun' }],
  ['jun', { kind: 'hand-back', cleared: true, finished: false, remarks: '' }],
  ['hana', { kind: 'close-permit', inspected: 'left safe' }],
  ['ada', { kind: 'cancel-permit', reason: 'no spare part' }],
];

/** The next number, of what is already isolated. */
const NEXT_NUMBER: Step[] = [
  ...fieldSteps().filter(([, { kind }]) => ['wait-out-store', 'prove', 'try-start'].includes(kind)),
  ...PERMIT.slice(0, -1),
  ['hana', { kind: 'issue-permit', briefed: true, performer: 'jun' }],
];

/** Steps of alarms, unfit locks and tests. */
const AMISS: Step[] = [
  ['hana', { kind: 'lift-stop', found: 'all clear' }],
  ['kit', { kind: 'raise-alarm', where: 'P201-CAS', seen: 'hissing' }],
  ['hana', { kind: 'clear-alarm', found: 'a hose of the next job' }],
  ['kit', { kind: 'report-lock', lock: 'E-01', finding: 'damaged', seen: 'bent' }],
  ['elif', { kind: 'replace-lock', link: 'CB-P201', lock: 'E-10', how: 'cut' }],
  ['ada', { kind: 'renew-lock', lock: 'E-01', done: 'new shackle' }],
  ...(['run', 'inch'] as const).map((what): Step => {
    const points = ['CB-P201', 'FS-TR2004'];
    const purpose = 'rotation';
    return [
      'hana',
      { kind: 'sanction-test', what, purpose, points, clear: true, performer: 'jun' },
    ];
  }),
];

/** What follows a stop. */
const LIFTED: Step[] = [
  ['hana', { kind: 'clear-alarm', found: 'a hose of the next job' }],
  ['hana', { kind: 'lift-stop', found: 'all clear' }],
];

/** What follows a sanction to test. */
const TEST: Step[] = [
  ['elif', { kind: 'lift-for-test', point: 'CB-P201' }],
  ['elif', { kind: 'lift-for-test', point: 'FS-TR2004' }],
  ['cora', { kind: 'run-test', ran: true, sight: 'seen', seen: 'turns the right way' }],
  ['elif', { kind: 'lock-point', link: 'CB-P201', lock: 'E-11', tag: 'T' }],
  ['elif', { kind: 'lock-point', link: 'FS-TR2004', lock: 'E-12', tag: 'T' }],
];

/** More for a long run: 300 seeds are over 100,000 commands. */
const SEEDS = Number(process.env.LANTERN_JOB_SEEDS ?? 12);

describe('no sequence of commands whatsoever', () => {
  it('leaves a worker signed on while a point is unlocked or unproved, or after the permit is gone', () => {
    // Issued for as long as the shift still lasts, whatever the hour.
    const script = ISSUED().map(([actor, command]): Step => {
      return [actor, command.kind === 'issue-permit' ? { ...command, hours: undefined } : command];
    });
    const pool: Step[] = [
      ...script,
      ...HANDED_BACK,
      ...restoreSteps(carryOut(HANDED_BACK, LIVE())),
      ['jun', briefingOf(LIVE(), ['jun', 'lena'])],
      [
        'jun',
        {
          kind: 'brief-latecomer',
          person: 'kit',
          topic: 'slips',
          question: 'What on the way there would you trip over?',
          answer: 'the hose by the door',
        },
      ],
      ['hana', { kind: 'sign-on', person: 'lena', lock: 'W-03' }],
      ['lena', { kind: 'sign-off', person: 'lena', lock: 'W-03' }],
      ['hana', { kind: 'sign-on', person: 'jun', lock: 'W-01' }],
      ['jun', { kind: 'sign-off', person: 'jun', lock: 'W-01' }],
      ...['W-02', 'W-03', 'P-03', 'E-01'].map((lock): Step => {
        const steps = { offSite: 'gate log', tried: 'telephone', manager: 'uma' };
        return ['ada', { kind: 'remove-absent-lock', lock, ...steps }];
      }),
      ...OXMOOR_ON,
      ['gus', { kind: 'unlock-point', link: 'HV-2001' }],
      ['cora', { ...LEAK_TEST, to_bar: 1.5 }],
      ['cora', { kind: 'walk-lineup', point: 'HV-2001', found: 'closed' }],
      ...['kit', 'lena', 'finn'].map((owner): Step => {
        return ['hana', { kind: 'tell-absent-owner', owner, told: 'why and by whom' }];
      }),
    ];
    const firstProof = script.findIndex(([, { kind }]) => kind === 'wait-out-store');
    const firstPaper = script.findIndex(([, { kind }]) => kind === 'screen-job');
    const live = LIVE();
    let signOns = 0;
    let removals = 0;
    let handovers = 0;
    let lifts = 0;
    let again = 0;
    for (let seed = 1; seed <= SEEDS; seed++) {
      const dice = new Dice(seed);
      // Every other walk begins with the permit live, where there is most to go wrong.
      const isLate = seed % 2 === 0;
      let state: DossierState = isLate ? live : undefined;
      let isCalledOff = false;
      const following: Step[] = [];
      let at = isLate ? script.length : 0;
      let now = Date.parse(START);
      for (let step = 0; step < 400; step++) {
        now += dice.below(3) * 60_000;
        if (dice.chance(0.02)) now += dice.below(5) * 3_600_000;
        const inOrder = at < script.length && dice.chance(0.7);
        const rest = dice.chance(0.3) ? [...HANDOVERS, ...AMISS, ...TEST, ...PERMITS] : pool;
        const isBare =
          state?.permit.kind === 'issued' && Object.keys(listOn(state.permit)).length === 0;
        if (isBare && dice.chance(0.2)) following.push(HANDED_BACK[0] as Step);
        else if (isBare && dice.chance(0.1)) following.push(AMISS.at(-2) as Step);
        else if (isBare && dice.chance(0.05)) following.push(...PERMITS.slice(0, 2));
        const next = dice.chance(0.8) ? following.shift() : undefined;
        const [actor, command] = next ?? (inOrder ? (script[at] as Step) : dice.pick(rest));
        const signed = dice.chance(0.9) ? listSigners(command, actor) : [];
        const time = new Date(now).toISOString();
        // Some of it was entered on a device earlier, and comes in only now.
        const earlier = new Date(now - dice.below(90) * 60_000).toISOString();
        const context = {
          ...contextFor(actor, signed, time),
          enteredAt: dice.chance(0.1) ? earlier : undefined,
        };
        const decision = decideJob(state, command, context);
        const codes = decision.ok ? [] : decision.refusals.map(({ code }) => code);
        const isEarly = codes.some((code) => code.endsWith('-too-soon'));
        if (inOrder && (decision.ok || (!isEarly && dice.chance(0.3)))) at += 1;
        // What has to be proved again is proved again, as people would.
        if (codes.includes('not-proved') || codes.includes('not-tried')) at = firstProof;
        // A stop is lifted, and the next number issued, as people would.
        if (codes.includes('work-stopped')) following.push(...LIFTED);
        if (codes.includes('not-screened') || codes.includes('not-assessed')) at = firstPaper;
        if (command.kind === 'close-permit' && decision.ok) following.push(...NEXT_NUMBER);
        // Who forgot to sign signs after all.
        if (next && codes.join() === 'signature-missing') following.unshift(next);
        if (!decision.ok) continue;
        if (command.kind === 'sanction-test') following.push(...TEST);
        const found = ['raise-alarm', 'report-lock'].includes(command.kind);
        for (const event of decision.events) {
          if (event.kind === 'signed-on') {
            signOns += 1;
            const missing = state && gateIsolation(state, site).map(({ code }) => code);
            expect({ seed, step, missing }).toEqual({ seed, step, missing: [] });
            const heard = state?.briefing?.heard[event.person]?.at ?? '';
            const hours = (now - Date.parse(heard)) / 3_600_000;
            expect({ seed, step, briefed: hours <= site.values['briefing-h'] }).toEqual({
              seed,
              step,
              briefed: true,
            });
            const removed = state?.absent[event.person];
            expect({
              seed,
              step,
              told: removed === undefined || removed.told !== undefined,
            }).toEqual({ seed, step, told: true });
            expect({
              seed,
              step,
              lapsed: state && permitAt(state.permit, time).kind !== 'issued',
            }).toEqual({
              seed,
              step,
              lapsed: false,
            });
          }
          if (event.kind === 'permit-issued') {
            const missing = state && gateIsolation(standAt(state, time), site);
            expect({ seed, step, missing }).toEqual({ seed, step, missing: [] });
            expect({ seed, step, halt: state?.halt }).toEqual({ seed, step, halt: undefined });
            const numbers = (state?.pastPermits ?? []).map(({ number }) => number);
            expect(numbers).not.toContain(event.number);
            if (numbers.length > 0) again += 1;
          }
          if (event.kind === 'permit-handed-back' || event.kind === 'permit-closed') {
            expect({ seed, step, on: state && listOn(state.permit) }).toEqual({
              seed,
              step,
              on: {},
            });
          }
          if (event.kind === 'permit-extended' && state && isHeld(state.permit)) {
            const day = 24 * 3_600_000;
            expect(Date.parse(event.until) - Date.parse(state.permit.issuedAt)).toBeLessThanOrEqual(
              day,
            );
          }
          if (event.kind === 'point-unlocked') {
            const owner = state?.isolation.locked[event.link]?.by;
            expect({ seed, step, owner }).toEqual({ seed, step, owner: actor });
            const tests = Object.values(state?.isolation.leakTests ?? {});
            expect({ seed, step, tight: tests.map(({ tight }) => tight) }).toEqual({
              seed,
              step,
              tight: [true],
            });
          }
          if (event.kind === 'lifted-for-test') {
            lifts += 1;
            const { permit } = state ?? {};
            expect(permit ? listOn(permit) : {}).toEqual({});
          }
          if (event.kind === 'control-handed-over') {
            handovers += 1;
            expect(state?.isolation.box?.incoming?.by).toBe(event.to);
          }
          if (event.kind === 'signed-off') expect(signed).toContain(event.person);
          if (event.kind === 'absent-lock-removed') {
            removals += 1;
            expect(signed).toEqual(expect.arrayContaining([actor, event.manager]));
            expect([actor, event.manager]).not.toContain(event.owner);
          }
          state = evolveDossier(state, event, { by: actor, at: timeOf(command, context) });
        }
        const survey =
          state &&
          surveyLocks(site.locks.values(), site.boxes.values(), [{ id: 'J-0001', dossier: state }]);
        expect({ seed, step, unbalanced: survey?.findings ?? [] }).toEqual({
          seed,
          step,
          unbalanced: [],
        });
        const on = state ? Object.keys(listOn(state.permit)) : [];
        expect({ seed, step, leaderless: listLeaderless(state) }).toEqual({
          seed,
          step,
          leaderless: [],
        });
        // A fact about the plant stands whoever is on: they are called off, and nobody else comes on.
        isCalledOff = on.length > 0 && (isCalledOff || found);
        if (state && on.length > 0 && !isCalledOff) {
          expect({
            seed,
            step,
            missing: gateIsolation(state, site).map(({ code }) => code),
          }).toEqual({ seed, step, missing: [] });
        }
      }
    }
    expect(signOns).toBeGreaterThan(5);
    expect(removals).toBeGreaterThan(0);
    expect(handovers).toBeGreaterThan(0);
    expect(lifts).toBeGreaterThan(0);
    expect(again).toBeGreaterThan(0);
  });
});
