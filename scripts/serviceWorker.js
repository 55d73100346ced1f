/* global VERSION, AHEAD */
const CACHE = `attic-${VERSION}`;
const READERS = 'attic-readers';
/** Pictures that another app handed over, until the attic has taken them. */
const SHARED = 'attic-shared';
const MOST_SHARED = 60;

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
        Promise.all(names.filter((n) => ![CACHE, READERS, SHARED].includes(n)).map((n) => caches.delete(n))),
      )
      .then(() => self.clients.claim()),
  );
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (origin !== self.location.origin) return;
  if (request.method === 'POST' && pathname === '/share') event.respondWith(keepShared(request));
  if (request.method !== 'GET') return;
  if (/^\/(api|outside|demo|hooks)(\/|$)/.test(pathname)) return;
  if (pathname.startsWith('/vision/')) event.respondWith(newestFrom(READERS, request, request));
  else if (request.mode === 'navigate') event.respondWith(newestFrom(CACHE, request, '/index.html'));
  // Bundled files carry a hash in their names: what is kept is what would come.
  else event.respondWith(caches.match(request).then((kept) => kept ?? fetch(request)));
});

/** Kept beside the attic, which asks the person: any page can hand something over. */
async function keepShared(request) {
  try {
    const form = await request.formData();
    const cache = await caches.open(SHARED);
    // However often something is handed over, it never fills the disk.
    const room = Math.max(0, MOST_SHARED - (await cache.keys()).length);
    const files = form
      .getAll('pictures')
      .filter((file) => file instanceof File && file.size > 0)
      .slice(0, room);
    const came = Date.now();
    for (const [i, file] of files.entries())
      await cache.put(
        `/shared/${came}-${String(i).padStart(3, '0')}`,
        new Response(file, {
          headers: { 'content-type': file.type, 'x-name': encodeURIComponent(file.name) },
        }),
      );
    return Response.redirect(`/intake?shared=${files.length}`, 303);
  } catch {
    // No room, or nothing that can be read: the page says that nothing came.
    return Response.redirect('/intake?shared=0', 303);
  }
}

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
