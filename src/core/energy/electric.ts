/** The voltage (V) that a capacitor has to fall to before it counts as discharged. Source: IEC 60364 touch voltage (from memory). */
export const DISCHARGED_VOLTS = 50;

/** The peak (V) of an alternating voltage given as its effective value: a capacitor may hold the peak. */
export const computePeak = (effective: number): number => Math.SQRT2 * effective;

/** Energy (J) of a capacitor (F) at a voltage (V): C U²/2. */
export const computeCapacitorEnergy = (capacitance: number, volts: number): number =>
  (capacitance * volts * volts) / 2;

/** Time (s) for a capacitor to fall from one voltage to another over a resistor (ohm): R C ln(U0/U); 0 when it is below already. */
export const computeDischargeTime = (
  capacitance: number,
  resistance: number,
  from: number,
  to: number,
): number => (from <= to ? 0 : resistance * capacitance * Math.log(from / to));

/** The largest resistor (ohm) that brings it from one voltage to another within `seconds`; undefined when it is below already. */
export const computeDischargeResistor = (
  capacitance: number,
  seconds: number,
  from: number,
  to: number,
): number | undefined => (from <= to ? undefined : seconds / (capacitance * Math.log(from / to)));
