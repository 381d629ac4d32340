// The keeper lets a clip be opened while the server is away: it keeps the page
// itself, the clips that were open and their pictures, and answers with them when
// the server does not. What names its own content is kept and never asked for again.

const page = 'billow-page'
const clips = 'billow-clips'
const files = 'billow-files'
const most = { [page]: 80, [clips]: 60, [files]: 400 } // what was kept longest ago goes first
const patience = 5000 // milliseconds until a server that does not begin to answer counts as away

self.addEventListener('install', () => self.skipWaiting())
self.addEventListener('activate', (e) => e.waitUntil(self.clients.claim()))

self.addEventListener('fetch', (e) => {
  const url = new URL(e.request.url)
  if (e.request.method !== 'GET' || url.origin !== self.location.origin) return
  const way = wayOf(e.request, url, (kept) => e.waitUntil(kept))
  if (way) e.respondWith(way())
})

// The page lists what it had loaded before there was a keeper, and tells when
// nothing may be kept any longer.
self.addEventListener('message', (e) => {
  if (e.data === 'forget') e.waitUntil(Promise.all(Object.keys(most).map((name) => caches.delete(name))))
  else if (Array.isArray(e.data)) e.waitUntil(Promise.all(e.data.map(fetchOnce)))
})

// wayOf tells how a request is answered; later takes what is still being kept once
// the answer was given, as nobody waits for that.
function wayOf(request, url, later) {
  const path = url.pathname
  if (request.mode === 'navigate' && !path.startsWith('/api/')) return () => newest(request, page, '/', later)
  if (path.startsWith('/assets/')) return () => keptFirst(request, page, later)
  if (path === '/icon.svg') return () => newest(request, page, path, later)
  if (/^\/api\/files\/[^/]+(\/sound|\/small)?$/.test(path)) return () => keptFirst(request, files, later)
  if (/^\/api\/clips\/[^/]+\/poster\.jpg$/.test(path)) return () => newest(request, files, path, later)
  if (path === '/api/clips' || path === '/api/props' || /^\/api\/clips\/[^/]+$/.test(path))
    return () => newest(request, clips, path + url.search, later)
  return null
}

async function fetchOnce(address) {
  const url = new URL(address, self.location.href)
  const request = new Request(url, url.pathname === '/' ? {} : undefined)
  const keeping = []
  const later = (kept) => keeping.push(kept)
  const way = url.pathname === '/' ? () => newest(request, page, '/', later) : wayOf(request, url, later)
  if (way) await way().catch(() => undefined)
  await Promise.all(keeping)
}

// newest is what the server says, or what it said last when it is away. Once an answer
// has begun it may take as long as it takes.
async function newest(request, name, key, later) {
  const cache = await caches.open(name)
  const stop = new AbortController()
  const timer = setTimeout(() => stop.abort(), patience)
  try {
    const answer = await fetch(request, { signal: stop.signal })
    if (answer.ok) later(keep(cache, name, key, answer.clone()))
    return answer
  } catch (e) {
    const kept = await cache.match(key)
    if (!kept) throw e
    const headers = new Headers(kept.headers)
    headers.set('X-Kept', '1')
    return new Response(kept.body, { status: 200, headers })
  } finally {
    clearTimeout(timer)
  }
}

async function keptFirst(request, name, later) {
  const cache = await caches.open(name)
  const kept = await cache.match(request.url)
  if (kept) return kept
  const answer = await fetch(request)
  if (answer.status === 200) later(keep(cache, name, request.url, answer.clone()))
  return answer
}

// keep makes room before it keeps; a browser that has none goes on without.
async function keep(cache, name, key, answer) {
  try {
    await cache.put(key, answer)
    const keys = await cache.keys()
    for (const old of keys.slice(0, Math.max(0, keys.length - most[name]))) await cache.delete(old)
  } catch {
    /* nothing was kept */
  }
}
