/** °F from °C and back. Source: definition. */
const toFahrenheit = (celsius: number): number => celsius * 1.8 + 32;
const toCelsius = (fahrenheit: number): number => (fahrenheit - 32) / 1.8;

/** Where the regression speaks: at or above 80 °F (26.7 °C); below, a simpler sum stands in. */
const REGRESSION_FROM_F = 80;

/**
 * Heat index (°C) from air temperature (°C) and relative humidity (% of saturation, 0 to 100), in the shade with a light wind. Source: Rothfusz, NWS SR 90-23
 * (1990), with the NWS adjustments for dry and damp air (from memory).
 */
export function computeHeatIndex(celsius: number, humidity: number): number {
  const t = toFahrenheit(celsius);
  const simple = 0.5 * (t + 61 + (t - 68) * 1.2 + humidity * 0.094);
  if ((simple + t) / 2 < REGRESSION_FROM_F) return toCelsius((simple + t) / 2);
  const full =
    -42.379 +
    2.04901523 * t +
    10.14333127 * humidity -
    0.22475541 * t * humidity -
    6.83783e-3 * t * t -
    5.481717e-2 * humidity * humidity +
    1.22874e-3 * t * t * humidity +
    8.5282e-4 * t * humidity * humidity -
    1.99e-6 * t * t * humidity * humidity;
  if (humidity < 13 && t >= 80 && t <= 112) {
    return toCelsius(full - ((13 - humidity) / 4) * Math.sqrt((17 - Math.abs(t - 95)) / 17));
  }
  if (humidity > 85 && t >= 80 && t <= 87) {
    return toCelsius(full + ((humidity - 85) / 10) * ((87 - t) / 5));
  }
  return toCelsius(full);
}

/** How a heat index is taken, by its least value (°C, from 80, 90, 103 and 125 °F). Source: NWS heat index chart. */
export const HEAT_LEVELS = [
  { least: toCelsius(125), says: 'extreme danger: heat stroke is likely' },
  {
    least: toCelsius(103),
    says: 'danger: cramps and exhaustion are likely, heat stroke is possible',
  },
  { least: toCelsius(90), says: 'extreme caution: cramps and exhaustion are possible' },
  { least: toCelsius(80), says: 'caution: people tire sooner' },
] as const;

/** From this air temperature on the heat index is looked at (°C). Source: NWS. */
const HOT_FROM_C = toCelsius(REGRESSION_FROM_F);

/** How hard the work is. */
export const EFFORTS = ['light', 'moderate', 'heavy'] as const;
export type Effort = (typeof EFFORTS)[number];

/** Where the sun is. Added to the air temperature (°F). Source: NIOSH 2017-127 (from memory). */
export const SUN = { none: 0, part: 7, full: 13 } as const;
export type Sun = keyof typeof SUN;
export const SUN_CODES = Object.keys(SUN) as [Sun, ...Sun[]];
export const SUN_WORDS: Readonly<Record<Sun, string>> = {
  none: 'in the shade or inside',
  part: 'partly cloudy',
  full: 'full sun',
};

/** Added for humidity (°F), by the least humidity (%). Source: NIOSH 2017-127 (from memory); between two rows the higher. */
const DAMP: readonly (readonly [upTo: number, fahrenheit: number])[] = [
  [10, -8],
  [20, -4],
  [30, 0],
  [40, 3],
  [50, 6],
  [60, 9],
];

/** A temperature (°C) with the sun added, where the table of humidity has ended. */
const addSun = (celsius: number, sun: Sun): number => celsius + SUN[sun] / 1.8;

/** Minutes of work in the hour; `STOP` where work is not to be done as it is. */
type Minutes = number;
const STOP: Minutes = 0;
const ALL: Minutes = 60;

