import Link from 'next/link';
import { redirect } from 'next/navigation';
import { sharedDatabase } from '../../server/database';
import type { FoundJob, FoundThing } from '../../core/found';
import { findAnything } from '../../server/search';
import { findMe } from '../../server/session';
import { Day } from '../../ui/kit/moment';

function JobLine({ found }: { readonly found: FoundJob }) {
  const { job, title, equipment, stage, raisedAt, permits } = found;
  return (
    <li data-found={job} className="flex flex-wrap gap-x-3 border-t border-base-300 py-1">
      <Link href={`/jobs/${job}`} className="font-mono underline">
        {job}
      </Link>
      <span className="font-mono">{permits.join(', ')}</span>
      <span className="grow font-bold">{title}</span>
      <span className="font-mono">{equipment}</span>
      <span>{stage}</span>
      <span className="font-mono text-sm">
        <Day at={raisedAt} />
      </span>
    </li>
  );
}

const WHERE: Readonly<Record<FoundThing['kind'], string>> = {
  plant: '/plant',
  lock: '/locks',
  person: '/watch',
};

function ThingLine({ found }: { readonly found: FoundThing }) {
  const { kind, id, name, job } = found;
  return (
    <li data-found={id} className="flex flex-wrap gap-x-3 border-t border-base-300 py-1">
      <Link href={WHERE[kind]} className="font-mono underline">
        {kind === 'person' ? name : id}
      </Link>
      {kind !== 'person' && <span>{name}</span>}
      {job !== undefined && (
        <span>
          {kind === 'person' ? 'signed on at' : 'hangs at'}{' '}
          <Link href={`/jobs/${job}`} className="font-mono underline">
            {job}
          </Link>
        </span>
      )}
    </li>
  );
}

/** Finds jobs, permits and things of the site by whatever a person knows of them. */
export default async function FindPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ q?: string | string[] }>;
}) {
  if (!(await findMe())) redirect('/login');
  const { q = '' } = await searchParams;
  const question = (Array.isArray(q) ? q.join(' ') : q).slice(0, 200);
  const { jobs, things } = findAnything(sharedDatabase(), question);
  return (
    <main className="mx-auto flex max-w-5xl flex-col gap-4 p-4">
      <h1 className="text-xl font-bold">Find</h1>
      <form action="/find" role="search" className="flex gap-2">
        <input
          name="q"
          defaultValue={question}
          aria-label="Number, tag, person, lock, date or word"
          className="input grow"
        />
        <button className="btn btn-primary">Find</button>
      </form>
      <p className="text-sm">
        Several words narrow it down; the beginning of a word is enough. A date as 2026-11-25.
      </p>
      <section aria-label="Jobs and permits">
        <h2 className="text-lg font-bold">Jobs and permits</h2>
        {jobs.length === 0 ? (
          <p>{question === '' ? 'Ask for something.' : 'None found.'}</p>
        ) : (
          <ul>
            {jobs.map((found) => (
              <JobLine key={found.job} found={found} />
            ))}
          </ul>
        )}
      </section>
      {things.length > 0 && (
        <section aria-label="Points, locks and people">
          <h2 className="text-lg font-bold">Points, locks and people</h2>
          <ul>
            {things.map((found) => (
              <ThingLine key={`${found.kind} ${found.id}`} found={found} />
            ))}
          </ul>
        </section>
      )}
    </main>
  );
}
