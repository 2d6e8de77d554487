'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';

/** Loads the screen anew, at least so long (ms) after it was last loaded so. Asked again before that, the sooner counts. */
export function useRefresh(): (apart: number) => void {
  const router = useRouter();
  const last = useRef(-Infinity);
  const waiting = useRef<{ readonly at: number; readonly timer: number }>(undefined);
  useEffect(() => () => window.clearTimeout(waiting.current?.timer), []);
  return (apart) => {
    const now = Date.now();
    const at = Math.max(now, last.current + apart);
    if (waiting.current && waiting.current.at <= at) return;
    window.clearTimeout(waiting.current?.timer);
    const timer = window.setTimeout(() => {
      last.current = Date.now();
      waiting.current = undefined;
      router.refresh();
    }, at - now);
    waiting.current = { at, timer };
  };
}
