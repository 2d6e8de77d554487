import { accumulator } from './accumulator';
import { capacitor } from './capacitor';
import { gasCavity, liquidCavity } from './cavity';
import { heat, windChill } from './climate';
import { concentration } from './concentration';
import type { Calculation } from './define';
import { approach, backFeed, earthing, faultCurrent, touchVoltage } from './electrical';
import { flashingBurst } from './flashing-burst';
import { drain, head, letDown } from './flow';
import { gasEnergy } from './gas-energy';
import { blockedIn, cooling, flash } from './heat';
import { raisedMass, rotor, spring } from './motion';
import { inertLeak } from './inert-leak';
import { inertRelease } from './inert-release';
import { inerting } from './inerting';
import { blank, pressureTest } from './pressure-test';
import { seatTestPlan } from './seat-class';
import { seatLeak } from './seat-leak';
import { shutIn } from './shut-in';
import { sparks } from './sparks';
import { timedStop } from './timed-stop';

/** The calculations of the Bench by what they are about, in the order in which they are offered. */
export const BENCH_GROUPS: Readonly<Record<string, readonly Calculation[]>> = {
  'Pressure and liquid': [letDown, drain, head, gasEnergy, blockedIn, shutIn, flash, flashingBurst],
  'Valves, bleeds and tests': [
    gasCavity,
    liquidCavity,
    seatLeak,
    seatTestPlan,
    pressureTest,
    blank,
  ],
  Electricity: [capacitor, approach, faultCurrent, earthing, touchVoltage, backFeed],
  'Moving and raised parts': [rotor, timedStop, raisedMass, spring, accumulator],
  'Air and gas': [inertLeak, inertRelease, inerting, concentration],
  'Heat, sparks and weather': [cooling, sparks, heat, windChill],
};

export const CALCULATIONS: readonly Calculation[] = Object.values(BENCH_GROUPS).flat();

export const findCalculation = (id: string): Calculation | undefined =>
  CALCULATIONS.find((one) => one.id === id);
