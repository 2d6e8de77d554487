import { ProgrammerFault } from '../result';

declare const gauge: unique symbol;
declare const absolute: unique symbol;

/** Pressure over the atmosphere (Pa). */
export type GaugePascal = number & { readonly [gauge]: true };
/** Pressure over vacuum (Pa, at least 0). */
export type AbsolutePascal = number & { readonly [absolute]: true };

/** One standard atmosphere (Pa). Source: definition, ISO 2533. */
export const STANDARD_ATMOSPHERE = absolutePascalOrThrow(101_325);

function finiteOrThrow(value: number): number {
  if (!Number.isFinite(value)) throw new ProgrammerFault(`not a finite pressure: ${value}`);
  return value;
}

/** A gauge pressure from pascals; throws on what is not finite. */
export const gaugePascalOrThrow = (value: number): GaugePascal =>
  finiteOrThrow(value) as GaugePascal;

/** An absolute pressure from pascals; throws on what is not finite or below vacuum. */
export function absolutePascalOrThrow(value: number): AbsolutePascal {
  if (finiteOrThrow(value) < 0) throw new ProgrammerFault(`below vacuum: ${value} Pa`);
  return value as AbsolutePascal;
}

/** Gauge to absolute, over the given atmosphere; undefined when that would be below vacuum. */
export function toAbsolute(
  pressure: GaugePascal,
  atmosphere: AbsolutePascal,
): AbsolutePascal | undefined {
  const sum = pressure + atmosphere;
  return sum < 0 ? undefined : absolutePascalOrThrow(sum);
}

/** Absolute to gauge, over the given atmosphere. */
export const toGauge = (pressure: AbsolutePascal, atmosphere: AbsolutePascal): GaugePascal =>
  gaugePascalOrThrow(pressure - atmosphere);
