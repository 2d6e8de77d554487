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
        <p key={job} data-alarm={job}>
          <strong>▲ ALARM</strong>{' '}
          <Link href={`/jobs/${job}`} className="font-mono underline">
            {job}
          </Link>{' '}
          {why}
          {missing.length > 0 && <strong>. Not accounted for: {missing.join(', ')}</strong>}
        </p>
      ))}
    </div>
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
    const { head, now, inside, alarms } = beat;
    setHeard({ inside, alarms });
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
      <Alarms alarms={heard.alarms} />
      {silent !== undefined && refreshes && (
        <strong role="status" className="bg-error px-2 py-1 text-error-content">
          NOT UP TO DATE since {seconds(silent)} {offset(silent)}
        </strong>
      )}
    </>
  );
}
