// Keeps Kopje going without a network: the application itself, and the pack of answers that a lesson needs. What is asked goes to the
// server while there is one; only when nobody answers, what was kept is given, with the time it was kept at.
/// <reference lib="webworker" />
import type { WorkboxPlugin } from 'workbox-core/types.js'
import { clientsClaim } from 'workbox-core'
import { cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching'
import { registerRoute } from 'workbox-routing'
import { NetworkFirst } from 'workbox-strategies'
import { AS_OF, FORGET, inPack, PACK } from './pack'

declare const self: ServiceWorkerGlobalScope

precacheAndRoute(self.__WB_MANIFEST)
cleanupOutdatedCaches()
clientsClaim() // the visit in which it came is enough

/** The page is the same wherever one goes in it. */
const onePage: WorkboxPlugin = { cacheKeyWillBeUsed: async () => '/' }
self.addEventListener('install', (event) =>
  event.waitUntil(caches.open('kopje-page').then((page) => page.add('/'))),
)
registerRoute(
  ({ request }) => request.mode === 'navigate',
  new NetworkFirst({ cacheName: 'kopje-page', plugins: [onePage] }),
)

/** Only what was good is kept, and what is given from here says since when it stands. */
let forgotten = 0 // what was asked before one signed out is not kept when it comes after
const dated: WorkboxPlugin = {
  requestWillFetch: async ({ request, state }) => {
    if (state) state.asked = Date.now()
    return request
  },
  cacheWillUpdate: async ({ response, state }) =>
    response.status === 200 && Number(state?.asked ?? 0) > forgotten ? response : null,
  cachedResponseWillBeUsed: async ({ cachedResponse }) => {
    if (!cachedResponse) return null
    const headers = new Headers(cachedResponse.headers)
    headers.set(AS_OF, headers.get('date') ?? '')
    return new Response(await cachedResponse.blob(), { status: 200, headers })
  },
}
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && inPack(url.pathname),
  new NetworkFirst({ cacheName: PACK, plugins: [dated] }),
)

self.addEventListener('message', (event) => {
  if (event.data !== FORGET) return
  forgotten = Date.now()
  event.waitUntil(caches.delete(PACK))
})
