// Where the fonts are that words are set in, by the names of their files.
const files: Record<string, string> = import.meta.glob('../../../fonts/*.{ttf,otf}', {
  query: '?url',
  import: 'default',
  eager: true
})

const addresses = new Map(Object.entries(files).map(([path, url]) => [path.split('/').pop() as string, url]))

// addressOf is where a file of a font is; none where there is no such.
// That of a person's own is known by its hash.
export const addressOf = (file: string) =>
  file.startsWith('own:') ? `/api/files/${file.slice(4)}` : addresses.get(file)

// fontNow fetches a font and waits for it, which only a worker may do: the engine
// cannot set words before it has their font. Null when it cannot be had now.
export function fontNow(file: string): Uint8Array | null {
  const url = addressOf(file)
  if (!url) return null
  const request = new XMLHttpRequest()
  request.open('GET', url, false)
  request.responseType = 'arraybuffer'
  try {
    request.send()
  } catch {
    return null
  }
  if (request.status !== 200) return null
  keepFont(url, request.response as ArrayBuffer)
  return new Uint8Array(request.response as ArrayBuffer)
}

// keepFont lets the keeper have it, which may have come too late to see it.
async function keepFont(url: string, bytes: ArrayBuffer) {
  if (!('caches' in self)) return
  const cache = await caches.open('billow-page').catch(() => null)
  const headers = { 'Content-Type': 'font/ttf' }
  await cache?.put(url, new Response(bytes, { headers })).catch(() => undefined)
}

// fontLater is done when the font can be had.
export async function fontLater(file: string) {
  const url = addressOf(file)
  while (url) {
    await new Promise((r) => setTimeout(r, 3000))
    const answer = await fetch(url).catch(() => null)
    if (answer?.ok) return
  }
}
