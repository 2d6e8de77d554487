import type { Command, DossierState } from '../../../src/core/job';
import {
  carryOut,
  fieldSteps,
  ISSUE,
  LEAK_TEST,
  noted,
  permitSteps,
  START,
  ALLOW_GAS,
  TEST_SUM,
  WALKED,
  type RefusalRow,
  type Step,
} from '../seal-change';
import { END_PURGE, OPENED, PURGE, READY_TO_ENTER } from './entry';
import { restored } from './restoring';

const of = (value: number, unit: string) => ({ value, unit });

const after = (minutes: number) => new Date(Date.parse(START) + minutes * 60_000).toISOString();

/** Work in the heat at so many °C, moderate and in the shade. */
export const heatSum = (celsius: number): Command =>
  noted({
    calculation: 'heat-index',
    subject: 'P201-CAS',
    inputs: {
      temperature: of(celsius, 'degC'),
      humidity: of(25, '%'),
      sun: 'none',
      effort: 'moderate',
    },
  });
/** The space made inert to so much oxygen (%). */
export const inertSum = (target: number): Command =>
  noted({
    calculation: 'inerting',
    subject: 'P201-CAS',
    inputs: {
      way: 'dilution',
      volume: of(90, 'm^3'),
      start: of(20.9, '%'),
      target: of(target, '%'),
      own: of(0.01, '%'),
      mixing: of(0.5, '1'),
      ambient: of(1.01325, 'bar'),
    },
  });

/** A state with one sum more, noted so many minutes after the start. */
export const withSum = (command: Command, state: DossierState, minutes = 0): DossierState =>
  carryOut([['ada', command]], state, after(minutes));
/** Everything but the issue, with the sum of the pressure test or without. */
const toBeTested = (keeps: (step: Step) => boolean) => () => {
  const steps = permitSteps(WALKED(), ['overpressure']).slice(0, -1).filter(keeps);
  return carryOut([...fieldSteps(), ...steps], WALKED());
};
const NOT_ALLOWED = toBeTested(([, command]) => command !== ALLOW_GAS);
const WATER_TEST: Command = {
  ...TEST_SUM,
  inputs: { ...TEST_SUM.inputs, code: 'b31-3-water' },
};
const enter: Command = { kind: 'enter-space', person: 'kit', tools: 3 };
const AT = { now: after(64) };
const HELD = { now: after(41) };
/** A gauge so coarse that ten minutes show nothing behind the 0.04 m³ of the casing. */
const COARSE = { ...LEAK_TEST, fluid: 'gas', accepter: 'hana', resolution_bar: 0.5 } as const;
const signed = { signed: new Set(['hana']) };

/** Steps that a noted sum refuses, with the codes. */
export const SUM_ROWS: RefusalRow[] = [
  ['a pressure test worked out', toBeTested(() => true), 'hana', ISSUE, []],
  [
    'a pressure test that nobody worked out',
    toBeTested(([, command]) => command !== TEST_SUM && command !== ALLOW_GAS),
    'hana',
    ISSUE,
    ['test-not-worked-out'],
  ],
  ['a test with gas that nobody allowed', NOT_ALLOWED, 'hana', ISSUE, ['gas-test-unapproved']],
  [
    'a test with gas that was allowed before it was worked out anew',
    () => withSum(TEST_SUM, toBeTested(() => true)(), 5),
    'hana',
    ISSUE,
    ['gas-test-unapproved'],
    { now: after(6) },
  ],
  [
    'a test with gas allowed after it was worked out anew',
    () => carryOut([['uma', ALLOW_GAS]], withSum(TEST_SUM, toBeTested(() => true)(), 5), after(5)),
    'hana',
    ISSUE,
    [],
    { now: after(6) },
  ],
  [
    'a test with water, allowed by nobody',
    () => withSum(WATER_TEST, NOT_ALLOWED()),
    'hana',
    ISSUE,
    [],
  ],
  ['a test with gas allowed where none was worked out', WALKED, 'uma', ALLOW_GAS, ['no-gas-test']],
  ['a test with gas allowed by an operator', NOT_ALLOWED, 'cora', ALLOW_GAS, ['role-missing']],
  [
    'a test with gas allowed by whoever worked it out',
    () => carryOut([['ben', TEST_SUM]], WALKED()),
    'ben',
    ALLOW_GAS,
    ['gas-test-own'],
  ],
  [
    'going in where it is warm',
    () => withSum(heatSum(36), READY_TO_ENTER(), 62),
    'sol',
    enter,
    [],
    AT,
  ],
  [
    'going in where it is too hot for any work',
    () => withSum(heatSum(45), READY_TO_ENTER(), 62),
    'sol',
    enter,
    ['too-hot'],
    AT,
  ],
  [
    'going in once it has cooled',
    () => withSum(heatSum(36), withSum(heatSum(45), READY_TO_ENTER(), 62), 63),
    'sol',
    enter,
    [],
    AT,
  ],
  [
    'a purge of what was made inert, from as little oxygen',
    () => withSum(inertSum(3), OPENED()),
    'jun',
    { ...PURGE, oxygen_pct: 3 },
    [],
  ],
  [
    'a purge of what was made inert, from more oxygen than it left',
    () => withSum(inertSum(3), OPENED()),
    'jun',
    { ...PURGE, oxygen_pct: 3.1 },
    ['purge-from-inert'],
  ],
  [
    'a purge from fresh air, once another has come to its end',
    () => {
      const purging = carryOut(
        [['jun', { ...PURGE, oxygen_pct: 3 }]],
        withSum(inertSum(3), OPENED()),
      );
      return carryOut([['jun', END_PURGE]], purging, after(600));
    },
    'jun',
    { ...PURGE, start_pct: 0.5, oxygen_pct: 20.9 },
    [],
    { now: after(601) },
  ],
  [
    'a leak test with gas on a coarse gauge',
    () => restored(7),
    'cora',
    COARSE,
    ['leak-test-blind'],
    { ...HELD, ...signed },
  ],
  [
    'a leak test with gas on a coarse gauge, held for long',
    () => restored(7),
    'cora',
    { ...COARSE, minutes: 34 },
    [],
    { ...HELD, ...signed },
  ],
];
