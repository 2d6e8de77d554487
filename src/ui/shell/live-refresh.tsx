'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useRef, useState } from 'react';
import { findApart, type Known } from './apart';
import { useMoments } from './site-moments';
import { useBeat, type Shown } from './use-beat';
import { useRefresh } from './use-refresh';

/** An alarm that stands, with who has not been accounted for, over every screen. */
function Alarms({ alarms }: Pick<Shown, 'alarms'>) {
  if (alarms.length === 0) return null;
  return (
    <div role="alert" className="order-last w-full bg-error px-2 py-1 text-error-content">
      {alarms.map(({ job, why, missing }) => (
        <p key={`${job} ${why}`} data-alarm={job ?? 'unknown'}>
          <strong>▲ ALARM</strong>{' '}
          {job !== undefined && (
            <Link href={`/jobs/${job}`} className="font-mono underline">
              {job}
            </Link>
          )}{' '}
          {why}
          {missing.length > 0 && <strong>. Not accounted for: {missing.join(', ')}</strong>}
        </p>
      ))}
    </div>
  );
}

/** Nothing can be written: what is pressed now is lost, and everybody has to know. */
function Trouble({ trouble }: Pick<Shown, 'trouble'>) {
  if (trouble === undefined) return null;
  return (
    <p
      role="alert"
      data-trouble
      className="order-last w-full bg-error px-2 py-1 text-error-content"
    >
      <strong>SOMETHING IS WRONG WITH THE RECORD.</strong> {trouble} Until this line is gone, stop
      work by radio and write down by hand what cannot be entered.
    </p>
  );
}

/**
 * Loads the screen anew when anything changes on any other, and says when it cannot know. How many people are in spaces and which
 * alarms stand is shown as it is heard, also over screens that load themselves; those say by themselves when they are not up to date.
 */
export function LiveRefresh({
  shown,
  refreshes,
}: {
  readonly shown: Shown;
  readonly refreshes: boolean;
}) {
  const { seconds, offset } = useMoments();
  const [heard, setHeard] = useState(shown);
  const path = usePathname();
  const known = useRef<Known>(undefined);
  const refresh = useRefresh();
  const silent = useBeat((beat) => {
    const { head, now, inside, alarms, trouble } = beat;
    setHeard({ inside, alarms, trouble });
    const skew = Date.parse(now) - Date.now();
    const apart = findApart(path, known.current, { ...beat, skew });
    known.current = { head, skew };
    if (apart !== undefined && refreshes) refresh(apart);
  });
  return (
    <>
      <span
        data-testid="in-spaces"
        title="People in confined spaces now"
        className={heard.inside > 0 ? 'border-2 border-current px-2 font-bold' : 'text-sm'}
      >
        in spaces: <span className="font-mono">{heard.inside}</span>
      </span>
      <Trouble trouble={heard.trouble} />
      <Alarms alarms={heard.alarms} />
      {silent !== undefined && refreshes && (
        <strong role="status" className="bg-error px-2 py-1 text-error-content">
          NOT UP TO DATE since {seconds(silent)} {offset(silent)}
        </strong>
      )}
    </>
  );
}
