'use client';

import { Trash2 } from 'lucide-react';
import { LOOKS, type LookCode } from '../../../core/briefing/briefing';
import { capitalise } from '../../../core/text';
import { LINE_CLASS, LIST_CLASS } from '../../kit/field';
import { NONE } from './filled';
import { LINES, type PartProps } from './parts';

/** One hazard: what is asked, of whom, and what they answer. */
export function PointLine({
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
        <select required className={LIST_CLASS} {...register(`${at}.of`)}>
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
        <input required className={LINE_CLASS} {...register(`${at}.answer`)} />
      </label>
    </fieldset>
  );
}

/** What is looked at before use: who looked and what they saw, or that there is none. */
export function LookLine({
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
        className={LIST_CLASS}
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
          className={LINE_CLASS}
          {...register(`${at}.seen`)}
        />
      )}
    </div>
  );
}
