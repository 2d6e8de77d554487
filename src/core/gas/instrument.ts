import { z } from 'zod';
import { CONCENTRATION_UNITS } from './concentration';
import { SUBSTANCE_CODES } from './substances';

/** How a sensor senses; one that burns what it senses needs oxygen to do so. */
export const SENSOR_KINDS = [
  'catalytic',
  'infrared',
  'electrochemical',
  'photoionisation',
] as const;

/** A sensor of an instrument: what it is calibrated on, in which unit and range it shows, and how fast. */
export const gasSensorSchema = z
  .strictObject({
    gas: z.enum(SUBSTANCE_CODES),
    kind: z.enum(SENSOR_KINDS),
    unit: z.enum(CONCENTRATION_UNITS),
    /** The range that it shows, from 0 (in its unit). */
    most: z.number().gt(0),
    /** The time to nine tenths of a reading (s). */
    t90_s: z.number().gt(0).max(600),
    /** What the shown value is multiplied by for other gases that it senses, from its maker's table. */
    factors: z.partialRecord(z.enum(SUBSTANCE_CODES), z.number().gt(0).max(20)).optional(),
  })
  .refine(({ gas, unit }) => gas !== 'oxygen' || unit === '%vol', {
    message: 'oxygen is shown in % vol',
  });
export type GasSensor = z.infer<typeof gasSensorSchema>;

/** What makes an instrument a gas detector. */
export const gasDetectorSchema = z.strictObject({
  sensors: z.array(gasSensorSchema).min(1).max(8),
  /** What its pump draws (ml/min), and the longest hose that its maker allows (m); none when it only diffuses. */
  pump: z
    .strictObject({ flow_ml_min: z.number().gt(0).max(5000), longestHose_m: z.number().gt(0) })
    .optional(),
});
export type GasDetector = z.infer<typeof gasDetectorSchema>;
