import {
  findExposureLimit,
  substanceOf,
  type ExposureSchool,
  type LflBasis,
  type SubstanceCode,
} from '../gas/substances';
import { refuse, type Refusal } from '../rules/refuse';
import { computeTimeToOxygen } from './inert';
import {
  computeAirChanges,
  canStandTogether,
  computeBlownFlow,
  computeDilution,
  computeEnriched,
  computeFieldRule,
  computeOxygen,
  computeVentilation,
  lookUpChart,
  MOST_BENDS,
  type ChartRow,
  type FANS,
  type Mixing,
} from './purge';

/** What a purge is planned from. Shares in % vol, flows in m³/min. */
export interface PurgeNeeds {
  readonly volume_m3: number;
  /** The blower's flow without hose. */
  readonly blower_m3_min: number;
  readonly bends: number;
  readonly fan: (typeof FANS)[number];
  readonly mixing: number;
  /** Openings through which the air leaves. */
  readonly chimneys: number;
  /** The gas to be blown out, and how much of it there is. */
  readonly gas: SubstanceCode;
  readonly start_pct: number;
  readonly oxygen_pct: number;
  /** What still leaks in of that gas. */
  readonly leak_m3_min: number;
}

/** What the purge has to reach. */
export interface PurgeLimits {
  readonly chart: readonly ChartRow[];
  /** Flammables below so much of the LFL (%), by which standard; oxygen at least (% vol). */
  readonly lflMost: number;
  readonly lflBasis: LflBasis;
  /** Whose limits of exposure keep people out. */
  readonly exposureSchool: ExposureSchool;
  readonly oxygenLeast: number;
  readonly oxygenMost: number;
  readonly oxygenFresh: number;
  /** Air changes while people are inside (per hour). */
  readonly changesLeast_h: number;
}

/** One way to a time, with what it rests on. */
export interface PurgeWay {
  readonly kind: 'gas' | 'oxygen' | 'chart' | 'field';
  readonly minutes: number;
  readonly says: string;
}

/** How long a space is purged: the longest of the ways, and which. */
export interface PurgePlan {
  readonly minutes: number;
  readonly longest: PurgeWay;
  readonly ways: readonly PurgeWay[];
  readonly flow_m3_min: number;
  readonly airChanges_h: number;
  /** What the blower has to give while people are inside (m³/min), and whether this one does, with its bends. */
  readonly occupied_m3_min: number;
  readonly isEnoughOccupied: boolean;
  /** What oxygen tends to with the leak (% vol). */
  readonly oxygenEnd_pct: number;
  /** How long (min) the air stays fit for people once the blower stops, by the leak alone; undefined without a leak. */
  readonly fitWithout_min: number | undefined;
}

/** The least of a gas (% vol) that keeps people out: by its flammable limit, and what is poison by its ppm; undefined for what is neither. */
function refusedFrom(
  gas: SubstanceCode,
  { lflMost, lflBasis, exposureSchool }: PurgeLimits,
): number | undefined {
  const { lfl } = substanceOf(gas);
  const poison = findExposureLimit(gas, exposureSchool);
  const limits = [
    ...(lfl ? [(lfl[lflBasis] * lflMost) / 100] : []),
    ...(poison ? [poison.ppm / 10_000] : []),
  ];
  return limits.length === 0 ? undefined : Math.min(...limits);
}

/** The most of a gas that may be left (% vol): half of what would be refused, so that a test can pass. */
function targetOf(gas: SubstanceCode, limits: PurgeLimits): number | undefined {
  const refused = refusedFrom(gas, limits);
  return refused === undefined ? undefined : refused / 2;
}

/** How long (min) air that is fresh stays fit for people once the blower has stopped: until oxygen or the gas itself keeps them out. */
function computeFitWithout(
  { volume_m3, leak_m3_min, gas }: PurgeNeeds,
  limits: PurgeLimits,
): number | undefined {
  if (leak_m3_min === 0) return undefined;
  // Whatever leaks in pushes air out, and thins what is left of the fresh air's share in the same measure.
  const space = { volume: volume_m3, leak: leak_m3_min, fresh: 0 };
  const until = (fresh: number, least: number) =>
    computeTimeToOxygen(space, fresh, fresh, least) ?? Infinity;
  const refused = refusedFrom(gas, limits);
  const byOxygen = gas === 'oxygen' ? Infinity : until(limits.oxygenFresh, limits.oxygenLeast);
  const byGas = refused === undefined ? Infinity : until(100, 100 - refused);
  const shortest = Math.min(byOxygen, byGas);
  return shortest === Infinity ? undefined : shortest;
}

