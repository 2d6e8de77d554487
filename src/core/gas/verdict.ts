import { convertConcentration, type ConcentrationUnit } from './concentration';
import { computeExposure } from './mixture';
import { correctReading, findSensor, isOverRange, type GasReading } from './reading';
import type { GasDetector } from './instrument';
import {
  findExposureLimit,
  substanceOf,
  SUBSTANCES,
  type ExposureSchool,
  type LflBasis,
  type SubstanceCode,
} from './substances';

/** What the air has to be fit for. */
export const AIR_USES = ['entry', 'hot-work'] as const;
export type AirUse = (typeof AIR_USES)[number];
export const AIR_USE_WORDS: Readonly<Record<AirUse, string>> = {
  entry: 'entry',
  'hot-work': 'hot work',
};

/** The limits of the site for a use of the air. */
export interface AirLimits {
  readonly oxygenLeast: number;
  readonly oxygenMost: number;
  /** The most of the lower flammable limit (%), and which standard gives that limit. */
  readonly lflMost: number;
  readonly lflBasis: LflBasis;
  /** The most of the exposure limits, one poison or several together (%). */
  readonly exposureMost: number;
  readonly exposureSchool: ExposureSchool;
}

/** What one gas comes to beside its limit. */
export interface AirLine {
  readonly gas: SubstanceCode | 'flammables together' | 'poisons together';
  /** In the unit of its limit. */
  readonly value: number;
  readonly unit: '%vol' | '%LFL' | 'ppm' | '%';
  readonly limit: string;
  /** The most that is allowed, where there is one figure for it. */
  readonly most?: number;
  readonly basis: string;
  readonly isFit: boolean;
  /** Above its range a sensor does not say how much. */
  readonly isOver?: true;
}

/** Whether the air is fit, line by line. */
export interface AirVerdict {
  readonly isFit: boolean;
  readonly lines: readonly AirLine[];
}

const OSHA_AIR = '29 CFR 1910.146(b), hazardous atmosphere; site limit where stricter';
const TOGETHER = '29 CFR 1910.1000(d)(2)(i)';

/** A reading in the unit of its limit, corrected for the gas that is there. */
interface Measured {
  readonly gas: SubstanceCode;
  readonly isOver: boolean;
  readonly in: (unit: '%vol' | '%LFL' | 'ppm') => number | undefined;
}

function measure(reading: GasReading, detector: GasDetector, basis: LflBasis): Measured {
  const { gas, unit } = reading;
  const sensor = findSensor(detector, gas);
  const value = sensor ? correctReading(sensor, reading) : reading.shown;
  return {
    gas,
    isOver: sensor !== undefined && isOverRange(sensor, reading),
    in: (into) => convertConcentration(value, unit, into, gas, basis),
  };
}

const over = ({ isOver }: Measured) => (isOver ? { isOver: true as const } : {});

function judgeOxygen(measured: Measured, limits: AirLimits): AirLine {
  const value = measured.in('%vol') ?? 0;
  const { oxygenLeast, oxygenMost } = limits;
  return {
    gas: 'oxygen',
    value,
    unit: '%vol',
    limit: `${oxygenLeast} to ${oxygenMost} % vol`,
    basis: OSHA_AIR,
    isFit: !measured.isOver && value >= oxygenLeast && value <= oxygenMost,
    ...over(measured),
  };
}

function judgeFlammable(measured: Measured, { lflMost, lflBasis }: AirLimits): AirLine[] {
  const value = measured.in('%LFL');
  if (value === undefined) return [];
  return [
    {
      gas: measured.gas,
      value,
      unit: '%LFL',
      limit: `below ${lflMost} % LFL`,
      most: lflMost,
      basis: `${OSHA_AIR}; LFL by ${lflBasis === 'iec' ? 'IEC 60079-20-1' : 'NFPA 325'}`,
      isFit: !measured.isOver && value < lflMost,
      ...over(measured),
    },
  ];
}

function judgePoison(measured: Measured, { exposureMost, exposureSchool }: AirLimits): AirLine[] {
  const limit = findExposureLimit(measured.gas, exposureSchool);
  const value = measured.in('ppm');
  if (limit === undefined || value === undefined) return [];
  const most = (limit.ppm * exposureMost) / 100;
  return [
    {
      gas: measured.gas,
      value,
      unit: 'ppm',
      limit: `at most ${most} ppm`,
      most,
      basis: `${limit.basis}, ${exposureMost} % of it`,
      isFit: !measured.isOver && value <= most,
      ...over(measured),
    },
  ];
}

