import { readFileSync } from 'node:fs'
import { join } from 'node:path'

/** The worker as it is shipped, run with a cache, a network and a phone's memory of the test's own. */
const code = readFileSync(join(process.cwd(), 'web/public/guide-worker.js'), 'utf8')
const token = 'thrush-meadow-lantern-27'
const page = `/g/${token}`
const origin = 'https://library.example'
const HOUR_MS = 3_600_000

type FetchEvent = {
  request: { url: string; method: string; mode: string }
  respondWith(answer: Promise<Response>): void
}

let caches: Map<string, Map<string, Response>>
let network: (path: string) => Promise<Response>
let asked: string[]
let wiped: string[]
let unregistered: boolean
let onFetch: (event: FetchEvent) => void

const kept = (name: string) => {
  const all = caches.get(name) ?? new Map<string, Response>()
  caches.set(name, all)
  return {
    match: (path: string) => Promise.resolve(all.get(path)?.clone()),
    put: (path: string, reply: Response) => Promise.resolve(void all.set(path, reply)),
  }
}

beforeEach(async () => {
  caches = new Map()
  asked = []
  wiped = []
  unregistered = false
  network = () => Promise.reject(new TypeError('no network'))
  const self = {
    registration: { scope: origin + page, unregister: () => Promise.resolve((unregistered = true)) },
    location: { origin },
    addEventListener: (kind: string, listener: typeof onFetch) => {
      if (kind === 'fetch') onFetch = listener
    },
  }
  const fakeCaches = {
    has: (name: string) => Promise.resolve(caches.has(name)),
    open: (name: string) => Promise.resolve(kept(name)),
    delete: (name: string) => Promise.resolve(caches.delete(name)),
  }
  const fetchFrom = (request: { url: string }) => {
    const { pathname } = new URL(request.url)
    asked.push(pathname)
    return network(pathname)
  }
  const memory = { deleteDatabase: (name: string) => wiped.push(name) }
  // The worker is a script without imports: only so can it be run beside doubles of its browser.
  // eslint-disable-next-line no-new-func
  new Function('self', 'caches', 'fetch', 'indexedDB', code)(self, fakeCaches, fetchFrom, memory)
  const copy = kept(`guide-${token.slice(0, 12)}`)
  await copy.put(page, new Response('the page as kept'))
  await copy.put('/assets/guide.js', new Response('the script'))
  await copy.put(`${page}/ends`, new Response(String(Date.now() + HOUR_MS)))
})

/** What the page gets; null where the worker leaves it alone. */
async function get(path: string, { mode = 'navigate', method = 'GET', from = origin } = {}): Promise<string | null> {
  let answer: Promise<Response> | null = null
  onFetch({ request: { url: from + path, method, mode }, respondWith: (given) => (answer = given) })
  if (answer === null) return null
  const reply = await (answer as Promise<Response>)
  return reply.type === 'error' ? 'no network' : reply.text()
}

test('without a network the page and its files come from the copy', async () => {
  expect(await get(page)).toBe('the page as kept')
  expect(await get('/assets/guide.js', { mode: 'cors' })).toBe('the script')
  expect(asked).toEqual([page])
})

test('with a network the page is asked for anew and kept; files that carry their content’s name are not', async () => {
  network = () => Promise.resolve(new Response('the page of today'))
  expect(await get(page)).toBe('the page of today')
  expect(await get('/assets/guide.js', { mode: 'cors' })).toBe('the script')
  network = () => Promise.reject(new TypeError('no network'))
  expect(await get(page)).toBe('the page of today')
})

test('while the server is in trouble the copy answers, and stays', async () => {
  network = () => Promise.resolve(new Response('trouble', { status: 503 }))
  expect(await get(page)).toBe('the page as kept')
  network = () => Promise.reject(new TypeError('no network'))
  expect(await get(page)).toBe('the page as kept')
})

test('once over, copy, memory and worker go, without a network too', async () => {
  await kept(`guide-${token.slice(0, 12)}`).put(`${page}/ends`, new Response(String(Date.now() - 1)))
  await expect(get(page)).rejects.toThrow('no network')
  expect([...caches.keys()]).toEqual([])
  expect(wiped).toEqual([`guide-${token.slice(0, 12)}`])
  expect(unregistered).toBe(true)
})

test('a link that was revoked takes copy and memory with it, and says so', async () => {
  network = () => Promise.resolve(new Response('This guide is over', { status: 404 }))
  expect(await get(page)).toBe('This guide is over')
  expect([...caches.keys()]).toEqual([])
  expect(wiped).toHaveLength(1)
  await expect(async () => {
    network = () => Promise.reject(new TypeError('no network'))
    await get(page)
  }).rejects.toThrow('no network')
  expect([...caches.keys()]).toEqual([])
})

test('what goes to the library, and to others, is none of its business', async () => {
  expect(await get(`/api/guides/${token}/messages`, { method: 'POST', mode: 'cors' })).toBeNull()
  expect(await get('/api/guides/x', { mode: 'cors' })).toBeNull()
  expect(await get('/elsewhere', { from: 'https://other.example', mode: 'cors' })).toBeNull()
})
