/* Keeps the application itself on the tablet, so that an opened run goes on, and opens again, without a network.
   Nothing a child is known by is kept here: /api/ is never stored. Taps live in IndexedDB. */
const STORE = 'pollicor-app-1'
const SHELL = '/'

self.addEventListener('install', (event) => {
  event.waitUntil(caches.open(STORE).then((store) => store.add(SHELL)).then(() => self.skipWaiting()))
})

self.addEventListener('activate', (event) => {
  event.waitUntil(
    caches.keys()
      .then((names) => Promise.all(names.filter((name) => name !== STORE).map((name) => caches.delete(name))))
      .then(() => self.clients.claim()),
  )
})

/* What the page loaded before this worker was there, told by the page. */
self.addEventListener('message', (event) => {
  const urls = (event.data?.keep ?? []).filter((url) => new URL(url).origin === self.location.origin && new URL(url).pathname.startsWith('/static/'))
  event.waitUntil(caches.open(STORE).then((store) => Promise.all(urls.map((url) => keepOnce(store, url)))))
})

self.addEventListener('fetch', (event) => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method !== 'GET' || url.origin !== self.location.origin || url.pathname.startsWith('/api/')) return
  if (request.mode === 'navigate') event.respondWith(shell(request))
  else if (url.pathname.startsWith('/static/assets/')) event.respondWith(kept(request))
})

/* The newest page where the server answers, else the one kept. */
async function shell(request) {
  const store = await caches.open(STORE)
  try {
    const answer = await fetch(request)
    if (answer.ok) await store.put(SHELL, answer.clone())
    return answer
  } catch {
    return (await store.match(SHELL)) ?? Response.error()
  }
}

/* Built files carry their content in their name: what is kept never goes stale. */
async function kept(request) {
  const store = await caches.open(STORE)
  const here = await store.match(request)
  if (here) return here
  const answer = await fetch(request)
  if (answer.ok) await store.put(request, answer.clone())
  return answer
}

async function keepOnce(store, url) {
  if (!(await store.match(url))) await store.add(url)
}
