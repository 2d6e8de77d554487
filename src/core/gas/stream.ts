import { z } from 'zod';
import { refuse, type Refusal } from '../rules/refuse';
import { CONCENTRATION_UNITS } from './concentration';
import type { GasDetector } from './instrument';
import { CLOCK_AHEAD_S, refuseReading } from './reading';
import { SUBSTANCE_CODES } from './substances';

/** Beyond this a device's clock is not corrected but refused (s): its readings would stand at another hour. */
export const MOST_DRIFT_S = 300;

/** What a device sends: its own clock as it sends, and readings, each with the device's running number. */
export const gasBatchSchema = z.strictObject({
  device: z.string().min(1).max(80),
  /** The device's clock at the moment of sending. */
  clock: z.iso.datetime(),
  readings: z
    .array(
      z.strictObject({
        number: z.int().min(0).max(1e12),
        at: z.iso.datetime(),
        gas: z.enum(SUBSTANCE_CODES),
        shown: z.number().min(-1000).max(1_000_000),
        unit: z.enum(CONCENTRATION_UNITS),
      }),
    )
    .min(1)
    .max(5000),
});
export type GasBatch = z.infer<typeof gasBatchSchema>;

/** A reading in the site's time (ISO 8601, UTC). */
export type StreamedReading = GasBatch['readings'][number];

const looseReading = z.object({
  gas: z.enum(SUBSTANCE_CODES),
  shown: z.number(),
  unit: z.enum(CONCENTRATION_UNITS),
});
const looseBatch = z.object({ readings: z.array(z.unknown()).max(50_000) });

/**
 * What can still be read of a batch that does not fit the form, to hear bad news in it; its times are not believed. Empty when nothing
 * in it is a reading.
 */
export function salvageReadings(
  document: unknown,
): Pick<StreamedReading, 'gas' | 'shown' | 'unit'>[] {
  const batch = looseBatch.safeParse(document);
  if (!batch.success) return [];
  return batch.data.readings.flatMap((one) => {
    const read = looseReading.safeParse(one);
    return read.success ? [read.data] : [];
  });
}

/** How far a device's clock is ahead of the site's (s); below 0 behind. */
export const computeDrift = (clock: string, now: string): number =>
  (Date.parse(clock) - Date.parse(now)) / 1000;

/** The readings in the site's time, oldest first: what the device's clock is off is taken from each. */
export function correctTimes({ clock, readings }: GasBatch, now: string): StreamedReading[] {
  const drift = Date.parse(clock) - Date.parse(now);
  return readings
    .map((reading) => ({ ...reading, at: new Date(Date.parse(reading.at) - drift).toISOString() }))
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || a.number - b.number);
}

/** Why a batch cannot be taken: its clock is far off, it is of a time to come, or a reading cannot be. Each reason once. */
export function refuseBatch(
  batch: GasBatch,
  {
    detector,
    calibratedUntil,
  }: { readonly detector: GasDetector; readonly calibratedUntil: string },
  now: string,
): Refusal[] {
  const { device, clock } = batch;
  const drift = Math.round(computeDrift(clock, now));
  if (Math.abs(drift) > MOST_DRIFT_S) {
    return [refuse('gas-clock-far', { instrument: device, drift, most: MOST_DRIFT_S })];
  }
  const corrected = correctTimes(batch, now);
  const newest = corrected.at(-1)?.at ?? now;
  const isAhead = Date.parse(newest) > Date.parse(now) + CLOCK_AHEAD_S * 1000;
  const all = [
    ...(Date.parse(now) > Date.parse(calibratedUntil)
      ? [refuse('gas-calibration-over', { instrument: device, until: calibratedUntil })]
      : []),
    ...(isAhead ? [refuse('gas-in-future', { at: newest, now })] : []),
    ...corrected.flatMap((reading) => refuseReading(reading, { instrument: device, detector })),
  ];
  return [...new Map(all.map((one) => [JSON.stringify(one), one])).values()];
}
