import type { LoadWay, LookCode } from '../../../core/briefing/briefing';
import type { Weather } from '../../../core/briefing/weather';
import type { CommandOf } from '../../../core/job';
import { findStrain, type Effort, type Sun } from '../../../core/space/climate';

/** Nothing of it is used at this work. */
export const NONE = 'none';

/** The form as it is filled in. */
export interface Filled {
  present: string[];
  points: { topic: string; name: string; question: string; of: string; answer: string }[];
  looked: { what: LookCode; by: string; seen: string }[];
  loads: { what: string; kg: string; way: LoadWay }[];
  air_c: string;
  humidity: string;
  wind_m_s: string;
  sun: Sun;
  effort: Effort;
  beside: string;
}

const toNumber = (text: string): number | undefined => (text === '' ? undefined : Number(text));

/** The weather as it is filled in; undefined until the air has been read. */
export function readWeather(filled: Partial<Filled>): Weather | undefined {
  const { air_c = '', humidity = '', wind_m_s = '', sun, effort } = filled;
  const air = toNumber(air_c);
  if (air === undefined || Number.isNaN(air)) return undefined;
  const strain = findStrain(air);
  return {
    air_c: air,
    ...(strain === 'heat' ? { humidity: toNumber(humidity), sun, effort } : {}),
    ...(strain === 'cold' ? { wind_m_s: toNumber(wind_m_s) } : {}),
  };
}

export const toCommand = (filled: Filled): CommandOf<'hold-briefing'> => ({
  kind: 'hold-briefing',
  present: filled.present,
  points: filled.points.map(({ topic, name, question, of, answer }) => {
    return { topic: topic === '' ? name : topic, question, of, answer };
  }),
  looked: filled.looked
    .filter(({ by }) => by !== '')
    .map(({ what, by, seen }) => ({ what, seen, ...(by === NONE ? {} : { by }) })),
  loads: filled.loads.map(({ what, kg, way }) => ({ what, kg: Number(kg), way })),
  weather: readWeather(filled) ?? { air_c: NaN },
  beside: filled.beside,
});
