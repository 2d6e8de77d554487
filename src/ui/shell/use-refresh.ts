'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { makeReloader } from './reloader';

/** Loads the screen anew, at least so long (ms) after it was last loaded so. */
export function useRefresh(): (apart: number) => void {
  const router = useRouter();
  const [reloader] = useState(() => makeReloader(() => router.refresh()));
  useEffect(() => reloader.stop, [reloader]);
  return reloader.ask;
}
