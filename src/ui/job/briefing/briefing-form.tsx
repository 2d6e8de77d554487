'use client';

import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useFieldArray, useForm, useWatch, type UseFormRegister } from 'react-hook-form';
import {
  LOAD_WAY_CODES,
  LOAD_WAYS,
  LOOK_CODES,
  LOOKS,
  refuseBriefing,
  type LoadWay,
  type LookCode,
} from '../../../core/briefing/briefing';
import { adviseWeather, HOT_FROM_C, type Weather } from '../../../core/briefing/weather';
import type { CommandOf } from '../../../core/job';
import { CHILL_RANGE, EFFORTS, type Effort, type Sun } from '../../../core/space/climate';
import { capitalise } from '../../../core/text';
import { BRIEFING_RULES } from '../../../core/rules/briefing';
import { explainWith } from '../../../core/rules/explain';
import type { ExplainedRefusal, Refusal } from '../../../core/rules/refuse';
import { Reasons } from '../../command/reasons';
import { useCommand } from '../../command/use-command';
import type { DossierProps } from '../types';

/** Nothing of it is used at this work. */
const NONE = 'none';

/** The form as it is filled in. */
interface Filled {
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

const SUN_WORDS: Readonly<Record<Sun, string>> = {
  full: 'full sun',
  part: 'partly cloudy',
  none: 'in the shade or inside',
};
const SUNS = Object.keys(SUN_WORDS) as Sun[];

const toNumber = (text: string): number | undefined => (text === '' ? undefined : Number(text));

/** The weather as it is filled in; undefined until the air has been read. */
function readWeather(filled: Partial<Filled>): Weather | undefined {
  const { air_c = '', humidity = '', wind_m_s = '', sun, effort } = filled;
  const air = toNumber(air_c);
  if (air === undefined || Number.isNaN(air)) return undefined;
  const isHot = air >= HOT_FROM_C;
  const isCold = air <= CHILL_RANGE.most_c;
  return {
    air_c: air,
    ...(isHot ? { humidity: toNumber(humidity), sun, effort } : {}),
    ...(isCold ? { wind_m_s: toNumber(wind_m_s) } : {}),
  };
}

const toCommand = (filled: Filled): CommandOf<'hold-briefing'> => ({
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

const FIELD = 'input input-sm w-full max-sm:h-11 max-sm:text-base';
const LINES = 'textarea textarea-sm field-sizing-content min-h-8 w-full max-sm:text-base';
const LIST = 'select select-sm w-full max-sm:h-11 max-sm:text-base';

interface PartProps {
  readonly register: UseFormRegister<Filled>;
  readonly there: readonly { readonly id: string; readonly name: string }[];
}

/** One hazard: what is asked, of whom, and what they answer. */
function PointLine({
  n,
  name,
  onRemove,
  register,
  there,
}: PartProps & {
  readonly n: number;
  readonly name: string;
  /** Given for a hazard that was added here. */
  readonly onRemove: (() => void) | undefined;
}) {
  const at = `points.${n}` as const;
  return (
    <fieldset className="grid gap-2 border-t border-base-300 pt-2 sm:grid-cols-[12rem_minmax(0,1fr)]">
      <legend className="flex items-center gap-2 pr-2 text-sm font-bold">
        {onRemove ? (
          <>
            <input
              aria-label="Hazard of the day"
              placeholder="Hazard of the day"
              required
              className="input input-sm"
              {...register(`${at}.name`)}
            />
            <button
              type="button"
              aria-label="Take this hazard off"
              className="btn btn-ghost btn-xs"
              onClick={onRemove}
            >
              <Trash2 size={14} aria-hidden />
            </button>
          </>
        ) : (
          name
        )}
      </legend>
      <label className="flex flex-col text-sm sm:col-span-2">
        Question
        <textarea required rows={1} className={LINES} {...register(`${at}.question`)} />
      </label>
      <label className="flex flex-col text-sm">
        Asked of
        <select required className={LIST} {...register(`${at}.of`)}>
          <option value="">who?</option>
          {there.map(({ id, name: of }) => (
            <option key={id} value={id}>
              {of}
            </option>
          ))}
        </select>
      </label>
      <label className="flex flex-col text-sm">
        What they answered
        <input required className={FIELD} {...register(`${at}.answer`)} />
      </label>
    </fieldset>
  );
}

/** What is looked at before use: who looked and what they saw, or that there is none. */
function LookLine({
  n,
  what,
  isAsked,
  isUsed,
  register,
  there,
}: PartProps & {
  readonly n: number;
  readonly what: LookCode;
  readonly isAsked: boolean;
  readonly isUsed: boolean;
}) {
  const at = `looked.${n}` as const;
  return (
    <div className="grid gap-2 sm:grid-cols-[minmax(0,1fr)_11rem_minmax(0,1.4fr)]">
      <span className="self-center text-sm font-bold">{capitalise(LOOKS[what])}</span>
      <select
        aria-label={`Who looked at ${LOOKS[what]}`}
        required={isAsked}
        className={LIST}
        {...register(`${at}.by`)}
      >
        {isAsked ? <option value="">who looked?</option> : <option value="">not used</option>}
        {isAsked && <option value={NONE}>none is used here</option>}
        {there.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
      {(isAsked || isUsed) && (
        <input
          aria-label={`What was seen of ${LOOKS[what]}`}
          placeholder="what was seen"
          required
          className={FIELD}
          {...register(`${at}.seen`)}
        />
      )}
    </div>
  );
}

/** The air at the work, and what it asks for. */
function WeatherFields({
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

/** The briefing as it is held: hazards one by one, what was looked at, loads, weather, what else goes on; then everybody there signs. */
export function BriefingForm({
  view,
  choices,
  names,
  me,
  onHeld,
}: DossierProps & { readonly onHeld: () => void }) {
  const run = useCommand();
  const [refused, setRefused] = useState<readonly ExplainedRefusal[]>([]);
  const { dossier, briefing } = view;
  const { agenda, beside } = briefing;
  const { performer, team } = dossier;
  const people = choices.people.filter(
    ({ id, worker }) => id === performer || (worker && (team.length === 0 || team.includes(id))),
  );
  const { register, control, handleSubmit } = useForm<Filled>({
    defaultValues: {
      present: [performer, ...team.filter((id) => id !== performer)],
      points: agenda.topics.map(({ code, name, ask }) => {
        return { topic: code, name, question: ask, of: '', answer: '' };
      }),
      looked: LOOK_CODES.map((what) => ({ what, by: '', seen: '' })),
      loads: agenda.hasLoads ? [{ what: '', kg: '', way: 'two' }] : [],
      air_c: '',
      humidity: '',
      wind_m_s: '',
      sun: 'full',
      effort: 'heavy',
      beside: beside.map(({ id, title }) => `${id} ${title}`).join('; '),
    },
  });
  const points = useFieldArray({ control, name: 'points' });
  const loads = useFieldArray({ control, name: 'loads' });
  const filled = useWatch({ control });
  const there = (filled.present ?? []).map((id) => ({ id, name: names[id] ?? id }));
  const parts = { register, there };
  // Whoever asks is not asked.
  const asked = there.filter(({ id }) => id !== me);
  /** Looked over before anybody types a PIN: what would be refused is said at once. */
  const send = (all: Filled) => {
    const command = toCommand(all);
    const against = refuseBriefing(command, agenda, view.values, (id) => names[id] ?? id).map(
      explainWith<Refusal['code']>(BRIEFING_RULES, view.values.zone),
    );
    setRefused(against);
    if (against.length === 0) void run(command).then((done) => done && onHeld());
  };
  return (
    <form className="flex flex-col gap-3" onSubmit={(event) => void handleSubmit(send)(event)}>
      <fieldset className="flex flex-wrap gap-x-4 gap-y-1">
        <legend className="text-sm font-bold">Who is there</legend>
        {people.map(({ id, name, employer }) => (
          <label key={id} className="flex min-h-8 items-center gap-2 text-sm max-sm:min-h-11">
            <input
              type="checkbox"
              value={id}
              className="checkbox checkbox-sm max-sm:size-7"
              {...register('present')}
            />
            {name}, {employer}
          </label>
        ))}
      </fieldset>
      {points.fields.map((field, n) => (
        <PointLine
          key={field.id}
          register={register}
          there={asked}
          n={n}
          name={field.name}
          onRemove={field.topic === '' ? () => points.remove(n) : undefined}
        />
      ))}
      <button
        type="button"
        className="btn btn-sm self-start"
        onClick={() => points.append({ topic: '', name: '', question: '', of: '', answer: '' })}
      >
        <Plus size={14} aria-hidden /> Add a hazard of the day
      </button>
      <fieldset className="flex flex-col gap-1">
        <legend className="text-sm font-bold">Looked at before use</legend>
        {LOOK_CODES.map((what, n) => (
          <LookLine
            key={what}
            {...parts}
            n={n}
            what={what}
            isAsked={agenda.looks.includes(what)}
            isUsed={(filled.looked?.[n]?.by ?? '') !== ''}
          />
        ))}
      </fieldset>
      <fieldset className="flex flex-col gap-1">
        <legend className="text-sm font-bold">
          Loads: over {view.values['lift-alone-kg']} kg by two, or with lifting gear
        </legend>
        {loads.fields.map((field, n) => (
          <div key={field.id} className="flex flex-wrap gap-2">
            <input
              aria-label="What is carried"
              placeholder="what is carried"
              required
              className="input input-sm grow max-sm:h-11"
              {...register(`loads.${n}.what`)}
            />
            <input
              aria-label="It weighs (kg)"
              placeholder="kg"
              type="number"
              step="any"
              required
              className="input input-sm w-24 font-mono max-sm:h-11"
              {...register(`loads.${n}.kg`)}
            />
            <select
              aria-label="How it is carried"
              className="select select-sm w-44 max-sm:h-11"
              {...register(`loads.${n}.way`)}
            >
              {LOAD_WAY_CODES.map((way) => (
                <option key={way} value={way}>
                  {LOAD_WAYS[way]}
                </option>
              ))}
            </select>
            <button
              type="button"
              aria-label="Take this load off"
              className="btn btn-ghost btn-sm"
              onClick={() => loads.remove(n)}
            >
              <Trash2 size={14} aria-hidden />
            </button>
          </div>
        ))}
        <button
          type="button"
          className="btn btn-sm self-start"
          onClick={() => loads.append({ what: '', kg: '', way: 'two' })}
        >
          <Plus size={14} aria-hidden /> Add a load
        </button>
      </fieldset>
      <WeatherFields register={register} weather={readWeather(filled as Partial<Filled>)} />
      <label className="flex flex-col text-sm">
        What else goes on in the same hall, or that nothing does
        <textarea required rows={1} className={LINES} {...register('beside')} />
      </label>
      {refused.length > 0 && (
        <div role="alert">
          <Reasons refusals={refused} />
        </div>
      )}
      <button className="btn btn-primary btn-sm self-start max-sm:h-11">
        Record the briefing: everybody there signs
      </button>
    </form>
  );
}
