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
