/** The temperature (K) at which metal may be touched for as long as work lasts. Source: ISO 13732-1, 43 °C (from memory). */
export const TOUCHABLE_KELVIN = 43 + 273.15;

/** Time constant (s) of a body of `mass` (kg) and `specificHeat` (J/(kg K)) with `area` (m²) at `transfer` (W/(m² K)). */
export const computeTimeConstant = (
  mass: number,
  specificHeat: number,
  area: number,
  transfer: number,
): number => (mass * specificHeat) / (transfer * area);

/** Temperature (K) after `seconds`, by Newton's law of cooling. */
export const computeCooled = (
  from: number,
  ambient: number,
  constant: number,
  seconds: number,
): number => ambient + (from - ambient) * Math.exp(-seconds / constant);

/** Why a body does not cool to a temperature: it is colder than what is round it and warms, or it ends at what is round it. */
export type NeverCools = 'warms' | 'surroundings';

/**
 * Time (s) for a body to cool from one temperature to another among surroundings (all in kelvin); 0 when it is there already and stays.
 * A body that is colder than its surroundings warms, whatever is wanted of it.
 */
export function computeCoolingTime(
  from: number,
  to: number,
  ambient: number,
  constant: number,
): number | NeverCools {
  if (from < ambient) return 'warms';
  if (from <= to) return 0;
  if (ambient >= to) return 'surroundings';
  return constant * Math.log((from - ambient) / (to - ambient));
}

/**
 * The time constant (s) that two readings show. Undefined when the body did not cool between them: something still heats it.
 */
export function computeMeasuredConstant(
  from: number,
  later: number,
  ambient: number,
  seconds: number,
): number | undefined {
  if (!(later < from) || later <= ambient) return undefined;
  return seconds / Math.log((from - ambient) / (later - ambient));
}
