'use client';

import { useMemo, useSyncExternalStore } from 'react';

/** How far the showing has come, with the PINs of the demonstration's people. Kept for this tab of the browser alone. */
export interface Showing {
  readonly step: number;
  readonly pins: Readonly<Record<string, string>>;
}

const KEY = 'show-me';
const CHANGED = 'show-me-changed';

const write = (showing: Showing | undefined): void => {
  if (showing) sessionStorage.setItem(KEY, JSON.stringify(showing));
  else sessionStorage.removeItem(KEY);
  window.dispatchEvent(new Event(CHANGED));
};

export const startShowing = (pins: Showing['pins']): void => write({ step: 0, pins });
export const goTo = (showing: Showing, step: number): void => write({ ...showing, step });
export const stopShowing = (): void => write(undefined);

const listen = (onChange: () => void) => {
  window.addEventListener(CHANGED, onChange);
  return () => window.removeEventListener(CHANGED, onChange);
};

/** What is being shown, as it is kept; undefined while nothing is. */
export function useShowing(): Showing | undefined {
  const kept = useSyncExternalStore(
    listen,
    () => sessionStorage.getItem(KEY),
    () => null,
  );
  return useMemo(() => (kept === null ? undefined : (JSON.parse(kept) as Showing)), [kept]);
}
