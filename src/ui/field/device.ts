import { createStore, get, update } from 'idb-keyval';
import type { Entry, Keep, RoundEnd } from './outbox';

const KEY = 'entries';
const store = () => createStore('heavy-lantern', 'outbox');

/** Keeps entries in the database of the browser, shared by its tabs. */
export const onDevice: Keep = {
  read: async () => (await get<Entry[]>(KEY, store())) ?? [],
  change: (next) => update<readonly Entry[]>(KEY, (entries = []) => next(entries), store()),
};

/** Whether the server can be reached at this moment: with nothing to send, nothing else would tell. */
export async function findReach(): Promise<RoundEnd> {
  try {
    const answer = await fetch('/field-worker.js', { method: 'HEAD', cache: 'no-store' });
    return answer.ok ? { kind: 'through' } : { kind: 'unreached' };
  } catch {
    return { kind: 'unreached' };
  }
}

/** The caches that the field worker answers from without a network. */
const CACHE = 'field-1';

/** Keeps this page and what it is made of, so that it opens without a network from its first visit on. */
export async function keepPage(): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  await navigator.serviceWorker.register('/field-worker.js');
  const parts = performance
    .getEntriesByType('resource')
    .map(({ name }) => new URL(name))
    .filter(
      ({ origin, pathname }) => origin === location.origin && pathname.startsWith('/_next/static/'),
    );
  const cache = await caches.open(CACHE);
  const urls = [...new Set([location.href, ...parts.map(({ href }) => href)])];
  await Promise.all(urls.map((url) => cache.add(url).catch(() => undefined)));
}
