'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { FormProvider, useForm, useWatch } from 'react-hook-form';
import type { Scope } from '../../core/plant';
import type { OfferedProcedure } from '../../core/procedures/offered';
import type { IncomingOrder } from '../../core/work-orders';
import { CommandDesk, useCommand } from '../command/use-command';
import { FormPick } from '../kit/form-pick';
import { HoursField, PlaceFields, type OfferedSection, type PlaceValues } from './place-fields';

interface RaiseProps {
  readonly me: string;
  readonly names: Readonly<Record<string, string>>;
  readonly equipment: readonly { id: string; name: string; sections: readonly string[] }[];
  readonly sections: readonly OfferedSection[];
  readonly performers: readonly { id: string; label: string }[];
  /** The work order that it is raised from. */
  readonly order?: IncomingOrder | undefined;
  /** Where it was asked for on the plant. */
  readonly place?: Scope['work'][number] | undefined;
  /** Written procedures of the machines. */
  readonly procedures: readonly OfferedProcedure[];
}

interface Fields extends PlaceValues {
  title: string;
  equipment: string;
  performer: string;
}

/** Where the work on a machine may first be taken to be: at a section of it that is no source. */
function findPlace(
  item: RaiseProps['equipment'][number] | undefined,
  sections: readonly OfferedSection[],
): string {
  const free = sections.filter(({ isSource }) => !isSource);
  return (free.find(({ id }) => item?.sections.includes(id)) ?? free[0])?.id ?? '';
}

/** Written procedures of the machine: a press fills in their task and place. */
function Written({
  procedures,
  onTake,
}: {
  readonly procedures: readonly OfferedProcedure[];
  readonly onTake: (one: OfferedProcedure) => void;
}) {
  if (procedures.length === 0) return null;
  return (
    <section
      aria-label="Written procedures"
      className="flex flex-col gap-1 rounded-box bg-base-200 p-2"
    >
      <p className="text-sm">
        There is a written procedure for this machine. Its plan is offered again when the job is
        planned.
      </p>
      {procedures.map((one) => (
        <div key={one.number} className="flex flex-wrap items-center gap-2 text-sm">
          <button type="button" className="btn btn-sm" onClick={() => onTake(one)}>
            Raise it by {one.name}
          </button>
          <span>
            {one.task}, version {one.version}
            {one.isOverdue && <strong>; its inspection is overdue</strong>}
            {!one.isHolding && <strong>; it no longer holds on the plant as it is</strong>}
          </span>
        </div>
      ))}
    </section>
  );
}

function RaiseForm({ equipment, sections, performers, order, place, procedures }: RaiseProps) {
  const run = useCommand();
  const first =
    equipment.find(({ id }) => id === order?.equipment) ??
    equipment.find((item) => place && item.sections.includes(place.section)) ??
    equipment[0];
  const form = useForm<Fields>({
    defaultValues: {
      title: order?.title ?? '',
      hours: order?.hours ?? 6,
      equipment: first?.id,
      performer: order?.performer ?? performers[0]?.id,
      work: order?.work.length
        ? [...order.work]
        : [place ?? { section: findPlace(first, sections), activity: 'open' }],
      emptied: [],
    },
  });
  const { register, control, handleSubmit, getValues, setValue } = form;
  const picked = useWatch({ control, name: 'equipment' });
  const own = new Set(equipment.find(({ id }) => id === picked)?.sections);
  /** The place of work goes with the machine, while one place is named and it is not on the machine. */
  const follow = (item: RaiseProps['equipment'][number] | undefined) => {
    const [first, ...more] = getValues('work');
    if (!first || more.length > 0 || item?.sections.includes(first.section)) return;
    setValue('work.0.section', findPlace(item, sections));
  };
  return (
    <FormProvider {...form}>
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
            From work order <strong className="font-mono">{order.number}</strong>: check every
            field; the sections decide which sources are looked for. {order.note}
          </p>
        )}
        <label className="flex flex-col">
          What is to be done
          <input className="input w-full" {...register('title', { required: true })} required />
        </label>
        <div className="grid gap-3 sm:grid-cols-3">
          <FormPick
            label="Equipment"
            control={control}
            name="equipment"
            isLarge
            options={equipment.map(({ id, name }) => ({ id, label: `${id} ${name}` }))}
            onPick={(id) => follow(equipment.find((item) => item.id === id))}
          />
          <HoursField />
          <FormPick
            label="Who leads the work"
            control={control}
            name="performer"
            isLarge
            options={performers}
          />
        </div>
        <Written
          procedures={procedures.filter((one) => one.equipment === picked)}
          onTake={({ task, scope }) => {
            setValue('title', task);
            setValue('hours', scope.hours);
            setValue('work', [...scope.work]);
            setValue('emptied', [...(scope.emptied ?? [])]);
          }}
        />
        <PlaceFields sections={sections} own={own} />
        <div>
          <button className="btn btn-primary btn-sm">Raise the job</button>
        </div>
      </form>
    </FormProvider>
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
