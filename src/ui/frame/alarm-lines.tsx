'use client';

import Link from 'next/link';
import { useState } from 'react';
import { capitalise } from '../../core/text';
import type { Shown } from '../shell/use-beat';
import { shorten, splitClauses } from './clauses';

type Alarm = Shown['alarms'][number];

/** One alarm in one line: what and how bad, where, who has to be accounted for. What else is known is one press away. */
function AlarmLine({ alarm: { job, why, missing, place, isStopped } }: { readonly alarm: Alarm }) {
  const [isOpen, setOpen] = useState(false);
  const clauses = splitClauses(why);
  const [first = ''] = clauses;
  const short = shorten(first);
  const hasMore = clauses.length > 1 || short !== first;
  return (
    <div data-alarm={job ?? 'unknown'} className="px-3 py-1">
      <p className="flex items-center gap-2 max-sm:flex-wrap">
        <strong className="shrink-0">▲ ALARM</strong>
        <span className="min-w-0 grow max-sm:basis-full sm:truncate" title={why}>
          {capitalise(short)}
          {place !== undefined && ` at ${place}`}.
          {job !== undefined && ` ${job}${isStopped ? ' is stopped' : ''}.`}
          {missing.length > 0 && <strong> Account for {missing.join(', ')}.</strong>}
        </span>
        {hasMore && (
          <button
            className="btn btn-xs shrink-0"
            aria-expanded={isOpen}
            onClick={() => setOpen(!isOpen)}
          >
            {isOpen ? 'Less' : 'All of it'}
          </button>
        )}
        {job !== undefined && (
          <Link href={`/jobs/${job}`} className="btn btn-xs shrink-0">
            Go to {job}
          </Link>
        )}
      </p>
      {isOpen && (
        <ul className="list-disc pl-8">
          {clauses.map((clause) => (
            <li key={clause}>{clause}</li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** Alarms that stand, over every screen. */
export function AlarmLines({ alarms }: Pick<Shown, 'alarms'>) {
  if (alarms.length === 0) return null;
  return (
    <div role="alert" className="bg-error text-error-content">
      {alarms.map((alarm) => (
        <AlarmLine key={`${alarm.job} ${alarm.why}`} alarm={alarm} />
      ))}
    </div>
  );
}

/** Nothing can be written: what is pressed now is lost, and everybody has to know. */
export function TroubleLine({ trouble }: Pick<Shown, 'trouble'>) {
  if (trouble === undefined) return null;
  return (
    <p role="alert" data-trouble className="bg-error px-3 py-1 text-error-content">
      <strong>SOMETHING IS WRONG WITH THE RECORD.</strong> {trouble} Until this line is gone, stop
      work by radio and write down by hand what cannot be entered.
    </p>
  );
}
