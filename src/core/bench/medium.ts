import { AIR_MOLAR_MASS, HEAT_RATIO_BOUNDS, HEAT_RATIOS, LIQUEFIED, SUBSTANCES } from '../gas';
import type { Medium } from '../plant';
import type { Given } from './given';

/** The heaviest gas that is reckoned with where the drawing does not say which it is (g/mol): it leaves the slowest. */
const HEAVIEST = Math.max(...Object.values(SUBSTANCES).map(({ molarMass }) => molarMass));

/** What is known of a medium as a gas: ratios of specific heats to be tried, molar mass (g/mol), and what was assumed, in words. */
export interface AsGas {
  readonly ratios: readonly number[];
  readonly molar: number;
  readonly assumed: readonly string[];
}

/** A medium as a gas, by what the drawing gives of it; else the worst, said so. */
export function readGas(medium: Medium | undefined): AsGas {
  const { heat_ratio: own, relative_density: density, gases = [] } = medium ?? {};
  const listed = [...new Set(gases.map((gas) => HEAT_RATIOS[gas]))];
  const ratios =
    own !== undefined
      ? [own]
      : listed.length > 0
        ? listed
        : [HEAT_RATIO_BOUNDS.least, HEAT_RATIO_BOUNDS.most];
  const heaviest = Math.max(...gases.map((gas) => SUBSTANCES[gas].molarMass));
  const molar =
    density !== undefined ? AIR_MOLAR_MASS * density : gases.length > 0 ? heaviest : HEAVIEST;
  const name = medium?.name ?? 'the gas';
  return {
    ratios,
    molar,
    assumed: [
      ...(own === undefined && listed.length === 0
        ? [`The drawing gives no ratio of specific heats of ${name}: assumed worst.`]
        : []),
      ...(density === undefined && gases.length === 0
        ? [`The drawing gives no density of ${name}: assumed worst, the heaviest there is.`]
        : []),
    ],
  };
}

/** Whether a medium boils as it is let down: steam, and gases that are kept as liquids. */
export const doesBoil = ({ phase, fluid, gases = [] }: Medium): boolean =>
  phase === 'vapour' ||
  fluid === 'lpg' ||
  fluid === 'ammonia' ||
  (gases.length > 0 && gases.every((gas) => LIQUEFIED.has(gas)));

/** A medium as a liquid shut in full: its own coefficients, a liquid of the table, else the worst of the table. */
export function readLiquid(medium: Medium | undefined): readonly Given[] {
  const { fluid, expansion_1_k: expansion, compressibility_1_gpa: compressibility } = medium ?? {};
  if (expansion !== undefined && compressibility !== undefined) {
    return [
      ['liquid', 'other'],
      ['expansion', expansion, '1/K'],
      ['compressibility', compressibility, '1/GPa'],
    ];
  }
  return [['liquid', fluid ?? 'worst']];
}
