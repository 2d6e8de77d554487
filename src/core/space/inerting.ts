/** Ways of making a vessel inert. */
export const INERTING = {
  dilution: 'dilution: gas in at one end, mixture out at the other',
  pressure: 'pressure swings: up with inert gas, and down again',
  vacuum: 'vacuum swings: down with a pump, and filled with inert gas',
  displacement: 'displacement: a front of inert gas pushes the air out',
} as const;

/** Shares of oxygen (of 1): at the start, wanted, and in the inert gas itself. Precondition: own < target < start. */
export interface OxygenShares {
  readonly start: number;
  readonly target: number;
  readonly own: number;
}

/** The two pressures of a swing (Pa absolute). Precondition: 0 < low < high. */
export interface Swing {
  readonly high: number;
  readonly low: number;
}

/** How many powers of e lie between what there is and what is wanted. */
const depthOf = ({ start, target, own }: OxygenShares): number =>
  Math.log((start - own) / (target - own));

/** A little more than a whole number of swings is that number: the figures are not known so finely. */
const TOLERANCE = 1e-9;

/** Oxygen (share of 1) after one swing between two pressures: what was there is thinned by low over high. Source: material balance. */
export const sweepOnce = (share: number, own: number, { high, low }: Swing): number =>
  own + (share - own) * (low / high);

/**
 * Swings until the target is reached, by pressure or by vacuum alike: ln((C0 - Ci) / (C1 - Ci)) / ln(Ph / Pl), rounded up. Source: Crowl and
 * Louvar, chapter 7 (from memory).
 */
export const countSwings = (shares: OxygenShares, { high, low }: Swing): number =>
  Math.max(0, Math.ceil(depthOf(shares) / Math.log(high / low) - TOLERANCE));

/** Inert gas (m³) that dilution takes, with a mixing factor in (0, 1]: V ln((C0 - Ci) / (C1 - Ci)) / K. Source: as above. */
export const computeDilutionGas = (volume: number, shares: OxygenShares, mixing: number): number =>
  (volume * depthOf(shares)) / mixing;

/** Inert gas (m³) that displacement takes: one filling, more where the front is not sharp. Source: practice. */
export const computeDisplacementGas = (volume: number, mixing: number): number => volume / mixing;
