'use client';

import { useEffect, useRef, useState } from 'react';

/** Who is in spaces, which alarms stand with who is missing, and why nothing can be written. */
export interface Shown {
  readonly inside: number;
  readonly alarms: readonly {
    readonly job: string | undefined;
    readonly why: string;
    readonly place?: string | undefined;
    readonly isStopped?: boolean;
    readonly missing: readonly string[];
  }[];
  readonly trouble?: string | undefined;
}

/** What the server says of itself: the newest event, the site's time, and what every screen shows. */
export interface Beat extends Shown {
  readonly head: number;
  /** The newest event of the beat before, and the jobs that something happened to since. */
  readonly since: number;
  readonly changed: readonly string[];
  readonly now: string;
}

/** Without a beat for so long the screen says that it is not up to date (ms). */
const STALE_MS = 6000;

/** Listens to the server; answers since when nothing was heard (ISO 8601, UTC), or undefined while all is well. */
export function useBeat(onBeat: (beat: Beat) => void): string | undefined {
  const [silent, setSilent] = useState<string>();
  const heard = useRef(0);
  const told = useRef(onBeat);
  useEffect(() => {
    told.current = onBeat;
  });
  useEffect(() => {
    heard.current = Date.now();
    const source = new EventSource('/api/live');
    source.onmessage = ({ data }: MessageEvent<string>) => {
      heard.current = Date.now();
      setSilent(undefined);
      told.current(JSON.parse(data) as Beat);
    };
    const timer = setInterval(() => {
      if (Date.now() - heard.current > STALE_MS) setSilent(new Date(heard.current).toISOString());
    }, 1000);
    return () => {
      source.close();
      clearInterval(timer);
    };
  }, []);
  return silent;
}
