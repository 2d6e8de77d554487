'use client';

import { useEffect } from 'react';

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

/** Listens for the keys of the frame. */
export function useFrameKeys(onFind: () => void, onKeys: () => void): void {
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        onFind();
      } else if (event.key === '?' && !isTyping(event.target)) {
        onKeys();
      }
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [onFind, onKeys]);
}
