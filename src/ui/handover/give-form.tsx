'use client';

import { useFieldArray, useForm } from 'react-hook-form';
import type { HandoverCommand } from '../../core/handover/commands';
import type { Choice } from '../kit/choice';
import { FormPick } from '../kit/form-pick';
import { hoursAfter } from '../../core/hours';

interface Fields {
  readonly notes: string;
  readonly incoming: string;
  readonly promises: { what: string; who: string; hours: string }[];
}

/** Notes, promises and who takes over: with both signatures the shift is handed over. */
export function GiveForm({
  now,
  everybody,
  takers,
  onGive,
}: {
  readonly now: string;
  readonly everybody: readonly Choice[];
  readonly takers: readonly Choice[];
  readonly onGive: (command: HandoverCommand, onDone: () => void) => void;
}) {
  const { register, control, handleSubmit, reset } = useForm<Fields>({
    defaultValues: { notes: '', incoming: takers[0]?.id ?? '', promises: [] },
  });
  const { fields, append, remove } = useFieldArray({ control, name: 'promises' });
  const send = ({ notes, incoming, promises }: Fields) =>
    onGive(
      {
        kind: 'hand-over-shift',
        notes,
        incoming,
        promises: promises.map(({ what, who, hours }) => ({
          what,
          who,
          until: hoursAfter(now, Number(hours)),
        })),
      },
      () => reset(),
    );
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(event) => void handleSubmit(send)(event)}
      aria-label="Hand over"
    >
      <label className="flex flex-col text-sm">
        Notes: what the next shift has to know, and what is done about what is overdue
        <textarea {...register('notes')} rows={4} className="textarea w-full" />
      </label>
      {fields.map(({ id }, n) => (
        <fieldset
          key={id}
          className="flex flex-wrap items-end gap-2 border-l-4 border-primary pl-2"
        >
          <legend className="sr-only">Promise {n + 1}</legend>
          <label className="flex grow flex-col text-sm">
            Promised {n + 1}
            <input {...register(`promises.${n}.what`)} required className="input input-sm w-full" />
          </label>
          <FormPick
            label="By whom"
            control={control}
            name={`promises.${n}.who`}
            options={everybody}
          />
          <label className="flex w-24 flex-col text-sm">
            Within (h)
            <input
              {...register(`promises.${n}.hours`)}
              type="number"
              min={0.5}
              max={720}
              step="any"
              required
              className="input input-sm w-full"
            />
          </label>
          <button type="button" className="btn btn-sm" onClick={() => remove(n)}>
            Take out
          </button>
        </fieldset>
      ))}
      <button
        type="button"
        className="btn btn-sm self-start"
        onClick={() => append({ what: '', who: everybody[0]?.id ?? '', hours: '12' })}
      >
        Add a promise
      </button>
      <FormPick label="Who takes over" control={control} name="incoming" options={takers} />
      <button className="btn btn-primary self-start">Hand over with both signatures</button>
    </form>
  );
}
