import { computeBlockedInRise } from './blocked-in';

/** A liquid as it behaves when it is shut in full and warms: around 20 °C. */
export interface Liquid {
  readonly name: string;
  /** kg/m³. */
  readonly density: number;
  /** Thermal expansion (1/K). */
  readonly expansion: number;
  /** Isothermal compressibility (1/Pa). */
  readonly compressibility: number;
}

/**
 * Liquids of works at about 20 °C. Sources, all from memory and rounded: CRC Handbook of Chemistry and Physics (glycol, ammonia, propane),
 * API MPMS 11.1 and 11.2 (diesel, crude), makers' sheets of mineral hydraulic oils, Perry's Handbook (50 % caustic).
 */
export const LIQUIDS = {
  'glycol-50': {
    name: 'glycol, half water',
    density: 1070,
    expansion: 5e-4,
    compressibility: 3.6e-10,
  },
  diesel: { name: 'diesel', density: 840, expansion: 8.3e-4, compressibility: 6.7e-10 },
  crude: { name: 'crude oil', density: 870, expansion: 9e-4, compressibility: 6.7e-10 },
  'hydraulic-oil': {
    name: 'hydraulic oil',
    density: 870,
    expansion: 7e-4,
    compressibility: 6.2e-10,
  },
  ammonia: { name: 'liquid ammonia', density: 610, expansion: 2.45e-3, compressibility: 1.15e-9 },
  lpg: { name: 'liquid propane (LPG)', density: 500, expansion: 3.2e-3, compressibility: 4.8e-9 },
  'caustic-50': {
    name: '50 % caustic',
    density: 1525,
    expansion: 4.5e-4,
    compressibility: 1.8e-10,
  },
} as const satisfies Readonly<Record<string, Liquid>>;

type Tabled = keyof typeof LIQUIDS;
/** Water is worked out, the others stand in the table. */
export const LIQUID_CODES = ['water', ...Object.keys(LIQUIDS)] as ['water', ...Tabled[]];
export type LiquidCode = (typeof LIQUID_CODES)[number];

export const LIQUID_NAMES = Object.fromEntries(
  Object.entries(LIQUIDS).map(([code, { name }]) => [code, name]),
) as Readonly<Record<Tabled, string>>;

/** The liquid of the table whose pressure rises the most for each kelvin: what is taken where nothing is known. */
export const findWorstLiquid = (): Liquid =>
  Object.values(LIQUIDS).reduce<Liquid>(
    (worst, one) =>
      one.expansion / one.compressibility > worst.expansion / worst.compressibility ? one : worst,
    LIQUIDS.diesel,
  );

/** What a drawing may say of a liquid: which of the table it behaves like, or its own expansion (1/K) and compressibility (1/GPa). */
export interface LiquidSaid {
  readonly fluid?: LiquidCode | undefined;
  readonly expansion_1_k?: number | undefined;
  readonly compressibility_1_gpa?: number | undefined;
}

const PER_GIGAPASCAL = 1e9;

/**
 * The rise (Pa) of a liquid shut in full and rigid and warmed between two temperatures (°C), and as what it was reckoned: by its own
 * coefficients, as the liquid of the table that it is said to behave like, or as the worst of the table. Undefined where the formula of
 * water ends.
 */
export function computeShutInRise(
  { fluid, expansion_1_k: expansion, compressibility_1_gpa: compressibility }: LiquidSaid,
  fromC: number,
  toC: number,
): { readonly pascal: number; readonly as: string } | undefined {
  if (expansion !== undefined && compressibility !== undefined) {
    const pascal = (expansion * (toC - fromC) * PER_GIGAPASCAL) / compressibility;
    return { pascal, as: 'by its own coefficients' };
  }
  if (fluid === 'water') {
    const pascal = computeBlockedInRise(fromC, toC);
    return pascal === undefined ? undefined : { pascal, as: 'as water' };
  }
  const liquid: Liquid = fluid === undefined ? findWorstLiquid() : LIQUIDS[fluid];
  const as =
    fluid === undefined ? `as ${liquid.name}, the worst that is known` : `as ${liquid.name}`;
  return { pascal: (liquid.expansion * (toC - fromC)) / liquid.compressibility, as };
}