/** Flammables and poisons that are each within their limits may not be together. */
function judgeTogether(all: readonly Measured[], limits: AirLimits): AirLine[] {
  const shares = all.flatMap((one) => one.in('%LFL') ?? []);
  const poisons = all.flatMap((one) => {
    const limit = findExposureLimit(one.gas, limits.exposureSchool);
    const ppm = one.in('ppm');
    return limit === undefined || ppm === undefined ? [] : [{ ppm, limit_ppm: limit.ppm }];
  });
  // By Le Chatelier the shares of the limits add up.
  const share = shares.reduce((sum, one) => sum + one, 0);
  const exposure = computeExposure(poisons) * 100;
  return [
    ...(shares.length > 1
      ? [
          {
            gas: 'flammables together' as const,
            value: share,
            unit: '%LFL' as const,
            limit: `below ${limits.lflMost} % LFL`,
            most: limits.lflMost,
            basis: 'Le Chatelier; an estimate',
            isFit: share < limits.lflMost,
          },
        ]
      : []),
    ...(poisons.length > 1
      ? [
          {
            gas: 'poisons together' as const,
            value: exposure,
            unit: '%' as const,
            limit: `at most ${limits.exposureMost} % of their limits`,
            most: limits.exposureMost,
            basis: TOGETHER,
            isFit: exposure <= limits.exposureMost,
          },
        ]
      : []),
  ];
}

/** The limits of a gas in the unit in which it is shown, as lines across its chart; empty where it has none in that unit. */
export function listLimits(
  gas: SubstanceCode,
  unit: ConcentrationUnit,
  { oxygenLeast, oxygenMost, lflMost, lflBasis, exposureMost, exposureSchool }: AirLimits,
): number[] {
  if (gas === 'oxygen') return unit === '%vol' ? [oxygenLeast, oxygenMost] : [];
  const poison = findExposureLimit(gas, exposureSchool)?.ppm;
  const shown = [
    ...(substanceOf(gas).lfl ? [convertConcentration(lflMost, '%LFL', unit, gas, lflBasis)] : []),
    ...(poison === undefined
      ? []
      : [convertConcentration((poison * exposureMost) / 100, 'ppm', unit, gas, lflBasis)]),
  ];
  return shown.flatMap((one) => one ?? []);
}

/** Judges the readings of one sample: each gas by its limit, and flammables and poisons together. */
export function judgeAir(
  readings: readonly GasReading[],
  detector: GasDetector,
  limits: AirLimits,
): AirVerdict {
  const all = readings.map((reading) => measure(reading, detector, limits.lflBasis));
  const lines = [
    ...all.flatMap((one) =>
      one.gas === 'oxygen'
        ? [judgeOxygen(one, limits)]
        : [...judgeFlammable(one, limits), ...judgePoison(one, limits)],
    ),
    ...judgeTogether(all, limits),
  ];
  return { isFit: lines.length > 0 && lines.every(({ isFit }) => isFit), lines };
}

/**
 * What of the readings of a detector is not fit, to raise an alarm by. A reading in another unit than the sensor shows is taken both as it
 * is written and as the sensor shows it: nobody knows which of them is wrong.
 */
export function listUnfit(
  readings: readonly GasReading[],
  detector: GasDetector,
  limits: AirLimits,
): AirLine[] {
  const asShown = readings.map((reading) => ({
    ...reading,
    unit: findSensor(detector, reading.gas)?.unit ?? reading.unit,
  }));
  const ways = asShown.some(({ unit }, n) => unit !== readings[n]?.unit)
    ? [readings, asShown]
    : [readings];
  const lines = ways.flatMap((one) => judgeAir(one, detector, limits).lines);
  return lines.filter(({ isFit }) => !isFit);
}

/** One line in words: the gas, the value, the limit and its basis. */
export function describeLine({ gas, value, unit, limit, basis, isOver }: AirLine): string {
  const name = gas in SUBSTANCES ? SUBSTANCES[gas as SubstanceCode].name : gas;
  const shown = isOver ? 'over range' : `${Number(value.toPrecision(3))} ${unit}`;
  return `${name} ${shown}, limit ${limit} (${basis})`;
}

/** From this share of its limit on a value that is fit is said to be near it. Source: practice. */
const NEAR = 0.8;

/** How near a value that is fit is to its limit (%); undefined when it is not near, not fit, or has no single limit. */
export function findNearness({ value, isFit, most }: AirLine): number | undefined {
  const share = most === undefined ? 0 : value / most;
  return isFit && share >= NEAR ? Math.round(share * 100) : undefined;
}