/** Work in each hour (min) by adjusted temperature (°F), for light, moderate and heavy work in normal clothes. Source: NIOSH 2017-127 (from memory). */
const WORK_REST: readonly (readonly [
  upTo: number,
  light: Minutes,
  moderate: Minutes,
  heavy: Minutes,
])[] = [
  [94, ALL, ALL, ALL],
  [96, ALL, ALL, 45],
  [97, ALL, ALL, 40],
  [99, ALL, ALL, 35],
  [100, ALL, 45, 30],
  [101, ALL, 40, 30],
  [102, ALL, 35, 25],
  [104, ALL, 30, 20],
  [105, ALL, 25, 15],
  [106, 45, 20, STOP],
  [107, 40, 15, STOP],
  [108, 35, STOP, STOP],
  [109, 30, STOP, STOP],
  [110, 15, STOP, STOP],
];

/** Temperature (°C) that the table is read at: that of the air, with sun and humidity added. Above 60 % humidity undefined: the table ends there. */
export function computeAdjusted(celsius: number, humidity: number, sun: Sun): number | undefined {
  const damp = DAMP.find(([upTo]) => humidity <= upTo);
  return damp && toCelsius(toFahrenheit(celsius) + SUN[sun] + damp[1]);
}

/** Minutes of work in each hour at an adjusted temperature (°C); 0 where the table says that work is not to be done as it is. Between two rows the hotter. */
export function findWorkMinutes(adjusted: number, effort: Effort): number {
  // A thousandth of a degree is no hotter row.
  const row = WORK_REST.find(([upTo]) => toFahrenheit(adjusted) <= upTo + 1e-3);
  return row?.[1 + EFFORTS.indexOf(effort)] ?? STOP;
}

/** Work in the heat, from air temperature (°C), relative humidity (%), sun and effort. */
export function computeHeat(celsius: number, humidity: number, sun: Sun, effort: Effort) {
  const index = computeHeatIndex(celsius, humidity);
  const adjusted = computeAdjusted(celsius, humidity, sun);
  // Damper than the table goes: the index itself is read, and the sun added to it.
  const readAt = adjusted ?? addSun(index, sun);
  return {
    /** How it feels (°C). */
    index,
    /** What the table is read at (°C). */
    readAt,
    isBeyondTable: adjusted === undefined,
    /** Work in each hour (min). */
    minutes: findWorkMinutes(readAt, effort),
    level: HEAT_LEVELS.find(({ least }) => index >= least)?.says,
  };
}

/** Where the wind chill speaks: at or below 10 °C, in a wind above 4.8 km/h (m/s). */
export const CHILL_RANGE = { most_c: 10, least_m_s: 4.8 / 3.6 } as const;

/**
 * Wind chill (°C) from air temperature (°C) and the wind at 10 m (m/s): 13.12 + 0.6215 T - 11.37 v^0.16 + 0.3965 T v^0.16, v in km/h. In less wind the
 * temperature itself. Source: Environment Canada and NWS, 2001. Precondition: at or below 10 °C.
 */
export function computeWindChill(celsius: number, wind: number): number {
  if (wind <= CHILL_RANGE.least_m_s) return celsius;
  const power = (wind * 3.6) ** 0.16;
  return 13.12 + 0.6215 * celsius - 11.37 * power + 0.3965 * celsius * power;
}

/** How long until bare skin may freeze, by wind chill (°C). Source: Environment Canada wind chill chart (from memory); the shortest of each band. */
export const CHILL_LEVELS = [
  { most: -55, says: 'bare skin freezes within two minutes' },
  { most: -48, says: 'bare skin freezes within 2 to 5 minutes' },
  { most: -40, says: 'bare skin freezes within 5 to 10 minutes' },
  { most: -28, says: 'bare skin freezes within 10 to 30 minutes' },
  { most: -10, says: 'uncomfortable; cold hurts over a long stay' },
] as const;

/** Work in the cold wind, from air temperature (°C) and the wind (m/s). */
export function computeCold(celsius: number, wind: number) {
  const chill = computeWindChill(celsius, wind);
  return { chill, level: CHILL_LEVELS.find(({ most }) => chill <= most)?.says };
}

/** Whether an air temperature (°C) asks for a look at heat or at cold. */
export function findStrain(celsius: number): 'heat' | 'cold' | undefined {
  if (celsius >= HOT_FROM_C) return 'heat';
  return celsius <= CHILL_RANGE.most_c ? 'cold' : undefined;
}
