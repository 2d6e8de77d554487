'use client';

import { useEffect } from 'react';

/** Says on the page that its scripts answer: what was pressed before is made good then (app/early-press.ts). */
export function Awake() {
  useEffect(() => {
    document.documentElement.dataset.awake = 'yes';
  }, []);
  return null;
}
