'use client';

import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { Time } from '../kit/moment';

/** A moment after the proofs have run out. */
const AFTER_MS = 1_000;

/** Says until when the proofs count, and shows the lamps anew when that is over. */
export function ProofsEnd({
  now,
  end,
}: {
  readonly now: string;
  readonly end: string | undefined;
}) {
  const router = useRouter();
  const left = end === undefined ? undefined : Date.parse(end) - Date.parse(now);
  useEffect(() => {
    if (left === undefined || left < 0) return;
    const timer = setTimeout(() => router.refresh(), left + AFTER_MS);
    return () => clearTimeout(timer);
  }, [left, router]);
  if (end === undefined || left === undefined || left < 0) return null;
  return (
    <p className="text-sm">
      Proofs count until{' '}
      <span className="font-mono">
        <Time at={end} />
      </span>{' '}
      (in {Math.ceil(left / 60_000)} min) unless someone is at it before.
    </p>
  );
}
