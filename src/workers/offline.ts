import { clientsClaim } from 'workbox-core';
import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

// The service worker: it keeps all files of one build, so that every place works with the server gone.
// A newer build waits until the person takes it.

/** Files of this build with their hashes, put in when it is built. */
declare const FILES: { url: string; revision: string | null }[];

/** Name of the store for what reads datasheets, by its versions. */
declare const READING: string;

/** What a page says to have the waiting build take over. */
const TAKE_OVER = 'take over';

cleanupOutdatedCaches();
precacheAndRoute(FILES);
// every place of the product is drawn from the same page
registerRoute(
  new NavigationRoute(createHandlerBoundToURL('/'), {
    allowlist: [
      /^\/$/,
      /^\/processes\/?$/,
      /^\/standards\/?$/,
      /^\/list\/?$/,
      /^\/folder\/?$/,
      /^\/shared\/?$/,
      /^\/bench\/./,
      /^\/side-by-side\/./,
      /^\/opinion\/./,
      /^\/trials\/?$/,
      /^\/trial\/./,
    ],
  }),
);
// readers of datasheets are large: they are kept from the first time on that one was asked for
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/reading/'),
  async ({ request }) => {
    const kept = await caches.open(READING);
    const known = await kept.match(request);
    if (known) return known;
    const answer = await fetch(request);
    if (answer.ok) await kept.put(request, answer.clone());
    return answer;
  },
);
addEventListener('activate', () => {
  void caches
    .keys()
    .then((names) => names.filter((name) => name.startsWith('tapis-reading-') && name !== READING))
    .then((old) => Promise.all(old.map((name) => caches.delete(name))));
});
clientsClaim();

addEventListener('message', ({ data }: MessageEvent) => {
  const worker = globalThis as unknown as { skipWaiting: () => Promise<void> };
  if (data === TAKE_OVER) void worker.skipWaiting();
});
