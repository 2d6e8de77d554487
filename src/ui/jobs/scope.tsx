'use client';

import { useRouter } from 'next/navigation';
import { FormProvider, useForm } from 'react-hook-form';
import type { Scope } from '../../core/plant';
import { CommandDesk, useCommand } from '../command/use-command';
import type { JobHandle } from '../command/send';
import { HoursField, PlaceFields, type OfferedSection, type PlaceValues } from './place-fields';

interface ScopeProps {
  readonly handle: JobHandle;
  readonly title: string;
  readonly scope: Scope;
  readonly sections: readonly OfferedSection[];
  /** Sections of the equipment. */
  readonly own: readonly string[];
  /** What the job names that has another id on the newest drawing, where it may take those over. */
  readonly renamed: readonly { readonly from: string; readonly to: string }[];
}

function ScopeForm({ handle, scope, sections, own }: ScopeProps) {
  const run = useCommand();
  const router = useRouter();
  const form = useForm<PlaceValues & { reason: string }>({
    defaultValues: {
      work: [...scope.work],
      emptied: [...(scope.emptied ?? [])],
      hours: scope.hours,
      reason: '',
    },
  });
  const change = async (values: PlaceValues & { reason: string }) => {
    if (await run({ kind: 'change-scope', ...values })) router.push(`/jobs/${handle.jobId}`);
  };
  return (
    <FormProvider {...form}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => void form.handleSubmit(change)(event)}
      >
        <PlaceFields sections={sections} own={new Set(own)} />
        <HoursField />
        <label className="flex flex-col">
          Why the scope changes
          <input className="input w-full" required {...form.register('reason')} />
        </label>
        <div>
          <button className="btn btn-primary btn-sm">Change the scope</button>
        </div>
      </form>
    </FormProvider>
  );
}

/** One press where things only have other ids now. */
function NewNames({ handle, renamed }: Pick<ScopeProps, 'handle' | 'renamed'>) {
  const run = useCommand();
  const router = useRouter();
  if (renamed.length === 0) return null;
  const take = async () => {
    if (await run({ kind: 'take-over-names' })) router.push(`/jobs/${handle.jobId}`);
  };
  return (
    <section aria-label="Other ids" className="border-l-4 border-primary pl-3">
      <p>
        On the drawing in force{' '}
        {renamed.map(({ from, to }) => `${from} is called ${to}`).join(', ')}. It is the same plant:
        the job can go on under the new ids.
      </p>
      <button type="button" className="btn btn-sm" onClick={() => void take()}>
        Take the new ids over
      </button>
    </section>
  );
}

/** Changing what a job works on: it is traced, planned, reviewed, proved and permitted anew. */
export function ScopeScreen(props: ScopeProps) {
  return (
    <CommandDesk handle={props.handle}>
      <main className="mx-auto flex max-w-3xl flex-col gap-4 p-4">
        <h1 className="text-2xl font-bold">
          Change the scope of <span className="font-mono">{props.handle.jobId}</span> {props.title}
        </h1>
        <p>
          The points of the plan stay as they are and go back to be checked and reviewed for the new
          scope. Everything is proved again, and work goes on under a new permit: hand a permit that
          is out back first, or cancel it.
        </p>
        <NewNames {...props} />
        <ScopeForm {...props} />
      </main>
    </CommandDesk>
  );
}
