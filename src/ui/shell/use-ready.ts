import { useEffect } from 'react';

/** Says on the page that its work answers: what is pressed before may be lost, and the pointer shows it (globals.css). */
export function useReady(): void {
  useEffect(() => {
    document.documentElement.dataset.ready = 'yes';
  }, []);
}
