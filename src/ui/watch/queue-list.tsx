import Link from 'next/link';
import type { Role } from '../../core/people/people';
import { capitalise } from '../../core/text';
import type { NextUp } from '../../core/watch';
import { useMoments } from '../kit/moment';

const MOST = 40;

/** Roles that do what waits for them at the plant, and those that do it at the hatch. */
const IN_THE_FIELD: readonly Role[] = [
  'isolating-electrical',
  'isolating-mechanical',
  'isolating-process',
  'area-operator',
];
const AT_THE_HATCH: readonly Role[] = ['issuing-authority'];

/** Where it is done. */
function placeOf({ job, role, to }: NextUp): string {
  if (to !== undefined) return to;
  if (IN_THE_FIELD.includes(role)) return `/jobs/${job}/field`;
  return AT_THE_HATCH.includes(role) ? `/hatch?job=${job}` : `/jobs/${job}`;
}

/** When: at once, by a moment and how far off that is, or whenever somebody gets to it. */
function When({ next, now, isOver }: { next: NextUp; now: string; isOver: boolean }) {
  const { clock, until } = useMoments();
  const { urgency, at } = next;
  if (urgency === 'now') return <strong className="text-xl text-error">NOW</strong>;
  if (at === undefined) return <span className="text-sm">waits</span>;
  return (
    <time dateTime={at} className={isOver ? 'text-error' : ''}>
      <strong className="block font-mono text-xl leading-6">{clock(at)}</strong>
      <span className="block text-xs">{until(at, now)}</span>
    </time>
  );
}

/** What needs someone next, a card each: when, what, who. A press goes to where it is done. */
export function QueueList({
  queue,
  now,
}: {
  readonly queue: readonly NextUp[];
  readonly now: string;
}) {
  return (
    <section
      aria-label="Needs someone next"
      className="flex min-h-0 flex-col gap-1 lg:max-h-[calc(100vh-7.5rem)]"
    >
      <h2 className="text-lg font-bold">Needs someone next</h2>
      {queue.length === 0 && <p>Nothing. Every job is where it should be.</p>}
      <ol className="flex flex-col gap-1.5 overflow-auto pr-1" tabIndex={queue.length > 0 ? 0 : -1}>
        {queue.slice(0, MOST).map((next, n) => {
          const { job, title, urgency, at, who, what } = next;
          const isOver = at !== undefined && Date.parse(at) <= Date.parse(now);
          const isGrave = urgency === 'now' || isOver;
          return (
            <li key={`${job} ${what} ${n}`} data-urgency={urgency}>
              <Link
                href={placeOf(next)}
                className={`grid grid-cols-[4.25rem_minmax(0,1fr)] gap-2 rounded-box p-2 hover:outline-2 hover:outline-primary ${isGrave ? 'border-l-4 border-error bg-error/10' : 'bg-base-200'}`}
              >
                <When next={next} now={now} isOver={isOver} />
                <span className="min-w-0">
                  <span className="line-clamp-3 font-bold" title={what}>
                    {capitalise(what)}
                  </span>
                  <span className="block truncate text-sm">
                    <span className="font-mono">{job}</span> {title}
                  </span>
                  <span className="block text-xs">{capitalise(who)}</span>
                </span>
              </Link>
            </li>
          );
        })}
      </ol>
      {queue.length > MOST && <p className="text-sm">{queue.length - MOST} more wait.</p>}
    </section>
  );
}
