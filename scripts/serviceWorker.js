/* global VERSION, AHEAD */
const CACHE = `attic-${VERSION}`;
const READERS = 'attic-readers';

self.addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(CACHE)
      .then((cache) => cache.addAll(AHEAD))
      .then(() => self.skipWaiting()),
  );
});

self.addEventListener('activate', (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((names) =>
        Promise.all(names.filter((n) => n !== CACHE && n !== READERS).map((n) => caches.delete(n))),
      )
      .then(() => self.clients.claim()),
  );
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (request.method !== 'GET' || origin !== self.location.origin) return;
  if (/^\/(api|outside|demo|hooks)(\/|$)/.test(pathname)) return;
  if (pathname.startsWith('/vision/')) event.respondWith(newestFrom(READERS, request, request));
  else if (request.mode === 'navigate') event.respondWith(newestFrom(CACHE, request, '/index.html'));
  // Bundled files carry a hash in their names: what is kept is what would come.
  else event.respondWith(caches.match(request).then((kept) => kept ?? fetch(request)));
});

/** From the server when it answers, else what was kept. */
async function newestFrom(name, request, keptAs) {
  const cache = await caches.open(name);
  try {
    const response = await fetch(request);
    if (response.ok && keptAs === request) await cache.put(request, response.clone());
    return response;
  } catch (error) {
    const kept = await cache.match(keptAs);
    if (kept) return kept;
    throw error;
  }
}
