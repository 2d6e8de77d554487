import Link from 'next/link';
import type { NextUp } from '../../core/watch';
import { Beside } from '../shell/site-moments';

const MOST = 40;

/** What needs someone next: at once, by a moment, or when somebody gets to it. */
export function QueueList({
  queue,
  now,
}: {
  readonly queue: readonly NextUp[];
  readonly now: string;
}) {
  return (
    <section aria-label="Needs someone next" className="flex flex-col gap-1">
      <h2 className="text-lg font-bold">Needs someone next</h2>
      {queue.length === 0 && <p>Nothing. Every job is where it should be.</p>}
      <ol>
        {queue.slice(0, MOST).map(({ job, title, urgency, at, who, what }, n) => {
          const isOver = at !== undefined && Date.parse(at) <= Date.parse(now);
          const grave = urgency === 'now' || isOver;
          return (
            <li
              key={`${job} ${what} ${n}`}
              data-urgency={urgency}
              className={`border-t py-1 ${grave ? 'border-l-4 border-error pl-2' : 'border-base-300'}`}
            >
              <p className="font-bold">
                {urgency === 'now' ? 'NOW ' : ''}
                {at !== undefined && (
                  <span className="font-mono">
                    <Beside at={at} now={now} />{' '}
                  </span>
                )}
                {what}
              </p>
              <p className="text-xs">
                <Link href={`/jobs/${job}`} className="font-mono underline">
                  {job}
                </Link>{' '}
                {title}; {who}
              </p>
            </li>
          );
        })}
      </ol>
      {queue.length > MOST && <p>{queue.length - MOST} more wait.</p>}
    </section>
  );
}
