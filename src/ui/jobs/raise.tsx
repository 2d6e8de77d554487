'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useFieldArray, useForm, useWatch } from 'react-hook-form';
import { ACTIVITIES, type Activity } from '../../core/plant/schema';
import type { IncomingOrder } from '../../core/work-orders';
import { CommandDesk, useCommand } from '../command/use-command';

interface RaiseProps {
  readonly me: string;
  readonly names: Readonly<Record<string, string>>;
  readonly equipment: readonly { id: string; name: string; sections: readonly string[] }[];
  readonly sections: readonly { id: string; name: string }[];
  readonly performers: readonly { id: string; label: string }[];
  /** The work order that it is raised from. */
  readonly order?: IncomingOrder | undefined;
}

interface Fields {
  title: string;
  equipment: string;
  hours: number;
  performer: string;
  work: { section: string; activity: Activity }[];
}

const ACTIVITY_WORDS: Readonly<Record<Activity, string>> = {
  open: 'break into it',
  enter: 'go inside',
  'hot-work': 'hot work on or in it',
  touch: 'touch conductors or moving parts',
};

function RaiseForm({ equipment, sections, performers, order }: RaiseProps) {
  const run = useCommand();
  const first = equipment.find(({ id }) => id === order?.equipment) ?? equipment[0];
  const { register, control, handleSubmit } = useForm<Fields>({
    defaultValues: {
      title: order?.title ?? '',
      hours: order?.hours ?? 6,
      equipment: first?.id,
      performer: order?.performer ?? performers[0]?.id,
      work: order?.work.length
        ? [...order.work]
        : [{ section: first?.sections[0] ?? '', activity: 'open' }],
    },
  });
  const { fields, append, remove } = useFieldArray({ control, name: 'work' });
  const picked = useWatch({ control, name: 'equipment' });
  const chosen = new Set(equipment.find(({ id }) => id === picked)?.sections);
  const offered = [...sections].sort((a, b) => Number(chosen.has(b.id)) - Number(chosen.has(a.id)));
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) =>
        void handleSubmit((values) =>
          run({
            kind: 'raise-job',
            ...values,
            ...(order ? { workOrder: order.number } : {}),
          }),
        )(event)
      }
    >
      {order && (
        <p className="border-l-4 border-primary pl-2 text-sm">
          From work order <strong className="font-mono">{order.number}</strong>: check every field;
          the sections decide which sources are looked for. {order.note}
        </p>
      )}
      <label className="flex flex-col">
        What is to be done
        <input className="input w-full" {...register('title', { required: true })} required />
      </label>
      <div className="grid gap-3 sm:grid-cols-3">
        <label className="flex flex-col">
          Equipment
          <select className="select w-full" {...register('equipment')}>
            {equipment.map(({ id, name }) => (
              <option key={id} value={id}>
                {id} {name}
              </option>
            ))}
          </select>
        </label>
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
        <label className="flex flex-col">
          Who leads the work
          <select className="select w-full" {...register('performer')}>
            {performers.map(({ id, label }) => (
              <option key={id} value={id}>
                {label}
              </option>
            ))}
          </select>
        </label>
      </div>
      <h2 className="font-bold">Place of work</h2>
      {fields.map((field, index) => (
        <div key={field.id} className="flex flex-wrap items-end gap-2">
          <label className="flex grow flex-col">
            Section {index + 1}
            <select className="select w-full" {...register(`work.${index}.section`)}>
              {offered.map(({ id, name }) => (
                <option key={id} value={id}>
                  {chosen.has(id) ? '• ' : ''}
                  {id} {name}
                </option>
              ))}
            </select>
          </label>
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
      <div className="flex gap-2">
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => append({ section: [...chosen][0] ?? '', activity: 'touch' })}
        >
          One more place
        </button>
        <button className="btn btn-primary btn-sm">Raise the job</button>
      </div>
    </form>
  );
}

/** Raising a job: what, where, how long, who. */
export function RaiseScreen(props: RaiseProps) {
  const router = useRouter();
  const [raised, setRaised] = useState(false);
  return (
    <CommandDesk
      handle={{ jobId: '', sequence: 0, me: props.me, names: props.names }}
      onRaised={(jobId) => {
        setRaised(true);
        router.push(`/jobs/${jobId}`);
      }}
    >
      <main className="mx-auto flex max-w-3xl flex-col gap-4 p-4">
        <h1 className="text-2xl font-bold">Raise a job</h1>
        {raised ? <p>Raised. Opening it…</p> : <RaiseForm {...props} />}
      </main>
    </CommandDesk>
  );
}
