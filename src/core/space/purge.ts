import type { Result } from '../result';

/** What a blower does: blows fresh air in, or draws the air of the space out. */
export const FANS = ['supply', 'extract'] as const;
type Fan = (typeof FANS)[number];

/** A 90° bend takes about this share of a blower's flow. Source: practice. */
export const BEND_LOSS = 0.3;
/** At most so many bends while purging, and while ventilating. Source: practice. */
export const MOST_BENDS = { purge: 1, ventilate: 2 } as const;

/** Where the end of the hose hangs above the floor while purging (m). Source: practice. */
export const HOSE_END_M = [0.3, 0.6] as const;

/** What air reaches the space: the blower's flow (m³/min) after its bends. */
export const computeBlownFlow = (free_m3_min: number, bends: number): number =>
  free_m3_min * (1 - BEND_LOSS) ** bends;

/** A well-stirred space with a blower and perhaps a leak of the gas itself. Flows in m³/min, shares in % vol. */
export interface Mixing {
  readonly volume_m3: number;
  readonly flow_m3_min: number;
  /** What of the flow mixes: 1 is perfect; in (0, 1]. */
  readonly mixing: number;
  readonly fan: Fan;
  readonly leak_m3_min: number;
}

/** What a share of gas tends to for ever, and the flow by which it gets there (m³/min). Only what mixes of the flow carries anything away. */
function settle(
  { flow_m3_min, mixing, leak_m3_min: leak, fan }: Mixing,
  fresh_pct: number,
  leaked_pct: number,
): { readonly end_pct: number; readonly through_m3_min: number } {
  const mixes = mixing * flow_m3_min;
  // A fan that draws less than leaks in draws nothing fresh.
  const fresh = fan === 'supply' ? mixes : Math.max(0, mixes - leak);
  const through = fresh + leak;
  return {
    end_pct: (fresh * fresh_pct + leak * leaked_pct) / through,
    through_m3_min: through,
  };
}

/** A target that is never reached, with the flow (m³/min) that would just not reach it either: more is needed. */
export interface Never {
  readonly least_m3_min: number;
}

const minutesTo = (
  { volume_m3 }: Mixing,
  through: number,
  [from, to, end]: readonly [number, number, number],
): number => (volume_m3 / through) * Math.log((from - end) / (to - end));

/**
 * How long the air is blown until a gas is down from `start_pct` to `target_pct` (min): V / (K·Q + G) · ln((C0 - C∞) / (Ct - C∞)), with C∞ = G / (K·Q + G) for a
 * leak G blown on by a supply fan, G / (K·Q) under an extract fan; a target at or below that is never reached. Source: well-mixed dilution (ACGIH Industrial
 * Ventilation, from memory). Preconditions: flows and volume above 0, mixing in (0, 1], target above the fresh air's share.
 */
export function computeDilution(
  mixing: Mixing,
  {
    start_pct,
    target_pct,
    fresh_pct = 0,
  }: { start_pct: number; target_pct: number; fresh_pct?: number },
): Result<number, Never> {
  if (start_pct <= target_pct) return { ok: true, value: 0 };
  const { leak_m3_min: leak, fan } = mixing;
  const { end_pct, through_m3_min } = settle(mixing, fresh_pct, 100);
  const mixed =
    fan === 'supply'
      ? (leak * (100 - target_pct)) / (target_pct - fresh_pct)
      : (leak * (100 - fresh_pct)) / (target_pct - fresh_pct);
  const least = mixed / mixing.mixing;
  if (end_pct >= target_pct) return { ok: false, problems: [{ least_m3_min: least }] };
  return { ok: true, value: minutesTo(mixing, through_m3_min, [start_pct, target_pct, end_pct]) };
}

/**
 * How long until oxygen is up from `start_pct` to `target_pct` (min), while an inert gas leaks in; and what it tends to. Supply and extract
 * differ: drawing out sucks the leak's share from the fresh air, blowing in adds to it. Start oxygen is an input, never assumed.
 */
