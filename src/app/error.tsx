'use client';

import Link from 'next/link';

/** A page that could not be drawn: where to go on, since work may be under way. */
export default function BrokenPage({ error }: { readonly error: Error & { digest?: string } }) {
  return (
    <main className="mx-auto flex max-w-3xl flex-col gap-3 p-4">
      <h1 className="text-2xl font-bold">This page cannot be shown</h1>
      <p role="alert" className="border-l-4 border-error pl-3">
        Nothing was changed by it. Permits that are out stay out: take every job as live until you
        have seen it elsewhere.
      </p>
      <p>
        Go on at{' '}
        <Link href="/watch" className="underline">
          Watch
        </Link>{' '}
        or{' '}
        <Link href="/jobs" className="underline">
          Jobs
        </Link>
        . If it happens again, tell whoever looks after the server
        {error.digest === undefined ? '.' : ` that it was fault ${error.digest}.`}
      </p>
    </main>
  );
}
