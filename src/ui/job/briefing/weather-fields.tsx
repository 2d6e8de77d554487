'use client';

import { adviseWeather, type Weather } from '../../../core/briefing/weather';
import { EFFORTS, findStrain, SUN_CODES, SUN_WORDS } from '../../../core/space/climate';
import { LINE_CLASS, LIST_CLASS } from '../../kit/field';
import type { PartProps } from './parts';

/** The air at the work, and what it asks for. */
export function WeatherFields({
  register,
  weather,
}: Pick<PartProps, 'register'> & { readonly weather: Weather | undefined }) {
  const strain = weather && findStrain(weather.air_c);
  const advice = weather && adviseWeather(weather);
  return (
    <fieldset className="flex flex-wrap items-end gap-2">
      <legend className="text-sm font-bold">Heat and cold</legend>
      <label className="flex w-40 flex-col text-sm">
        Air at the work (°C)
        <input type="number" step="any" required className={LINE_CLASS} {...register('air_c')} />
      </label>
      {strain === 'heat' && (
        <>
          <label className="flex w-40 flex-col text-sm">
            Humidity (%)
            <input
              type="number"
              step="any"
              required
              className={LINE_CLASS}
              {...register('humidity')}
            />
          </label>
          <label className="flex w-44 flex-col text-sm">
            Sun
            <select className={LIST_CLASS} {...register('sun')}>
              {SUN_CODES.map((sun) => (
                <option key={sun} value={sun}>
                  {SUN_WORDS[sun]}
                </option>
              ))}
            </select>
          </label>
          <label className="flex w-36 flex-col text-sm">
            Work
            <select className={LIST_CLASS} {...register('effort')}>
              {EFFORTS.map((effort) => (
                <option key={effort} value={effort}>
                  {effort}
                </option>
              ))}
            </select>
          </label>
        </>
      )}
      {strain === 'cold' && (
        <label className="flex w-48 flex-col text-sm">
          Wind (m/s; 0 inside)
          <input
            type="number"
            step="any"
            required
            className={LINE_CLASS}
            {...register('wind_m_s')}
          />
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
