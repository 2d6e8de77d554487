'use client';

import Link from 'next/link';
import { useState } from 'react';
import type { TypedInputs } from '../../core/bench';
import { Combobox } from '../kit/combobox';
import { CommandDesk, useCommand } from '../command/use-command';

/** A job that figures may be put into, with what they may be about. */
export interface JobChoice {
  readonly id: string;
  readonly title: string;
  readonly sequence: number;
  readonly subjects: readonly { readonly id: string; readonly label: string }[];
}

interface Props {
  readonly jobs: readonly JobChoice[];
  readonly job: string | undefined;
  readonly subject: string | undefined;
  readonly calculation: string;
  readonly inputs: TypedInputs | undefined;
}

type Inputs = Record<string, { value: number; unit: string } | string>;

const withoutEmpty = (inputs: TypedInputs): Inputs =>
  Object.fromEntries(
    Object.entries(inputs).flatMap(([name, one]) => (one === undefined ? [] : [[name, one]])),
  );

function UseForm({
  jobs,
  chosen,
  onChoose,
  subject: first,
  calculation,
  inputs,
}: Omit<Props, 'job'> & { readonly chosen: JobChoice; readonly onChoose: (id: string) => void }) {
  const run = useCommand();
  const [subject, setSubject] = useState(first ?? '');
  const [kept, setKept] = useState('');
  const [shorten, setShorten] = useState('');
  const about = chosen.subjects.some(({ id }) => id === subject)
    ? subject
    : (chosen.subjects[0]?.id ?? '');
  const use = async () => {
    if (!inputs) return;
    const done = await run({
      kind: 'note-calculation',
      calculation,
      subject: about,
      inputs: withoutEmpty(inputs),
      ...(shorten.trim() === '' ? {} : { shorten }),
    });
    if (done) setKept(chosen.id);
  };
  return (
    <section aria-label="Use in a job" className="no-print border-t-2 border-base-content pt-2">
      <h2 className="text-lg font-bold">Use in this job</h2>
      <div className="flex flex-wrap items-end gap-2">
        <Combobox
          label="Job"
          value={chosen.id}
          onPick={onChoose}
          options={jobs.map(({ id, title }) => ({ id, label: `${id} ${title}` }))}
        />
        <label className="flex flex-col text-sm">
          Shorter than the plant’s own: why it counts (signed)
          <input
            value={shorten}
            onChange={({ target }) => setShorten(target.value)}
            className="input input-sm"
          />
        </label>
        <Combobox label="About" value={about} onPick={setSubject} options={chosen.subjects} />
        <button
          type="button"
          className="btn btn-primary btn-sm"
          disabled={!inputs}
          onClick={() => void use()}
        >
          Use these figures
        </button>
      </div>
      {kept !== '' && (
        <p role="status">
          Kept with{' '}
          <Link href={`/jobs/${kept}`} className="underline">
            {kept}
          </Link>
          : it stands under <em>Energy and sums</em> of that job, and a time to wait stands at its
          step.
        </p>
      )}
    </section>
  );
}

/** Puts the figures into a job, where they are worked out again and kept under the name of whoever did it. */
export function UseInJob({
  me,
  names,
  ...props
}: Props & { readonly me: string; readonly names: Readonly<Record<string, string>> }) {
  const [job, setJob] = useState(props.job);
  const chosen = props.jobs.find(({ id }) => id === job) ?? props.jobs[0];
  if (!chosen)
    return <p className="text-sm">No job is open that these figures could be used in.</p>;
  return (
    <CommandDesk handle={{ jobId: chosen.id, sequence: chosen.sequence, me, names }}>
      <UseForm {...props} chosen={chosen} onChoose={setJob} />
    </CommandDesk>
  );
}
