import { refuse, type Refusal } from '../rules/refuse';
import type { GasDetector, GasSensor } from './instrument';
import { BUMP_HOURS, LEAST_OXYGEN_TO_BURN } from './limits';
import { computeSampleTime } from './sampling';
import { SUBSTANCES, type SubstanceCode } from './substances';
import type { ConcentrationUnit } from './concentration';

/** One reading of one gas as an instrument shows it. */
export interface GasReading {
  readonly gas: SubstanceCode;
  readonly shown: number;
  readonly unit: ConcentrationUnit;
}

/** How a sample was taken: by which instrument, through how much hose, from when to when (ISO 8601, UTC), and the bump test before. */
export interface Sampling {
  readonly instrument: string;
  readonly detector: GasDetector;
  /** The last instant at which its calibration is in date (ISO 8601, UTC). */
  readonly calibratedUntil: string;
  readonly hose?: { readonly length_m: number; readonly bore_mm: number } | undefined;
  readonly drawnFrom: string;
  readonly readAt: string;
  readonly bumpedAt: string | undefined;
  /** After how many times the sensor's time to nine tenths a reading counts. */
  readonly t90Times?: number | undefined;
}

/** How far a device's clock may be ahead (s). */
export const CLOCK_AHEAD_S = 30;

/** The sensor of an instrument for a gas: its own, or one whose maker gives a factor for it. */
export const findSensor = ({ sensors }: GasDetector, gas: SubstanceCode): GasSensor | undefined =>
  sensors.find((sensor) => sensor.gas === gas) ??
  sensors.find(({ factors }) => factors?.[gas] !== undefined);

/** What a reading means: what is shown, corrected for the gas that is there instead of the one it is calibrated on. */
export const correctReading = ({ gas, factors }: GasSensor, reading: GasReading): number =>
  reading.gas === gas ? reading.shown : reading.shown * (factors?.[reading.gas] ?? 1);

/** Above its range a sensor may show anything afterwards: the reading counts as over everything until it was in clean air. */
export const isOverRange = ({ most }: GasSensor, { shown }: GasReading): boolean => shown > most;

/** Why an instrument may not be used for a sample now. */
function refuseInstrument(sampling: Sampling, now: string): Refusal[] {
  const { instrument, calibratedUntil, bumpedAt, readAt } = sampling;
  const bumpOver =
    bumpedAt !== undefined &&
    (Date.parse(readAt) - Date.parse(bumpedAt) > BUMP_HOURS * 3_600_000 ||
      Date.parse(bumpedAt) > Date.parse(readAt));
  const isAhead = Date.parse(readAt) > Date.parse(now) + CLOCK_AHEAD_S * 1000;
  return [
    ...(Date.parse(readAt) > Date.parse(calibratedUntil)
      ? [refuse('gas-calibration-over', { instrument, until: calibratedUntil })]
      : []),
    ...(bumpedAt === undefined || bumpOver
      ? [refuse('gas-bump-missing', { instrument, hours: BUMP_HOURS })]
      : []),
    ...(isAhead ? [refuse('gas-in-future', { at: readAt, now })] : []),
  ];
}

/** Why a sample has not been drawn as it has to be: hose without a pump, too long a hose, too short a time. */
function refuseSampling(sampling: Sampling, sensors: readonly GasSensor[]): Refusal[] {
  const { instrument, detector, hose, drawnFrom, readAt } = sampling;
  const { pump } = detector;
  const isDrawn = hose !== undefined && hose.length_m > 0;
  if (isDrawn && !pump) return [refuse('gas-no-pump', { instrument })];
  const drawn = isDrawn && pump ? { ...hose, flow_ml_min: pump.flow_ml_min } : undefined;
  const slowest = Math.max(0, ...sensors.map(({ t90_s }) => t90_s));
  const needed = computeSampleTime(drawn, slowest, sampling.t90Times);
  const taken = (Date.parse(readAt) - Date.parse(drawnFrom)) / 1000;
  const left = Math.ceil(needed - taken);
  return [
    ...(isDrawn && pump && hose.length_m > pump.longestHose_m
      ? [refuse('gas-hose-long', { length: hose.length_m, longest: pump.longestHose_m })]
      : []),
    ...(left > 0 ? [refuse('gas-too-soon', { left, needed: Math.ceil(needed) })] : []),
  ];
}

/** Oxygen of air given as a fraction of 1; what an inerted vessel holds may be below or above it, and is kept. */
const AIR_AS_FRACTION = [0.15, 0.25] as const;

/** Why one reading cannot be: not measured by this instrument, in another unit, below zero, or a fraction taken for a percentage. */
export function refuseReading(
  reading: GasReading,
  { instrument, detector }: Pick<Sampling, 'instrument' | 'detector'>,
): Refusal[] {
  const { gas, shown, unit } = reading;
  const { name } = SUBSTANCES[gas];
  const sensor = findSensor(detector, gas);
  if (!sensor) return [refuse('gas-not-measured', { gas: name, instrument })];
  const isFraction = gas === 'oxygen' && shown >= AIR_AS_FRACTION[0] && shown <= AIR_AS_FRACTION[1];
  return [
    ...(unit === sensor.unit
      ? []
      : [refuse('gas-unit-wrong', { gas: name, unit, shows: sensor.unit })]),
    ...(shown < 0 ? [refuse('gas-below-zero', { gas: name, shown, unit })] : []),
    ...(isFraction ? [refuse('gas-as-fraction', { shown })] : []),
    ...(gas === 'oxygen' && shown > 100 ? [refuse('gas-above-all', { shown, unit })] : []),
  ];
}

/** A flammable reading of a sensor that burns, where there is too little oxygen to burn: it is no reading, whatever it shows. */
function refuseStarved(readings: readonly GasReading[], { detector }: Sampling): Refusal[] {
  const oxygen = readings.find(({ gas }) => gas === 'oxygen');
  const burning = readings.filter(({ gas }) => findSensor(detector, gas)?.kind === 'catalytic');
  if (burning.length === 0) return [];
  if (!oxygen) return [refuse('gas-oxygen-unread')];
  return oxygen.shown < LEAST_OXYGEN_TO_BURN
    ? burning.map(({ gas }) =>
        refuse('gas-oxygen-starved', {
          gas: SUBSTANCES[gas].name,
          oxygen: oxygen.shown,
          least: LEAST_OXYGEN_TO_BURN,
        }),
      )
    : [];
}

/** Every reason why a sample and its readings cannot be believed at `now`. What is only bad news is no reason: see the verdict. */
export function refuseSample(
  sampling: Sampling,
  readings: readonly GasReading[],
  now: string,
): Refusal[] {
  const sensors = readings.flatMap(({ gas }) => findSensor(sampling.detector, gas) ?? []);
  return [
    ...refuseInstrument(sampling, now),
    ...refuseSampling(sampling, sensors),
    ...readings.flatMap((reading) => refuseReading(reading, sampling)),
    ...refuseStarved(readings, sampling),
  ];
}
