/** Whose table of distances is read. */
export const APPROACH_TABLES = ['en', 'osha'] as const;
export type ApproachTable = (typeof APPROACH_TABLES)[number];
/** A table, or at each voltage the larger distance of both. */
export type ApproachRule = ApproachTable | 'strictest';

/** Distances (m) for one voltage: nobody comes nearer than `nearest` without working live; others stay `outer` away. */
export interface Approach {
  /** Undefined where the table says only that nothing may be touched. */
  readonly nearest: number | undefined;
  readonly outer: number;
}

interface Row extends Approach {
  /** Most voltage between phases (V, effective) that the row covers. */
  readonly upTo: number;
}

/** Outer limit of the live zone and of the vicinity, by nominal voltage. Source: EN 50110-1:2013, Table A.1 (from memory). */
const EN_ROWS: readonly Row[] = (
  [
    [1, undefined, 0.3],
    [3, 0.06, 1.12],
    [6, 0.09, 1.12],
    [10, 0.12, 1.15],
    [15, 0.16, 1.16],
    [20, 0.22, 1.22],
    [30, 0.32, 1.32],
    [36, 0.38, 1.38],
    [45, 0.48, 1.48],
    [60, 0.63, 1.63],
    [70, 0.75, 1.75],
    [110, 1, 2],
    [132, 1.1, 3],
    [150, 1.2, 3],
    [220, 1.6, 3],
    [275, 1.9, 4],
    [380, 2.5, 4],
    [480, 3.2, 6.1],
    [700, 5.3, 8.4],
  ] as const
).map(([kilovolts, nearest, outer]) => ({ upTo: kilovolts * 1000, nearest, outer }));

/** Unqualified people stay 10 ft away up to 50 kV, and 4 in more for each 10 kV above. Source: 29 CFR 1910.333(c)(3)(i)(A). */
const UNQUALIFIED = { metres: 3.05, upTo: 50_000, more: 0.1, each: 10_000 } as const;

const unqualified = (volts: number): number =>
  UNQUALIFIED.metres +
  UNQUALIFIED.more * Math.max(0, Math.ceil((volts - UNQUALIFIED.upTo) / UNQUALIFIED.each));

/** How near qualified people may come to alternating voltages. Source: 29 CFR 1910.333(c)(3)(ii), Table S-5. */
const OSHA_ROWS: readonly (readonly [upTo: number, nearest: number | undefined])[] = [
  [300, undefined],
  [750, 0.305],
  [2000, 0.46],
  [15_000, 0.61],
  [37_000, 0.91],
  [87_500, 1.07],
  [121_000, 1.22],
  [140_000, 1.37],
];

function findIn(table: ApproachTable, volts: number): Approach | undefined {
  if (table === 'en') return EN_ROWS.find(({ upTo }) => volts <= upTo);
  const row = OSHA_ROWS.find(([upTo]) => volts <= upTo);
  return row && { nearest: row[1], outer: unqualified(volts) };
}

/**
 * Distances (m) to be kept from bare live parts of an alternating voltage (V, effective, between phases). A voltage between two rows takes the
 * higher row. Undefined above the last row, or the last of one of both tables: nothing covers it, and the last row never stands in for it.
 */
export function findApproach(rule: ApproachRule, volts: number): Approach | undefined {
  if (rule !== 'strictest') return findIn(rule, volts);
  const en = findIn('en', volts);
  const osha = findIn('osha', volts);
  if (!en || !osha) return undefined;
  const nearest = Math.max(en.nearest ?? 0, osha.nearest ?? 0);
  return {
    nearest: nearest === 0 ? undefined : nearest,
    outer: Math.max(en.outer, osha.outer),
  };
}

/** The voltages (V) at which the rows of a table end, lowest first; of both together, as far as both go. */
export const listApproachRows = (rule: ApproachRule): readonly number[] => {
  const ends = {
    en: EN_ROWS.map(({ upTo }) => upTo),
    osha: OSHA_ROWS.map(([upTo]) => upTo),
  };
  if (rule !== 'strictest') return ends[rule];
  const most = Math.min(...APPROACH_TABLES.map((table) => ends[table].at(-1) ?? 0));
  return [...ends.en, ...ends.osha].filter((upTo) => upTo <= most).toSorted((a, b) => a - b);
};
