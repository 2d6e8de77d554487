import { accumulator } from './accumulator';
import { capacitor } from './capacitor';
import type { Calculation } from './define';
import { drain, head, letDown } from './flow';
import { gasEnergy } from './gas-energy';
import { blockedIn, cooling, flash } from './heat';
import { raisedMass, rotor, spring } from './motion';
import { seatLeak } from './seat-leak';

/** Every calculation of the Bench, in the order in which they are offered. */
export const CALCULATIONS: readonly Calculation[] = [
  gasEnergy,
  letDown,
  drain,
  seatLeak,
  head,
  blockedIn,
  flash,
  cooling,
  capacitor,
  accumulator,
  spring,
  raisedMass,
  rotor,
];

export const findCalculation = (id: string): Calculation | undefined =>
  CALCULATIONS.find((one) => one.id === id);