const never = (what: string, least_m3_min: number, flow_m3_min: number): Refusal =>
  refuse('purge-never', {
    what,
    flow: flow_m3_min.toFixed(1),
    least: least_m3_min.toFixed(1),
  });

/**
 * Plans a purge: the dilution sum for the gas, the one for oxygen, the site's chart and the field rule side by side; the longest counts.
 * Refuses too many bends and a target that the flow never reaches. A time proves nothing: the test after it does.
 */
export function planPurge(
  needs: PurgeNeeds,
  limits: PurgeLimits,
): { readonly plan?: PurgePlan; readonly refusals: readonly Refusal[] } {
  const { volume_m3, blower_m3_min, bends, fan, mixing, chimneys, gas, leak_m3_min } = needs;
  const flow = computeBlownFlow(blower_m3_min, bends);
  const mix: Mixing = { volume_m3, flow_m3_min: flow, mixing, fan, leak_m3_min };
  const target = targetOf(gas, limits);
  const { start_pct, oxygen_pct } = needs;
  const dilution =
    target === undefined ? undefined : computeDilution(mix, { start_pct, target_pct: target });
  const oxygen = computeOxygen(mix, {
    start_pct: oxygen_pct,
    target_pct: limits.oxygenLeast,
    fresh_pct: limits.oxygenFresh,
  });
  const { oxygenLeast, oxygenMost, oxygenFresh } = limits;
  if (oxygenFresh <= oxygenLeast || oxygenFresh >= oxygenMost) {
    const facts = { fresh: oxygenFresh, least: oxygenLeast, most: oxygenMost };
    return { refusals: [refuse('purge-fresh-unfit', facts)] };
  }
  if (!canStandTogether(start_pct, oxygen_pct)) {
    const facts = { gas, start: start_pct, oxygen: oxygen_pct };
    return { refusals: [refuse('purge-impossible', facts)] };
  }
  // Half of the way from fresh air to the limit, so that the test after it can pass.
  const enrichedTo = (oxygenFresh + oxygenMost) / 2;
  const enriched = computeEnriched(mix, {
    start_pct: oxygen_pct,
    most_pct: oxygen_pct > oxygenMost ? enrichedTo : oxygenMost,
    fresh_pct: oxygenFresh,
  });
  const refusals = [
    ...(bends > MOST_BENDS.purge ? [refuse('purge-bends', { bends, most: MOST_BENDS.purge })] : []),
    ...(dilution && !dilution.ok
      ? [never(gas, dilution.problems[0]?.least_m3_min ?? 0, flow)]
      : []),
    ...(oxygen.minutes.ok
      ? []
      : [never('oxygen', oxygen.minutes.problems[0]?.least_m3_min ?? 0, flow)]),
  ];
  if (refusals.length > 0 || !oxygen.minutes.ok || (dilution && !dilution.ok)) return { refusals };
  const ways: PurgeWay[] = [
    ...(dilution && target !== undefined
      ? [
          {
            kind: 'gas' as const,
            minutes: dilution.value,
            says: `${gas} from ${start_pct} to ${Number(target.toPrecision(2))} % vol`,
          },
        ]
      : []),
    {
      kind: 'oxygen',
      minutes: Math.max(oxygen.minutes.value, enriched),
      says:
        enriched > 0
          ? `enriched oxygen from ${oxygen_pct} to ${Number(enrichedTo.toPrecision(3))} % vol`
          : `oxygen from ${oxygen_pct} to ${oxygenLeast} % vol`,
    },
    { kind: 'chart', minutes: lookUpChart(limits.chart, volume_m3), says: 'the site’s chart' },
    {
      kind: 'field',
      minutes: computeFieldRule(chimneys),
      says: `20 min, and 10 min for each further chimney (${chimneys})`,
    },
  ];
  const occupied = computeVentilation(volume_m3, limits.changesLeast_h, bends);
  const longest = ways.reduce((a, b) => (b.minutes > a.minutes ? b : a));
  return {
    plan: {
      minutes: Math.ceil(longest.minutes),
      longest,
      ways,
      flow_m3_min: flow,
      airChanges_h: computeAirChanges(volume_m3, flow),
      occupied_m3_min: occupied,
      isEnoughOccupied: blower_m3_min >= occupied,
      oxygenEnd_pct: oxygen.end_pct,
      fitWithout_min: computeFitWithout(needs, limits),
    },
    refusals: [],
  };
}
