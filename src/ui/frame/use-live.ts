'use client';

import { usePathname } from 'next/navigation';
import { useRef, useState } from 'react';
import { findApart, type Known } from '../shell/apart';
import { useBeat, type Shown } from '../shell/use-beat';
import { useRefresh } from '../shell/use-refresh';

/** Screens that load themselves anew, and say by themselves when they are not up to date. */
const keepsItself = (path: string): boolean => path === '/watch' || path.endsWith('/field');

/**
 * Loads the screen anew when anything changes on any other. Answers what every screen shows, as it is heard; and since when nothing was heard
 * (ISO 8601, UTC), where the screen does not say so itself.
 */
export function useLive(shown: Shown): { readonly heard: Shown; readonly silent?: string } {
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
    if (apart !== undefined && !keepsItself(path)) refresh(apart);
  });
  return { heard, ...(silent === undefined || keepsItself(path) ? {} : { silent }) };
}
