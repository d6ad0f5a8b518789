/* Answers for one borrower's guide from the copy on the phone when the network doesn't, and wipes the copy, with all that
   the phone remembers of the guide, once it is over. The page fills both; nothing else is kept. */
const tokenOf = () => new URL(self.registration.scope).pathname.split('/').pop() ?? ''
/* The copy's name and the memory's: see borrower/guide-memory.ts. */
const copyName = () => `guide-${tokenOf().slice(0, 12)}`
const NETWORK_MS = 2500

self.addEventListener('install', () => self.skipWaiting())
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))

async function isOver(cache) {
  const ends = await cache.match(`/g/${tokenOf()}/ends`)
  return ends ? Date.now() > Number(await ends.text()) : false
}

async function forget() {
  await caches.delete(copyName())
  indexedDB.deleteDatabase(copyName())
  await self.registration.unregister()
}

async function answer(request) {
  // Opening a cache makes it: once wiped it stays so.
  if (!(await caches.has(copyName()))) return fetch(request)
  const cache = await caches.open(copyName())
  if (await isOver(cache)) {
    await forget()
    return fetch(request)
  }
  const { pathname: path, search } = new URL(request.url)
  const isPage = request.mode === 'navigate'
  // Files carry their content's name, so a kept one is right; the page itself is asked for anew while there is a network.
  if (!isPage) return (await cache.match(path)) ?? fetch(request)
  try {
    const fresh = await fetch(request, { signal: AbortSignal.timeout(NETWORK_MS) })
    // One copy, in the guide's own language: the page itself turns to the language its address asks for.
    if (fresh.ok && search === '') await cache.put(path, fresh.clone())
    // Revoked or over: the copy goes too.
    if (fresh.status === 404 || fresh.status === 410) await forget()
    return fresh.status < 500 ? fresh : ((await cache.match(path)) ?? fresh)
  } catch {
    return (await cache.match(path)) ?? Response.error()
  }
}

self.addEventListener('fetch', (event) => {
  const url = new URL(event.request.url)
  if (event.request.method !== 'GET' || url.origin !== self.location.origin || url.pathname.startsWith('/api/'))
    return
  event.respondWith(answer(event.request))
})
