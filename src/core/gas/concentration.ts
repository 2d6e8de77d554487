import { GAS_CONSTANT } from '../energy/let-down';
import { substanceOf, type LflBasis, type SubstanceCode } from './substances';

/** What a concentration is given in. */
export const CONCENTRATION_UNITS = ['%vol', '%LFL', 'ppm'] as const;
export type ConcentrationUnit = (typeof CONCENTRATION_UNITS)[number];

const PPM_PER_PERCENT = 10_000;

/** The lower flammable limit of a gas (% vol) by a standard; undefined for one that does not burn. */
export const lflOf = (code: SubstanceCode, basis: LflBasis): number | undefined =>
  substanceOf(code).lfl?.[basis];

/** How many % vol one of a unit is; undefined for % LFL of a gas that does not burn. */
function percentOf(
  unit: ConcentrationUnit,
  code: SubstanceCode,
  basis: LflBasis,
): number | undefined {
  if (unit === '%vol') return 1;
  if (unit === 'ppm') return 1 / PPM_PER_PERCENT;
  const lfl = lflOf(code, basis);
  return lfl === undefined ? undefined : lfl / 100;
}

/**
 * A concentration in another unit, with the flammable limit of a standard (% LFL means nothing without); undefined when % LFL is asked of
 * a gas that does not burn.
 */
export function convertConcentration(
  value: number,
  from: ConcentrationUnit,
  into: ConcentrationUnit,
  code: SubstanceCode,
  basis: LflBasis,
): number | undefined {
  const given = percentOf(from, code, basis);
  const wanted = percentOf(into, code, basis);
  return given === undefined || wanted === undefined ? undefined : (value * given) / wanted;
}

/**
 * Mass of a vapour in a volume of air (kg/m³) for its share of the volume (of 1), and back: c M p / (R T). At 25 °C and one atmosphere 1 ppm is M / 24.45 mg/m³.
 * Molar mass in kg/mol, temperature in kelvin, pressure absolute (Pa). Source: ideal gas law.
 */
export const toMassConcentration = (
  share: number,
  molarMass: number,
  kelvin: number,
  pascal: number,
): number => (share * molarMass * pascal) / (GAS_CONSTANT * kelvin);
export const toShare = (
  massConcentration: number,
  molarMass: number,
  kelvin: number,
  pascal: number,
): number => (massConcentration * GAS_CONSTANT * kelvin) / (molarMass * pascal);
