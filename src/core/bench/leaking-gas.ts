import { findExposureLimit, SUBSTANCES, substanceOf, type SubstanceCode } from '../gas/substances';
import { writeFigure } from '../units';
import { choice } from './define';
import { namesOf } from './fields';

const others = Object.fromEntries(
  Object.entries(SUBSTANCES).filter(([code]) => code !== 'oxygen' && code !== 'nitrogen'),
) as Omit<typeof SUBSTANCES, 'oxygen' | 'nitrogen'>;

/** The gas that comes into the air, for a choice: what only takes the oxygen away first, then everything that poisons or burns as well. */
export const LEAKING_GAS = choice(
  'Gas',
  {
    nitrogen: 'nitrogen, argon or another that only takes the oxygen away',
    ...namesOf(others),
  } satisfies Record<Exclude<SubstanceCode, 'oxygen'>, string>,
  'nitrogen',
);
export type LeakingGas = Exclude<SubstanceCode, 'oxygen'>;

/** The share of the lower flammable limit from which nobody stays. Source: 29 CFR 1910.146(b). */
const LFL_SHARE = 0.1;

/** How much of a gas itself drives people out, and why. */
export interface OwnLimit {
  /** Share of the air (of 1). */
  readonly share: number;
  readonly words: string;
}

/** The least of a gas that drives people out before the oxygen does: its exposure limit, or a tenth of what burns; undefined where neither is known. */
export function findOwnLimit(gas: LeakingGas): OwnLimit | undefined {
  const poison = findExposureLimit(gas, 'strictest');
  const { lfl } = substanceOf(gas);
  const limits = [
    ...(poison
      ? [
          {
            share: poison.ppm / 1e6,
            words: `its exposure limit of ${poison.ppm} ppm (${poison.basis})`,
          },
        ]
      : []),
    ...(lfl
      ? [
          {
            share: (Math.min(lfl.iec, lfl.nfpa) / 100) * LFL_SHARE,
            words: `a tenth of what burns, ${writeFigure(Math.min(lfl.iec, lfl.nfpa) * LFL_SHARE)} % vol`,
          },
        ]
      : []),
  ];
  return limits.toSorted((a, b) => a.share - b.share)[0];
}
