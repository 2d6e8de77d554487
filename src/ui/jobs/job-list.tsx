import Link from 'next/link';
import type { IncomingOrder } from '../../core/work-orders';
import type { JobRow } from '../../core/watch';
import { Instant } from '../kit/moment';
import { JobTable } from './job-table';

interface WaitingOrder {
  readonly order: IncomingOrder;
  readonly source: string;
}

/** Work orders from outside that wait to be raised as jobs. */
function WaitingOrders({
  orders,
  mayRaise,
}: {
  readonly orders: readonly WaitingOrder[];
  readonly mayRaise: boolean;
}) {
  if (orders.length === 0) return null;
  return (
    <section aria-label="Work orders" className="border-l-4 border-primary pl-3">
      <h2 className="text-lg font-bold">Work orders that wait</h2>
      <ul>
        {orders.map(({ order: { number, title, equipment, wantedFrom }, source }) => (
          <li key={number} className="flex flex-wrap gap-x-3 border-t border-base-300 py-1">
            <span className="font-mono">{number}</span>
            <span className="grow font-bold">{title}</span>
            <span className="font-mono">{equipment}</span>
            {wantedFrom !== undefined && (
              <span className="text-sm">
                wanted <Instant at={wantedFrom} />
              </span>
            )}
            <span className="text-sm">from {source}</span>
            {mayRaise && (
              <Link
                href={`/jobs/new?order=${encodeURIComponent(number)}`}
                className="underline"
                aria-label={`Raise a job from ${number}`}
              >
                Raise
              </Link>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** All jobs, with the work orders that wait to become one. */
export function JobList({
  jobs,
  orders,
  now,
  mayRaise,
}: {
  readonly jobs: readonly JobRow[];
  /** Work orders that no job was raised from yet. */
  readonly orders: readonly WaitingOrder[];
  readonly now: string;
  readonly mayRaise: boolean;
}) {
  return (
    <main className="flex flex-col gap-3 p-4">
      <div className="flex items-center justify-between">
        <div className="flex items-baseline gap-4">
          <h1 className="text-xl font-bold">Jobs</h1>
          <Link href="/procedures" className="underline">
            Written procedures
          </Link>
        </div>
        {mayRaise && (
          <Link href="/jobs/new" className="btn btn-primary btn-sm">
            Raise a job
          </Link>
        )}
      </div>
      <WaitingOrders orders={orders} mayRaise={mayRaise} />
      {jobs.length === 0 ? (
        <p>No job has been raised. A coordinator raises the first.</p>
      ) : (
        <JobTable rows={jobs} now={now} />
      )}
    </main>
  );
}
