// Keeps the field page open without the network: what was fetched last is shown when nothing can be fetched now.
// Nothing that changes a job goes through here: the page keeps entries itself and sends them when it can.
const CACHE = 'field-1';
const isField = (url) => /^\/jobs\/[^/]+\/field$/.test(url.pathname);
const isPart = (url) => url.pathname.startsWith('/_next/static/');

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  const isOurs = url.origin === self.location.origin && request.method === 'GET';
  const isPage = request.mode === 'navigate' && isField(url);
  if (!isOurs || !(isPage || isPart(url))) return;
  event.respondWith(
    fetch(request)
      .then(async (answer) => {
        if (answer.ok && !answer.redirected) {
          const cache = await caches.open(CACHE);
          await cache.put(request, answer.clone());
        }
        return answer;
      })
      .catch(async () => (await caches.match(request)) ?? Response.error()),
  );
});
