import { lflOf } from './concentration';
import { SUBSTANCES, type LflBasis, type SubstanceCode } from './substances';

/** One part of a mixture in air (% vol, at least 0). */
export interface MixturePart {
  readonly gas: SubstanceCode;
  readonly percent: number;
}

/** What a mixture comes to, and what it must not be taken for. */
export interface MixtureLimit {
  /** The lower flammable limit of the burning part of the mixture (% vol of that part in air). */
  readonly lfl: number;
  /** How much of that limit is there (%): from 100 on it burns. */
  readonly share: number;
  readonly cautions: readonly string[];
}

/** Gases for which the rule of Le Chatelier is known to be poor. */
const POOR: readonly SubstanceCode[] = ['acetylene', 'hydrogen-sulphide', 'carbon-monoxide'];
const INERT: readonly SubstanceCode[] = ['nitrogen', 'carbon-dioxide'];

/**
 * The lower flammable limit of a mixture by Le Chatelier, Σ fuel / Σ(fuel / its limit); undefined when nothing in it burns. An estimate.
 * Source: Coward and Jones, US Bureau of Mines Bulletin 503 (1952), from memory.
 */
export function computeMixtureLimit(
  parts: readonly MixturePart[],
  basis: LflBasis,
): MixtureLimit | undefined {
  const burning = parts.flatMap(({ gas, percent }) => {
    const lfl = lflOf(gas, basis);
    return lfl === undefined || percent === 0 ? [] : [{ gas, percent, lfl }];
  });
  const fuel = burning.reduce((sum, { percent }) => sum + percent, 0);
  if (fuel === 0) return undefined;
  const index = burning.reduce((sum, { percent, lfl }) => sum + percent / lfl, 0);
  const poor = burning.filter(({ gas }) => POOR.includes(gas));
  const hasInert = parts.some(({ gas, percent }) => INERT.includes(gas) && percent > 0);
  return {
    lfl: fuel / index,
    share: index * 100,
    cautions: [
      'an estimate: a reading decides',
      ...poor.map(({ gas }) => `the rule is poor for ${SUBSTANCES[gas].name}`),
      ...(hasInert ? ['inert gas is left out of it, which is on the safe side'] : []),
    ],
  };
}

/**
 * How much of the permissible exposure several poisons make together (1 is all of it): Σ(concentration / limit), for such as act alike or
 * whose acting together is not known. Source: 29 CFR 1910.1000(d)(2)(i).
 */
export const computeExposure = (
  parts: readonly { readonly ppm: number; readonly limit_ppm: number }[],
): number => parts.reduce((sum, { ppm, limit_ppm }) => sum + ppm / limit_ppm, 0);
