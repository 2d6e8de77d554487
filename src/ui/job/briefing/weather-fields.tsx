'use client';

import { adviseWeather, HOT_FROM_C, type Weather } from '../../../core/briefing/weather';
import { CHILL_RANGE, EFFORTS, type Sun } from '../../../core/space/climate';
import { FIELD, LIST, type PartProps } from './parts';

const SUN_WORDS: Readonly<Record<Sun, string>> = {
  full: 'full sun',
  part: 'partly cloudy',
  none: 'in the shade or inside',
};
const SUNS = Object.keys(SUN_WORDS) as Sun[];

/** The air at the work, and what it asks for. */
export function WeatherFields({
  register,
  weather,
}: Pick<PartProps, 'register'> & { readonly weather: Weather | undefined }) {
  const advice = weather && adviseWeather(weather);
  return (
    <fieldset className="flex flex-wrap items-end gap-2">
      <legend className="text-sm font-bold">Heat and cold</legend>
      <label className="flex w-40 flex-col text-sm">
        Air at the work (°C)
        <input type="number" step="any" required className={FIELD} {...register('air_c')} />
      </label>
      {weather && weather.air_c >= HOT_FROM_C && (
        <>
          <label className="flex w-40 flex-col text-sm">
            Humidity (%)
            <input type="number" step="any" required className={FIELD} {...register('humidity')} />
          </label>
          <label className="flex w-44 flex-col text-sm">
            Sun
            <select className={LIST} {...register('sun')}>
              {SUNS.map((sun) => (
                <option key={sun} value={sun}>
                  {SUN_WORDS[sun]}
                </option>
              ))}
            </select>
          </label>
          <label className="flex w-36 flex-col text-sm">
            Work
            <select className={LIST} {...register('effort')}>
              {EFFORTS.map((effort) => (
                <option key={effort} value={effort}>
                  {effort}
                </option>
              ))}
            </select>
          </label>
        </>
      )}
      {weather && weather.air_c <= CHILL_RANGE.most_c && (
        <label className="flex w-48 flex-col text-sm">
          Wind (m/s; 0 inside)
          <input type="number" step="any" required className={FIELD} {...register('wind_m_s')} />
        </label>
      )}
      {advice && advice.says.length > 0 && (
        <p role="status" className="w-full text-sm">
          Tell them: {advice.says.join(' ')}
        </p>
      )}
    </fieldset>
  );
}
