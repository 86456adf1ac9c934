/// <reference lib="webworker" />
import { ExpirationPlugin } from 'workbox-expiration';
import { createHandlerBoundToURL, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkFirst } from 'workbox-strategies';

/**
 * The page without its server, for who asked for that on this device: the program as it was built, and what was read of the
 * kitchen last. It never answers for a server that is there, and never for a change.
 */
declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: PrecacheEntry[] };

/** Answers kept: some batches with their photos, and the lists. */
const MOST_KEPT = 400;
/** A server that says nothing for so long is as good as away. */
const PATIENCE_S = 5;
/** Not kept: what only makes sense now, and whole kitchens. */
const NOW_ONLY = /^\/api\/(events|kitchen|devices|stand-ins|timers|house|openapi\.json|calendar\.ics)/;

/** So that the page knows that no server said it. */
function marked(kept: Response): Response {
  const headers = new Headers(kept.headers);
  headers.set(__KEPT_HEADER__, '1');
  return new Response(kept.body, { status: kept.status, statusText: kept.statusText, headers });
}

/** This device is to keep nothing any more: said by a page before the worker is taken away. */
let forgotten = false;
self.addEventListener('message', ({ data }) => {
  if (data === __FORGET__) forgotten = true;
});

precacheAndRoute(self.__WB_MANIFEST);
registerRoute(new NavigationRoute(createHandlerBoundToURL('/index.html'), { denylist: [/^\/api\//] }));
registerRoute(
  ({ url, request }) =>
    !forgotten &&
    url.origin === self.location.origin &&
    request.method === 'GET' &&
    /^\/api\//.test(url.pathname) &&
    !NOW_ONLY.test(url.pathname),
  new NetworkFirst({
    cacheName: __KEPT_ANSWERS__,
    networkTimeoutSeconds: PATIENCE_S,
    plugins: [
      new ExpirationPlugin({ maxEntries: MOST_KEPT }),
      // Only what is good: neither "say the passphrase" nor a fault is kept over what was read.
      { cachedResponseWillBeUsed: ({ cachedResponse }) => Promise.resolve(cachedResponse ? marked(cachedResponse) : null) },
      { cacheWillUpdate: ({ response }) => Promise.resolve(response.status === 200 && !forgotten ? response : null) },
    ],
  }),
);
self.addEventListener('install', () => void self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
