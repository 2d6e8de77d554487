import { MOST_TIERED, type ScaledDistance } from '../energy/gas';
import {
  absolutePascalOrThrow,
  gaugePascalOrThrow,
  toAbsolute,
  type AbsolutePascal,
} from '../units';
import { bySite, choice, InputFault, number } from './define';

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

/** Oxygen of air as it is measured or counted (share of 1). */
export const OXYGEN_SHARE = { above: 0, atMost: 0.25 } as const;
export const START_OXYGEN = bySite(
  number('Oxygen at the start', 'C0', 'ratio', '%', 20.9, OXYGEN_SHARE),
  'oxygen-fresh',
);
export const LEAST_OXYGEN = bySite(
  number('Least that may be breathed', 'Cl', 'ratio', '%', 20, { atLeast: 0.195, below: 0.235 }),
  'oxygen-least',
);

/** What a distance is to prevent. */
export const PREVENTS = choice(
  'What the distance is to prevent',
  {
    'glass-breakage': 'broken windows (r = 20)',
    'eardrum-rupture': 'burst eardrums (r = 12)',
    'lung-damage': 'lung damage (r = 6)',
    fatality: 'death (r = 2)',
  } satisfies Record<ScaledDistance, string>,
  'glass-breakage',
);

/** What is said of a distance where the tiers have ended. */
export const sayBeyondTiers = (energy: number): string[] =>
  energy > MOST_TIERED
    ? ['Above 271 MJ the article gives no tier: the scaled distance alone stands.']
    : [];

/** The rows of a table by their names, for a choice. */
export const namesOf = <Id extends string>(
  table: Readonly<Record<Id, { readonly name: string }>>,
): Record<Id, string> =>
  Object.fromEntries(
    Object.entries<{ readonly name: string }>(table).map(([id, { name }]) => [id, name]),
  ) as Record<Id, string>;

export const areaOf = (bore: number): number => (Math.PI * bore * bore) / 4;

/** The absolute pressure behind a gauge pressure; a fault of the named field when it is below vacuum. */
export function absoluteOf(gauge: number, atmosphere: number, field: string): AbsolutePascal {
  const absolute = toAbsolute(gaugePascalOrThrow(gauge), absolutePascalOrThrow(atmosphere));
  if (absolute === undefined) {
    throw new InputFault(field, 'this is below vacuum: no pressure is lower than zero absolute');
  }
  return absolute;
}
