import { densityBesideAir, type SubstanceCode } from './substances';

/** Where in a space a sample is taken. */
export const LEVELS = ['top', 'middle', 'bottom'] as const;
export type Level = (typeof LEVELS)[number];

/** Between these a gas is about as heavy as air and may be anywhere (practice). */
const LIGHT = 0.8;
const HEAVY = 1.2;
/** About as heavy as air by the figures, and yet found lying at the bottom. */
const LIES_LOW: readonly SubstanceCode[] = ['hydrogen-sulphide'];

/**
 * The levels at which a gas gathers first: light ones at the top, heavy ones at the bottom, others anywhere; with the reason. In a space
 * that is entered all three are tested whatever the gas (29 CFR 1910.146, practice).
 */
export function findLevels(gas: SubstanceCode): {
  readonly levels: readonly Level[];
  readonly why: string;
} {
  const density = densityBesideAir(gas);
  const words = `${density.toFixed(2)} times as heavy as air`;
  if (density < LIGHT) return { levels: ['top'], why: words };
  if (LIES_LOW.includes(gas)) {
    return { levels: ['middle', 'bottom'], why: `${words}, and lies low in still air` };
  }
  if (density > HEAVY) return { levels: ['bottom'], why: words };
  return { levels: [...LEVELS], why: words };
}
