'use client';

import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import type { Activity } from '../../core/plant/schema';
import { ACTIVITIES } from '../../core/plant/vocabulary';
import { FormPick } from '../kit/form-pick';
import { ACTIVITY_WORDS } from './activity-words';

/** A section as it is offered for work; a source is offered where it can be run empty first. */
export interface OfferedSection {
  readonly id: string;
  readonly name: string;
  readonly isSource: boolean;
}

/** What the fields hold: the scope of a job. */
export interface PlaceValues {
  work: { section: string; activity: Activity }[];
  emptied: string[];
  hours: number;
}

interface PlaceProps {
  readonly sections: readonly OfferedSection[];
  /** Sections of the equipment: offered first. */
  readonly own: ReadonlySet<string>;
}

/** Sources that are run empty before: the place of work itself where it is one, those of the equipment, and any other that can be. */
function EmptiedFields({ sections, own }: PlaceProps) {
  const { register, control } = useFormContext<PlaceValues>();
  const [work, emptied] = useWatch({ control, name: ['work', 'emptied'] });
  const sources = sections.filter(({ isSource }) => isSource);
  const isNear = ({ id }: OfferedSection) =>
    own.has(id) || emptied.includes(id) || work.some(({ section }) => section === id);
  const full = sources.filter(
    ({ id }) => !emptied.includes(id) && work.some(({ section }) => section === id),
  );
  const row = ({ id, name }: OfferedSection) => (
    <label key={id} className="flex items-center gap-2 text-sm">
      <input type="checkbox" value={id} className="checkbox checkbox-sm" {...register('emptied')} />
      <span className="font-mono">{id}</span> {name}
    </label>
  );
  const near = sources.filter(isNear);
  const says = (
    <p className="text-sm">
      A tank or vessel feeds the work for as long as anything stands in it. What is ticked is run
      empty before anything is shut, and has to be proved empty like any other source.
    </p>
  );
  if (sources.length === 0) return null;
  return (
    <fieldset className="flex flex-col gap-1">
      {near.length > 0 && <legend className="font-bold">Run empty before</legend>}
      {near.length > 0 && says}
      {full.map(({ id, name }) => (
        <p key={id} role="alert" className="border-l-4 border-error pl-2 text-sm">
          <strong className="font-mono">{id}</strong> {name} is itself a source: tick it as run
          empty, or choose another place of work.
        </p>
      ))}
      {near.map(row)}
      <details>
        <summary className="cursor-pointer text-sm">
          {near.length > 0 ? 'Other tanks and vessels' : 'Run a tank or vessel empty before'}
        </summary>
        {near.length === 0 && says}
        {sources.filter((one) => !isNear(one)).map(row)}
      </details>
    </fieldset>
  );
}

/** How long the job takes. Stands in a form of PlaceValues. */
export function HoursField() {
  const { register } = useFormContext<PlaceValues>();
  return (
    <label className="flex flex-col">
      Hours
      <input
        type="number"
        step="any"
        min="0.25"
        max="720"
        className="input w-full font-mono"
        {...register('hours', { valueAsNumber: true })}
      />
    </label>
  );
}

/** Where the work is, what is done there, and what is run empty for it. Stands in a form of PlaceValues. */
export function PlaceFields({ sections, own }: PlaceProps) {
  const { register, control } = useFormContext<PlaceValues>();
  const { fields, append, remove } = useFieldArray({ control, name: 'work' });
  const offered = [...sections].sort((a, b) => Number(own.has(b.id)) - Number(own.has(a.id)));
  return (
    <>
      <h2 className="font-bold">Place of work</h2>
      {fields.map((field, index) => (
        <div key={field.id} className="flex flex-wrap items-end gap-2">
          <FormPick
            label={`Section ${index + 1}`}
            control={control}
            name={`work.${index}.section`}
            isLarge
            options={offered.map(({ id, name, isSource }) => ({
              id,
              label: `${own.has(id) ? '• ' : ''}${id} ${name}${isSource ? ' (run empty first)' : ''}`,
            }))}
          />
          <label className="flex flex-col">
            Activity {index + 1}
            <select className="select" {...register(`work.${index}.activity`)}>
              {ACTIVITIES.map((activity) => (
                <option key={activity} value={activity}>
                  {ACTIVITY_WORDS[activity]}
                </option>
              ))}
            </select>
          </label>
          {fields.length > 1 && (
            <button type="button" className="btn btn-sm" onClick={() => remove(index)}>
              Remove
            </button>
          )}
        </div>
      ))}
      <div>
        <button
          type="button"
          className="btn btn-sm"
          onClick={() =>
            append({ section: [...own][0] ?? sections[0]?.id ?? '', activity: 'touch' })
          }
        >
          One more place
        </button>
      </div>
      <EmptiedFields sections={sections} own={own} />
    </>
  );
}
