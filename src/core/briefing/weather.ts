import { computeCold, computeHeat, findStrain, type Effort, type Sun } from '../space/climate';
import { refuse, type Refusal } from '../rules/refuse';

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

/** What is drunk in the heat. Source: NIOSH 2017-126 (from memory): a cup of 8 oz every 15 to 20 min, and no more than 48 oz in an hour. */
const DRINK = 'Drink a quarter of a litre every 15 to 20 min, and no more than 1.4 l in an hour.';

/** From here down only what cannot wait is done (°C, equivalent chill temperature). Source: ACGIH TLV for cold stress (from memory). */
const COLD_STOP_C = -43;
/** What is done in the cold, by equivalent chill temperature (°C). Source: the same. */
const COLD_WORK = [
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

const refused = (refusal: Refusal): WeatherAdvice => ({ refusals: [refusal], says: [] });

/** "Feels like 35 °C: people tire sooner." */
const sayFeels = (celsius: number, level: string | undefined): string =>
  `Feels like ${Math.round(celsius)} °C${level ? `: ${level}` : ''}.`;

function adviseHeat({ air_c, humidity, sun = 'full', effort = 'heavy' }: Weather): WeatherAdvice {
  if (humidity === undefined) return refused(refuse('briefing-humidity-unsaid', { air: air_c }));
  const { index, level, minutes } = computeHeat(air_c, humidity, sun, effort);
  if (minutes === 0) {
    return refused(refuse('briefing-too-hot', { index: Math.round(index), effort }));
  }
  return {
    refusals: [],
    says: [
      sayFeels(index, level),
      minutes === 60
        ? 'No fixed rest in the hour; whoever feels ill stops.'
        : `Work ${minutes} min in each hour, and rest ${60 - minutes} min in the shade.`,
      DRINK,
    ],
  };
}

function adviseCold({ air_c, wind_m_s }: Weather): WeatherAdvice {
  if (wind_m_s === undefined) return refused(refuse('briefing-wind-unsaid', { air: air_c }));
  const { chill, level } = computeCold(air_c, wind_m_s);
  if (chill <= COLD_STOP_C) {
    return refused(refuse('briefing-too-cold', { chill: Math.round(chill) }));
  }
  const work = COLD_WORK.filter(({ most }) => chill <= most).map(({ says }) => says);
  return { refusals: [], says: [...(level ? [sayFeels(chill, level)] : []), ...work] };
}

/** What heat or cold asks for, from the air at the work. What it needs and nobody has said is refused. */
export function adviseWeather(weather: Weather): WeatherAdvice {
  switch (findStrain(weather.air_c)) {
    case 'heat':
      return adviseHeat(weather);
    case 'cold':
      return adviseCold(weather);
    default:
      return { refusals: [], says: [] };
  }
}
