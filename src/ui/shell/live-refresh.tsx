'use client';

import { useRouter } from 'next/navigation';
import { useRef } from 'react';
import { useBeat } from './use-beat';

/** Loads the screen anew when anything changes on any other, and says when it cannot know. */
export function LiveRefresh() {
  const router = useRouter();
  const known = useRef<{ readonly head: number; readonly skew: number }>(undefined);
  const silent = useBeat(({ head, now }) => {
    const skew = Date.parse(now) - Date.now();
    const before = known.current;
    known.current = { head, skew };
    if (before && (before.head !== head || Math.abs(before.skew - skew) > 2000)) router.refresh();
  });
  return silent === undefined ? null : (
    <strong role="status" className="bg-error px-2 py-1 text-error-content">
      NOT UP TO DATE since {silent.slice(11, 19)} UTC
    </strong>
  );
}
