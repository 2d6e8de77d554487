import type { StoppedJob } from '../../core/defects/answer';

/** The jobs that a report has stopped, and who is called off by radio now. */
export function StoppedJobs({
  stopped,
  why,
  names,
}: {
  readonly stopped: readonly StoppedJob[];
  /** Why its isolation may no longer hold: ends the sentence. */
  readonly why: string;
  readonly names: Readonly<Record<string, string>>;
}) {
  return stopped.map(({ job, title, on }) => (
    <p key={job} className="border-l-4 border-error bg-error/10 p-2">
      <strong>
        <span className="font-mono">{job}</span> {title} was stopped: {why}.
      </strong>{' '}
      {on.length > 0
        ? `Call off by radio now: ${on.map((id) => names[id] ?? id).join(', ')}.`
        : 'Nobody is signed on.'}
    </p>
  ));
}
