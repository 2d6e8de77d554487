import { DISCHARGED_VOLTS } from './electric';

/** Most touch voltage (V) that may last so long (s). Source: EN 50522:2010, Table B.3 (from memory). */
const PERMITTED: readonly (readonly [seconds: number, volts: number])[] = [
  [0.05, 716],
  [0.1, 654],
  [0.2, 537],
  [0.5, 220],
  [1, 117],
  [2, 96],
  [5, 86],
  [10, 85],
];

/**
 * Most touch voltage (V) that a fault cleared within `seconds` (above 0) may bring. Between two rows the longer time counts; beyond the last
 * row the voltage that may stand for ever.
 */
export const findPermittedTouch = (seconds: number): number =>
  PERMITTED.find(([upTo]) => seconds <= upTo)?.[1] ?? DISCHARGED_VOLTS;

/**
 * Impedance (ohm) of a body from hand to hand, dry, large areas of contact, that 95 of 100 people exceed, by touch voltage (V).
 * Source: IEC 60479-1:2005, Table 1 (from memory).
 */
const BODY: readonly (readonly [volts: number, ohm: number])[] = [
  [25, 1750],
  [50, 1375],
  [75, 1125],
  [100, 990],
  [125, 900],
  [150, 850],
  [175, 825],
  [200, 800],
  [225, 775],
  [400, 700],
  [500, 625],
  [700, 575],
];
/** What the impedance tends to at higher voltages (ohm). */
const LEAST_BODY = 575;

/** Current (A) through a body at a touch voltage (V, at least 0), with the impedance of the next higher row: more flows through few people. */
export const computeBodyCurrent = (volts: number): number =>
  volts / (BODY.find(([upTo]) => volts <= upTo)?.[1] ?? LEAST_BODY);

/** Least current (A) at which a hand may not let go, and at which the heart may fail when it lasts. Source: IEC 60479-1 (from memory); practice. */
export const LET_GO_A = 0.005;
export const FIBRILLATION_A = 0.03;
