'use client';

import { useState, useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** The tab that is shown: as the address says behind its #, until another is picked; loading the page anew shows the same. */
export function useTab<Id extends string>(first: Id): [Id, (tab: Id) => void] {
  const asked = useSyncExternalStore(
    never,
    () => window.location.hash.slice(1),
    () => '',
  );
  const [picked, setPicked] = useState<Id>();
  const show = (tab: Id) => {
    setPicked(tab);
    window.history.replaceState(null, '', `#${tab}`);
  };
  return [picked ?? (asked === '' ? first : (asked as Id)), show];
}