export function computeOxygen(
  mixing: Mixing,
  {
    start_pct,
    target_pct,
    fresh_pct,
  }: { start_pct: number; target_pct: number; fresh_pct: number },
): { readonly end_pct: number; readonly minutes: Result<number, Never> } {
  const { leak_m3_min: leak, fan } = mixing;
  const { end_pct, through_m3_min } = settle(mixing, fresh_pct, 0);
  const mixed =
    fan === 'supply'
      ? (leak * target_pct) / (fresh_pct - target_pct)
      : (leak * fresh_pct) / (fresh_pct - target_pct);
  const least = mixed / mixing.mixing;
  if (start_pct >= target_pct && end_pct >= target_pct)
    return { end_pct, minutes: { ok: true, value: 0 } };
  if (end_pct <= target_pct) {
    return { end_pct, minutes: { ok: false, problems: [{ least_m3_min: least }] } };
  }
  const minutes = minutesTo(mixing, through_m3_min, [start_pct, target_pct, end_pct]);
  return { end_pct, minutes: { ok: true, value: minutes } };
}

/**
 * How long until enriched oxygen is down from `start_pct` to `most_pct` (min), while none of it leaks in any more. 0 when it is there
 * already. Preconditions: `most_pct` above the fresh air's share.
 */
export function computeEnriched(
  mixing: Mixing,
  {
    start_pct,
    most_pct,
    fresh_pct,
  }: { readonly start_pct: number; readonly most_pct: number; readonly fresh_pct: number },
): number {
  if (start_pct <= most_pct) return 0;
  const through = mixing.mixing * mixing.flow_m3_min;
  return minutesTo(mixing, through, [start_pct, most_pct, fresh_pct]);
}

/** The most oxygen (% vol) that air with so much of another gas in it can hold, and how far an instrument may be off. */
const OXYGEN_OF_AIR = 20.95;
const INSTRUMENT_OFF = 1;

/**
 * Whether gas and oxygen (% vol) can stand in one space together: both at most the whole, and where oxygen is no more than fresh air has,
 * at most what the rest of the air holds.
 */
export function canStandTogether(gas_pct: number, oxygen_pct: number): boolean {
  if (gas_pct + oxygen_pct > 100) return false;
  const held = ((100 - gas_pct) * OXYGEN_OF_AIR) / 100;
  return oxygen_pct > OXYGEN_OF_AIR + INSTRUMENT_OFF || oxygen_pct <= held + INSTRUMENT_OFF;
}

/** Air changes (per hour) that a flow (m³/min) gives a volume (m³). */
export const computeAirChanges = (volume_m3: number, flow_m3_min: number): number =>
  (60 * flow_m3_min) / volume_m3;

/** What has to be blown in while people are inside (m³/min, before the bends), for so many changes an hour. */
export const computeVentilation = (volume_m3: number, changes_h: number, bends: number): number =>
  (volume_m3 * changes_h) / 60 / (1 - BEND_LOSS) ** bends;

/** The field rule: 20 min, and 10 min for each further chimney. Source: practice. */
export const computeFieldRule = (chimneys: number): number => 20 + 10 * Math.max(0, chimneys - 1);

/** A row of the site's chart: spaces up to so many m³ are purged for so many minutes. */
export interface ChartRow {
  readonly upTo_m3: number;
  readonly minutes: number;
}

/** Reads the chart as the site has written it: `m³=min`, smallest first. */
export const readChart = (rows: readonly string[]): ChartRow[] =>
  rows.map((row) => {
    const [upTo_m3 = NaN, minutes = NaN] = row.split('=').map(Number);
    return { upTo_m3, minutes };
  });

/** Minutes by the chart; a larger space than its last row takes that row's time for each time that it would be filled. */
export function lookUpChart(chart: readonly ChartRow[], volume_m3: number): number {
  const row = chart.find(({ upTo_m3 }) => volume_m3 <= upTo_m3);
  if (row) return row.minutes;
  const last = chart.at(-1);
  return last ? last.minutes * Math.ceil(volume_m3 / last.upTo_m3) : 0;
}
