import {
  addSun,
  CHILL_LEVELS,
  CHILL_RANGE,
  computeAdjusted,
  computeHeatIndex,
  computeWindChill,
  findWorkMinutes,
  HEAT_LEVELS,
  type Effort,
  type Sun,
} from '../space/climate';
import { refuse, type Refusal } from '../rules/refuse';
import { capitalise } from '../text';

/** The air where people work, as somebody read it there. */
export interface Weather {
  /** °C, in the shade. */
  readonly air_c: number;
  /** % of saturation. */
  readonly humidity?: number | undefined;
  /** m/s. */
  readonly wind_m_s?: number | undefined;
  /** Nothing said counts as full sun and as heavy work. */
  readonly sun?: Sun | undefined;
  readonly effort?: Effort | undefined;
}

/** From this air temperature on heat is looked at (°C): 80 °F, where the heat index begins. Source: NWS. */
export const HOT_FROM_C = (80 - 32) / 1.8;

/** What is drunk in the heat. Source: NIOSH 2017-126 (from memory): a cup of 8 oz every 15 to 20 min, and no more than 48 oz in an hour. */
const DRINK = 'Drink a quarter of a litre every 15 to 20 min, and no more than 1.4 l in an hour.';

/** What is done in the cold, by equivalent chill temperature (°C). Source: ACGIH TLV for cold stress (from memory). */
const COLD_WORK = [
  { most: -43, says: undefined },
  { most: -32, says: 'No bare skin, and breaks in a warm place.' },
  { most: -12, says: 'Nobody alone: each is watched by another.' },
  { most: -7, says: 'A heated shelter is near, and used.' },
  { most: 4, says: 'Dry clothes against the cold, and a place to change them.' },
] as const;

/** What the weather asks of those at work, or why nobody starts. */
export interface WeatherAdvice {
  readonly refusals: readonly Refusal[];
  /** What is told at the briefing. */
  readonly says: readonly string[];
}

const round = (value: number) => Math.round(value);

function adviseHeat({ air_c, humidity, sun = 'full', effort = 'heavy' }: Weather): WeatherAdvice {
  if (humidity === undefined) {
    return { refusals: [refuse('briefing-humidity-unsaid', { air: air_c })], says: [] };
  }
  const index = computeHeatIndex(air_c, humidity);
  const level = HEAT_LEVELS.find(({ least }) => index >= least);
  // Damper than the table goes: the index itself is read, and the sun added to it.
  const readAt = computeAdjusted(air_c, humidity, sun) ?? addSun(index, sun);
  const minutes = findWorkMinutes(readAt, effort);
  if (minutes === 0) {
    return { refusals: [refuse('briefing-too-hot', { index: round(index), effort })], says: [] };
  }
  const feels = `Feels like ${round(index)} °C`;
  return {
    refusals: [],
    says: [
      level ? `${feels}: ${level.says}.` : `${feels}.`,
      minutes === 60
        ? 'No fixed rest in the hour; whoever feels ill stops.'
        : `Work ${minutes} min in each hour, and rest ${60 - minutes} min in the shade.`,
      DRINK,
    ],
  };
}

function adviseCold({ air_c, wind_m_s }: Weather): WeatherAdvice {
  if (wind_m_s === undefined) {
    return { refusals: [refuse('briefing-wind-unsaid', { air: air_c })], says: [] };
  }
  const chill = computeWindChill(air_c, wind_m_s);
  const work = COLD_WORK.filter(({ most }) => chill <= most);
  if (work.some(({ says }) => says === undefined)) {
    return { refusals: [refuse('briefing-too-cold', { chill: round(chill) })], says: [] };
  }
  const level = CHILL_LEVELS.find(({ most }) => chill <= most);
  return {
    refusals: [],
    says: [
      ...(level ? [`Feels like ${round(chill)} °C: ${level.says}.`] : []),
      ...work.flatMap(({ says }) => (says === undefined ? [] : [says])),
    ].map(capitalise),
  };
}

/** What heat or cold asks for, from the air at the work. What it needs and nobody has said is refused. */
export function adviseWeather(weather: Weather): WeatherAdvice {
  if (weather.air_c >= HOT_FROM_C) return adviseHeat(weather);
  return weather.air_c <= CHILL_RANGE.most_c ? adviseCold(weather) : { refusals: [], says: [] };
}
