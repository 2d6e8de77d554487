import type { GasSensor } from './instrument';

/** Whether a sensor shows how near a mixture is to burning. */
export const isFlammableSensor = ({ unit }: GasSensor): boolean => unit === '%LFL';
