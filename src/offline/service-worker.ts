/// <reference lib="webworker" />
import { NavigationRoute, Serwist, type PrecacheEntry } from 'serwist';

declare const self: ServiceWorkerGlobalScope & { readonly __SW_MANIFEST: (PrecacheEntry | string)[] };

/**
 * Keeps the whole application for use without a network: pages, scripts, workers, faces. All of it is of one build; a newer build is fetched
 * beside it and waits until it is asked for, so that no page ever meets scripts of another build.
 */
const serwist = new Serwist({
  precacheEntries: self.__SW_MANIFEST,
  precacheOptions: { cleanupOutdatedCaches: true, cleanURLs: false },
  // The first build serves the pages that are open already; a newer one comes only when it is asked for.
  clientsClaim: true,
  skipWaiting: false,
});

// A worker is told its settings in its address's fragment, which an answer with an address of its own would drop: the body alone is answered.
self.addEventListener('fetch', (event) => {
  if (event.request.destination !== 'worker') return;
  event.respondWith(
    (async () => {
      const kept = await serwist.matchPrecache(event.request.url);
      if (!kept) return fetch(event.request);
      return new Response(await kept.blob(), { status: kept.status, headers: kept.headers });
    })(),
  );
});

// One page serves every project.
serwist.registerRoute(
  new NavigationRoute(serwist.createHandlerBoundToUrl('/project'), { allowlist: [/^\/project\/[^/]+\/[^/]+\/?$/] }),
);
serwist.setCatchHandler(({ request }) =>
  Promise.resolve(request.mode === 'navigate' ? Response.redirect('/') : Response.error()),
);
serwist.addEventListeners();
