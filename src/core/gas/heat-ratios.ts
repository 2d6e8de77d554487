import type { SubstanceCode } from './substances';

/**
 * Ratios of specific heats of gases at about 20 °C and 1 bar. Source: CRC Handbook of Chemistry and Physics and engineering handbooks, from
 * memory, rounded.
 */
export const HEAT_RATIOS: Readonly<Record<SubstanceCode, number>> = {
  oxygen: 1.4,
  methane: 1.31,
  ethane: 1.19,
  propane: 1.13,
  butane: 1.1,
  pentane: 1.08,
  hydrogen: 1.41,
  acetylene: 1.23,
  ethanol: 1.13,
  toluene: 1.09,
  'hydrogen-sulphide': 1.32,
  'carbon-monoxide': 1.4,
  'carbon-dioxide': 1.29,
  ammonia: 1.31,
  'sulphur-dioxide': 1.27,
  chlorine: 1.33,
  hexane: 1.06,
  benzene: 1.1,
  styrene: 1.07,
  'nitrogen-dioxide': 1.29,
  'hydrogen-cyanide': 1.31,
  'hydrogen-fluoride': 1.4,
  nitrogen: 1.4,
};

/** The least and the most of any gas: what is reckoned with where nothing is known. */
export const HEAT_RATIO_BOUNDS = { least: 1.05, most: 1.67 } as const;

/** Gases that are kept as liquids: let down, they boil, and no ideal gas speaks for them. */
export const LIQUEFIED: ReadonlySet<SubstanceCode> = new Set([
  'propane',
  'butane',
  'pentane',
  'ammonia',
  'chlorine',
  'sulphur-dioxide',
  'hexane',
  'benzene',
  'styrene',
  'nitrogen-dioxide',
  'hydrogen-cyanide',
  'hydrogen-fluoride',
]);
