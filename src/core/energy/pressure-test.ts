/** How a code sets its test pressure: the factor over the design pressure, and whether the strength at test and design temperature counts. */
interface TestCode {
  readonly name: string;
  readonly factor: number;
  /** The most by which the strength of the cold material may raise it; 1 where it does not count. */
  readonly mostCorrection: number;
  /** A floor that needs no correction, as a factor over the design pressure. */
  readonly floor?: number;
  readonly isGas: boolean;
  readonly source: string;
}

/** Test factors. From memory: the edition in force and the vessel's own papers come first. */
export const TEST_CODES = {
  'b31-3-water': {
    name: 'process piping, water',
    factor: 1.5,
    mostCorrection: 6.5,
    isGas: false,
    source: 'ASME B31.3-2020, 345.4.2',
  },
  'b31-3-gas': {
    name: 'process piping, gas',
    factor: 1.1,
    mostCorrection: 1,
    isGas: true,
    source: 'ASME B31.3-2020, 345.5.4',
  },
  'viii-water': {
    name: 'pressure vessel, water',
    factor: 1.3,
    mostCorrection: Infinity,
    isGas: false,
    source: 'ASME BPVC VIII-1, UG-99(b)',
  },
  'viii-gas': {
    name: 'pressure vessel, gas',
    factor: 1.1,
    mostCorrection: Infinity,
    isGas: true,
    source: 'ASME BPVC VIII-1, UG-100(b)',
  },
  'en-water': {
    name: 'pressure equipment of the EU, water',
    factor: 1.25,
    mostCorrection: Infinity,
    floor: 1.43,
    isGas: false,
    source: 'Directive 2014/68/EU, Annex I, 7.4',
  },
} as const satisfies Readonly<Record<string, TestCode>>;
export type TestCodeId = keyof typeof TEST_CODES;

/**
 * Test pressure (Pa gauge): factor × design × strength at test over strength at design temperature (allowable stresses, Pa, or any one unit), no less than the
 * floor of the code. Source: beside each code. Preconditions: all above 0.
 */
export function computeTestPressure(
  code: TestCodeId,
  design: number,
  stress: { readonly test: number; readonly design: number },
): number {
  const { factor, mostCorrection, ...rest }: TestCode = TEST_CODES[code];
  // A material that is weaker cold than hot corrects nothing.
  const correction = Math.min(mostCorrection, Math.max(1, stress.test / stress.design));
  return Math.max(factor * correction, rest.floor ?? 0) * design;
}

/** Thickness (m) of a blank between flanges: dg √(3 P / (16 S E W)) + c. Lengths in m, P and S in Pa, E and W in (0, 1]. Source: ASME B31.3-2020, 304.5.3 (from memory). */
export const computeBlank = (
  bore: number,
  pressure: number,
  stress: number,
  quality: number,
  corrosion: number,
): number => bore * Math.sqrt((3 * pressure) / (16 * stress * quality)) + corrosion;

/**
 * The shortest hold (s) in which a leak (m³/s of the liquid, above 0) would show on a gauge of a least step (Pa): V r (1/K) / q, with the bulk modulus K (Pa) of
 * what fills it; for a gas, K is its absolute pressure. Source: definition of the bulk modulus.
 */
export const computeHold = (
  volume: number,
  resolution: number,
  modulus: number,
  leak: number,
): number => (volume * resolution) / (modulus * leak);
