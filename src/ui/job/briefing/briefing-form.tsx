'use client';

import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useFieldArray, useForm, useWatch } from 'react-hook-form';
import {
  LOAD_WAY_CODES,
  LOAD_WAYS,
  LOOK_CODES,
  refuseBriefing,
} from '../../../core/briefing/briefing';
import { BRIEFING_RULES } from '../../../core/rules/briefing';
import { explainWith } from '../../../core/rules/explain';
import type { ExplainedRefusal, Refusal } from '../../../core/rules/refuse';
import { Reasons } from '../../command/reasons';
import { useCommand } from '../../command/use-command';
import type { DossierProps } from '../types';
import { readWeather, toCommand, type Filled } from './filled';
import { LookLine, PointLine } from './lines';
import { LINES } from './parts';
import { WeatherFields } from './weather-fields';

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
    const led = { actor: me, performer, nameOf: (id: string) => names[id] ?? id };
    const against = refuseBriefing(command, agenda, view.values, led).map(
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
          Loads: over {view.values['lift-one-kg']} kg by two, or with lifting gear
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
