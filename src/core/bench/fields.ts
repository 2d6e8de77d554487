import {
  absolutePascalOrThrow,
  gaugePascalOrThrow,
  toAbsolute,
  type AbsolutePascal,
} from '../units';
import { InputFault, number } from './define';

/** Fields that several calculations share. */
export const ATMOSPHERE = number(
  'Atmosphere (absolute)',
  'Pa',
  'absolute-pressure',
  'bar',
  1.01325,
  { atLeast: 30_000, atMost: 120_000 },
);
export const HEAT_RATIO = number('Ratio of specific heats', 'k', 'ratio', '1', 1.4, {
  atLeast: 1,
  atMost: 1.7,
});
export const MOLAR_MASS = number('Molar mass', 'M', 'molar-mass', 'g/mol', 28.96, {
  atLeast: 0.002,
  atMost: 0.4,
});
export const BLEED_SIZE = number('Free bore of the opening', 'd', 'length', 'mm', 15, {
  above: 0,
  atMost: 2,
});
export const COEFFICIENT = number('Discharge coefficient', 'Cd', 'ratio', '1', 0.62, {
  above: 0,
  atMost: 1,
});
/** Beyond this (300 bar) a gas is no ideal one by a tenth and more, and the formulas err. Source: compressibility charts (practice). */
export const IDEAL = { atMost: 3e7 } as const;
export const POSITIVE = { above: 0 } as const;
export const NOT_NEGATIVE = { atLeast: 0 } as const;

export const areaOf = (bore: number): number => (Math.PI * bore * bore) / 4;

/** The absolute pressure behind a gauge pressure; a fault of the named field when it is below vacuum. */
export function absoluteOf(gauge: number, atmosphere: number, field: string): AbsolutePascal {
  const absolute = toAbsolute(gaugePascalOrThrow(gauge), absolutePascalOrThrow(atmosphere));
  if (absolute === undefined) {
    throw new InputFault(field, 'this is below vacuum: no pressure is lower than zero absolute');
  }
  return absolute;
}
