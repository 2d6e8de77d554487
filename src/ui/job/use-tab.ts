'use client';

import { useState, useSyncExternalStore } from 'react';
import type { TabId } from './spots';

const never = () => () => undefined;

/** The tab that is shown: as the address says behind its #, until another is picked; loading the page anew shows the same. */
export function useTab(first: TabId): [TabId, (tab: TabId) => void] {
  const asked = useSyncExternalStore(
    never,
    () => window.location.hash.slice(1),
    () => '',
  );
  const [picked, setPicked] = useState<TabId>();
  const show = (tab: TabId) => {
    setPicked(tab);
    window.history.replaceState(null, '', `#${tab}`);
  };
  return [picked ?? (asked === '' ? first : (asked as TabId)), show];
}
