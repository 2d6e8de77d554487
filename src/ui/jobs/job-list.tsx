import Link from 'next/link';
import type { IncomingOrder } from '../../core/work-orders';
import { Beside, Instant } from '../shell/site-moments';

interface JobRow {
  readonly id: string;
  readonly title: string;
  readonly equipment: string;
  readonly stage: string;
  readonly until: string | null;
  /** How its newest permit stands. */
  readonly permit: string | null;
}

const STAGE_WORDS: Readonly<Record<string, string>> = {
  plan: 'to be planned',
  review: 'waits for review',
  'walk-down': 'to be walked down',
  isolate: 'being isolated',
  permit: 'waits for its permit',
  work: 'under permit',
  restore: 'being restored',
  closed: 'closed',
};

/** What a job under permit is at. */
const PERMIT_WORDS: Readonly<Record<string, string>> = {
  issued: 'permit live',
  suspended: 'STOPPED',
  lapsed: 'permit lapsed',
  'handed-back': 'handed back, to be closed',
  watched: 'watched for fire',
};

const sayStage = ({ stage, permit }: JobRow): string =>
  (stage === 'work' && PERMIT_WORDS[permit ?? '']) || (STAGE_WORDS[stage] ?? stage);

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

/** All jobs, those that need someone first. */
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
  const order = ['work', 'restore', 'permit', 'isolate', 'walk-down', 'review', 'plan', 'closed'];
  const sorted = [...jobs].sort((a, b) => order.indexOf(a.stage) - order.indexOf(b.stage));
  return (
    <main className="mx-auto flex max-w-5xl flex-col gap-4 p-4">
      <div className="flex items-center justify-between">
        <h1 className="text-2xl font-bold">Jobs</h1>
        {mayRaise && (
          <Link href="/jobs/new" className="btn btn-primary btn-sm">
            Raise a job
          </Link>
        )}
      </div>
      <WaitingOrders orders={orders} mayRaise={mayRaise} />
      {jobs.length === 0 && <p>No job has been raised. A coordinator raises the first.</p>}
      <ul className="flex flex-col">
        {sorted.map((row) => (
          <li key={row.id} className="border-t border-base-300">
            <Link
              href={`/jobs/${row.id}`}
              className="grid grid-cols-2 gap-x-3 py-2 hover:bg-base-200 sm:grid-cols-[5rem_1fr_6rem_12rem_12rem]"
            >
              <span className="font-mono">{row.id}</span>
              <span className="font-bold">{row.title}</span>
              <span className="font-mono">{row.equipment}</span>
              <span>{sayStage(row)}</span>
              <span className="font-mono text-sm">
                {row.until !== null && <Beside at={row.until} now={now} />}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </main>
  );
}
