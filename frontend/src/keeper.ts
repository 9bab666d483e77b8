/**
 * The service worker. Keeps the application itself on the tablet, every page of it, so that an opened run goes on, and
 * opens again, without a network. Nothing a child is known by is kept here: only built files and the empty page are, and
 * /api/ is never touched. Taps live in IndexedDB.
 */
import { cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'
import { NetworkFirst } from 'workbox-strategies'

declare const self: EventTarget & {
  /** The built files, put here by the build; their names carry their content, so what is kept never goes stale. */
  BUILT: string[]
  skipWaiting: () => Promise<void>
  clients: { claim: () => Promise<void> }
}
const PAGES = 'pollicor-pages'
const SHELL = '/'
const KEPT_BEFORE = ['pollicor-app-1']

type Lasting = Event & { waitUntil: (work: Promise<unknown>) => void }

precacheAndRoute(self.BUILT.map((url) => ({ url, revision: null })))
cleanupOutdatedCaches()

/* The newest page where the server answers, else the one kept: one page serves every address. */
const isPage = (answer: Response): boolean => answer.ok && Boolean(answer.headers.get('Content-Type')?.includes('html'))
const shell = new NetworkFirst({
  cacheName: PAGES,
  plugins: [
    {
      cacheKeyWillBeUsed: () => Promise.resolve(SHELL),
      cacheWillUpdate: ({ response }) => Promise.resolve(isPage(response) ? response : null),
    },
  ],
})
registerRoute(new NavigationRoute(shell, { denylist: [/^\/api\//] }))

self.addEventListener('install', (event) => {
  const keep = caches.open(PAGES).then((store) => store.add(SHELL))
  ;(event as Lasting).waitUntil(keep.then(() => self.skipWaiting()))
})
self.addEventListener('activate', (event) => {
  const forget = Promise.all(KEPT_BEFORE.map((name) => caches.delete(name)))
  ;(event as Lasting).waitUntil(forget.then(() => self.clients.claim()))
})
