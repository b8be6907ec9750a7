import { clientsClaim } from 'workbox-core';
import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

// The service worker: it keeps all files of one build, so that every place works with the server gone.
// A newer build waits until the person takes it.

/** Files of this build with their hashes, put in when it is built. */
declare const FILES: { url: string; revision: string | null }[];

/** What a page says to have the waiting build take over. */
const TAKE_OVER = 'take over';

cleanupOutdatedCaches();
precacheAndRoute(FILES);
// every place of the product is drawn from the same page
registerRoute(
  new NavigationRoute(createHandlerBoundToURL('/'), {
    allowlist: [/^\/$/, /^\/processes\/?$/, /^\/bench\/./, /^\/side-by-side\/./],
  }),
);
clientsClaim();

addEventListener('message', ({ data }: MessageEvent) => {
  const worker = globalThis as unknown as { skipWaiting: () => Promise<void> };
  if (data === TAKE_OVER) void worker.skipWaiting();
});
