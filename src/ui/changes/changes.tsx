'use client';

import Link from 'next/link';
import { useState } from 'react';
import { toast } from 'sonner';
import type { ChangeCommand } from '../../core/changes/commands';
import { kindOf } from '../../core/changes/kinds';
import type { ChangeLine } from '../../core/changes/line';
import { listChangeSigners, nameChange } from '../../core/changes/record';
import type { StoppedJob } from '../../core/defects/answer';
import { nameFew } from '../../core/text';
import type { Posted } from '../command/post';
import { useSigned } from '../command/use-signed';
import { Beside, Instant } from '../kit/moment';
import { StoppedJobs } from '../defects/stopped-jobs';
import { NextSteps, type StepProps } from './next-steps';
import { ProposeForm } from './propose-form';

type Names = Readonly<Record<string, string>>;

interface Answer extends Posted {
  readonly number?: number;
  readonly stopped?: readonly StoppedJob[];
}

function History({ line, names }: { readonly line: ChangeLine; readonly names: Names }) {
  const { change } = line;
  const name = (id: string) => names[id] ?? id;
  const { review, told, drawn, undone, stillThere, gone } = change;
  const assessed = review.kind === 'allowed' ? review.assessed : review;
  return (
    <ul className="text-sm">
      <li>
        Proposed by {name(change.by)}, <Instant at={change.at} />, because: {change.why}
        {change.job !== undefined && (
          <>
            {' '}
            (for{' '}
            <Link href={`/jobs/${change.job}`} className="font-mono underline">
              {change.job}
            </Link>
            )
          </>
        )}
      </li>
      {'hazards' in assessed && (
        <li>
          Hazards looked at by {name(assessed.by)}, <Instant at={assessed.at} />: {assessed.hazards}
          . Done about them: {assessed.measures}
        </li>
      )}
      {review.kind === 'allowed' && (
        <li>
          Allowed by {name(review.by)}, <Instant at={review.at} />
        </li>
      )}
      {review.kind === 'turned-down' && (
        <li>
          <strong>Turned down</strong> by {name(review.by)}, <Instant at={review.at} />:{' '}
          {review.why}
        </li>
      )}
      {told.map(({ at, by, people, how }) => (
        <li key={at + by}>
          {nameFew(people.map(name))} told by {name(by)}, <Instant at={at} />: {how}
        </li>
      ))}
      {drawn && (
        <li>
          On the drawing since version {drawn.version}, {name(drawn.by)}, <Instant at={drawn.at} />
        </li>
      )}
      {stillThere.map(({ at, by, how }) => (
        <li key={at}>
          <strong>Looked for, and still there:</strong> {name(by)}, <Instant at={at} />: {how}
        </li>
      ))}
      {undone && (
        <li>
          Put back by {name(undone.by)}, <Instant at={undone.at} />: {undone.how}
        </li>
      )}
      {gone && (
        <li>
          Gone, seen by {name(gone.by)}, <Instant at={gone.at} />: {gone.how}
        </li>
      )}
    </ul>
  );
}

function ChangeCard(props: StepProps & { readonly names: Names }) {
  const { line, names, now } = props;
  const { change, name, says, review, until, isOver, jobs } = line;
  return (
    <li
      id={name}
      data-change={name}
      className={`flex flex-col gap-1 rounded-box bg-base-200 p-3 ${isOver ? 'border-l-4 border-error' : ''}`}
    >
      <p>
        <strong className="font-mono">{name}</strong> <strong>{says}</strong>
        {': '}
        <span className={isOver ? 'font-bold text-error' : ''}>{review}</span>
        {until !== undefined && change.gone === undefined && (
          <>
            , until <Beside at={until} now={now} />
          </>
        )}
      </p>
      {kindOf(change.change).connects !== undefined &&
        change.gone === undefined &&
        !change.drawn && (
          <p className="text-sm">
            Every plan follows it as a way that nothing shuts, until somebody has seen that it is
            gone.
          </p>
        )}
      <History line={line} names={names} />
      {jobs.length > 0 && (
        <p className="text-sm">
          <strong>Plant is not started again before this is settled:</strong>{' '}
          {jobs.map((job) => (
            <Link key={job} href={`/jobs/${job}`} className="mr-2 font-mono underline">
              {job}
            </Link>
          ))}
        </p>
      )}
      {line.isPending && <NextSteps {...props} />}
    </li>
  );
}

/** What is changed at the plant and on its drawing: what it is for, how far its review is, and what has to be done next. */
export function ChangesScreen({
  me,
  now,
  pending,
  past,
  pastCount,
  names,
  version,
  places,
  job,
  start,
}: {
  readonly me: string;
  readonly now: string;
  readonly pending: readonly ChangeLine[];
  readonly past: readonly ChangeLine[];
  readonly pastCount: number;
  readonly names: Names;
  readonly version: number;
  readonly places: readonly { readonly id: string; readonly label: string }[];
  /** The job from which the page was opened, and the place. */
  readonly job: string | undefined;
  readonly start: string | undefined;
}) {
  const [isOpen, setOpen] = useState(job !== undefined || start !== undefined);
  const [stopped, setStopped] = useState<readonly StoppedJob[]>([]);
  const { give, shown } = useSigned<ChangeCommand, Answer>({
    url: '/api/changes',
    names,
    signersOf: (command) => listChangeSigners(command, me),
    changed: 'Somebody was quicker. Nothing of yours was kept: look again.',
  });
  const people = Object.entries(names).map(([id, label]) => ({ id, label }));
  const cards = (lines: readonly ChangeLine[]) => (
    <ul className="flex flex-col gap-2">
      {lines.map((line) => (
        <ChangeCard
          key={line.name}
          {...{ line, now, version, people, names }}
          give={(command) => give(command)}
        />
      ))}
    </ul>
  );
  return (
    <main className="flex flex-col gap-3 p-4">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h1 className="text-xl font-bold">Changes</h1>
        {!isOpen && (
          <button className="btn btn-primary btn-sm max-sm:h-11" onClick={() => setOpen(true)}>
            Record a change
          </button>
        )}
      </div>
      <p className="max-w-prose text-sm">
        Temporary hoses and jumpers, blanks left in, modifications, and every new version of the
        drawing. Plant is not taken back into service with one that nobody has reviewed.
      </p>
      {isOpen && (
        <ProposeForm
          {...{ places, now, job, start }}
          onSend={(command) =>
            give(command, ({ number = 0, stopped: hit = [] }) => {
              toast.success(`${nameChange(number)} is recorded.`);
              setStopped(hit);
              setOpen(false);
            })
          }
        />
      )}
      <StoppedJobs stopped={stopped} why="its isolation may no longer hold" names={names} />
      {pending.length === 0 ? (
        <p className="rounded-box bg-base-200 p-4">
          No change is open. Anybody who is signed in records here what is connected, left in or
          altered, before it is done; also what they find that nobody has recorded.
        </p>
      ) : (
        cards(pending)
      )}
      {past.length > 0 && (
        <details>
          <summary className="cursor-pointer font-bold">Settled or gone: {pastCount}</summary>
          {cards(past)}
        </details>
      )}
      {shown}
    </main>
  );
}
