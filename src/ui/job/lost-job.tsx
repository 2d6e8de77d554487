import Link from 'next/link';
import type { UnreadableJob } from '../../core/watch';

/** What is left of a job that cannot be read: its permit and its people, and what to do now. */
export function LostJob({
  job: { id, title, why, permit, people },
  names,
}: {
  readonly job: UnreadableJob;
  readonly names: Readonly<Record<string, string>>;
}) {
  return (
    <main className="mx-auto flex max-w-3xl flex-col gap-3 p-4">
      <h1 className="text-2xl font-bold">
        <span className="font-mono">{id}</span> {title}
      </h1>
      <p role="alert" className="border-l-4 border-error pl-3">
        <strong>This job cannot be read: {why}.</strong> Take it as live. Keep everyone out until
        someone has looked at the plant itself.
      </p>
      <dl className="grid grid-cols-[10rem_1fr] gap-y-1">
        <dt>Permit, as last kept</dt>
        <dd className="font-mono">{permit ? `${permit.number}, ${permit.state}` : 'none'}</dd>
        <dt>Signed on, as last kept</dt>
        <dd>{people.length > 0 ? people.map((one) => names[one] ?? one).join(', ') : 'nobody'}</dd>
      </dl>
      <p>
        Its events stand in the{' '}
        <Link href={`/jobs/${id}/record`} className="underline">
          record
        </Link>
        . If its place of work is no longer on the drawing, save a version of the{' '}
        <Link href="/plant" className="underline">
          plant
        </Link>{' '}
        that has it. Otherwise run <code>lantern ledger verify</code>.
      </p>
    </main>
  );
}
