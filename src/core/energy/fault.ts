/** A fault current (kA) and how long it flows (s), in words. */
export const sayFault = (kiloamperes: number, seconds: number): string =>
  `${kiloamperes} kA for ${seconds} s`;

/** A transformer by its plate: rating (VA), impedance voltage (share of 1), voltage of the side that feeds the fault (V, between phases). */
export interface Transformer {
  readonly rating: number;
  readonly impedance: number;
  readonly volts: number;
}

/** Current (A) of a fault between one conductor and another over an impedance (ohm, above 0): U / Z. Source: Ohm. */
export const computeFaultCurrent = (volts: number, ohm: number): number => volts / ohm;

/** Current (A) of a bolted three-phase fault: c U / (√3 Z), with `factor` the voltage factor c. Source: IEC 60909-0. */
export const computeThreePhaseFault = (volts: number, ohm: number, factor: number): number =>
  (factor * volts) / (Math.sqrt(3) * ohm);

/** Impedance (ohm) of a transformer as seen from a side: u U² / S. Source: IEC 60909-0. */
export const computeTransformerImpedance = ({ rating, impedance, volts }: Transformer): number =>
  (impedance * volts * volts) / rating;

/** Impedance (ohm) of the network behind a transformer, seen from the same side: c U² / S; 0 for a network without limit. Source: IEC 60909-0. */
export const computeNetworkImpedance = (
  volts: number,
  faultPower: number,
  factor: number,
): number => (faultPower === Infinity ? 0 : (factor * volts * volts) / faultPower);

/** Conductors that fault current may heat. Constants: IEC 60364-5-54:2011, Annex A, Table A.54.1 (from memory). */
export const CONDUCTORS = {
  copper: { name: 'copper', beta: 234.5, k20: 226 },
  aluminium: { name: 'aluminium', beta: 228, k20: 148 },
  steel: { name: 'steel', beta: 202, k20: 78 },
} as const;
export type Conductor = keyof typeof CONDUCTORS;

/** The longest (s) for which no heat is taken to leave the conductor. Source: IEC 60364-5-54, 543.1.2. */
export const ADIABATIC_SECONDS = 5;

/**
 * The constant k (A √s / mm²) of a conductor between two temperatures (°C): K √ln((β + θf) / (β + θi)), with K the square root of Qc (β + 20) / ρ20.
 * Precondition: end above start, start above -β. Source: IEC 60364-5-54:2011, Annex A.
 */
export function computeConductorConstant(of: Conductor, start: number, end: number): number {
  const { beta, k20 } = CONDUCTORS[of];
  return k20 * Math.sqrt(Math.log((beta + end) / (beta + start)));
}

/** Least cross-section (m²) of a conductor for a fault current (A) that lasts so long (s): I √t / k. Source: IEC 60364-5-54, 543.1.2. */
export const computeLeastSection = (current: number, seconds: number, k: number): number =>
  (current * Math.sqrt(seconds)) / k / 1e6;

/** The longest (s) that a conductor of a cross-section (m²) carries a fault current (A, above 0): (k S / I)². Source: the same, turned round. */
export const computeLongestFault = (section: number, current: number, k: number): number =>
  ((k * section * 1e6) / current) ** 2;

/** Standard cross-sections (mm²). Source: IEC 60228, class 2 and 5. */
const SECTIONS = [
  1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120, 150, 185, 240, 300, 400, 500, 630, 800, 1000,
];

/** The smallest standard cross-section (mm²) that is not below one (m²); undefined above the largest. */
export const findStandardSection = (section: number): number | undefined =>
  SECTIONS.find((one) => one >= section * 1e6 * (1 - 1e-9));

/**
 * Voltage (V) on the far side of a transformer that is fed from this side: U × far / near, and with the tap that raises it most, by `tap`
 * (share of 1). Works whichever side is meant to be fed. Source: turns ratio.
 */
export const computeBackFeed = (
  fed: number,
  rated: { readonly near: number; readonly far: number },
  tap: number,
): number => ((fed * rated.far) / rated.near) * (1 + tap);
