// Footage is read part by part, as frames of it are drawn: its files are large.
const size = 1 << 20
const most = 32 // parts that are kept, the last used last
const kept = new Map<string, Uint8Array>()
const coming = new Set<string>()

const addressOf = (hash: string, n: number) => `/api/files/${hash}/parts/${n}`

function keep(url: string, part: Uint8Array) {
  kept.delete(url)
  kept.set(url, part)
  for (const old of kept.keys()) {
    if (kept.size <= most) break
    kept.delete(old)
  }
}

// partNow fetches a part and waits for it, which only a worker may do: a frame cannot be drawn
// without it. Null when it cannot be had now.
function partNow(hash: string, n: number): Uint8Array | null {
  const url = addressOf(hash, n)
  let part = kept.get(url)
  if (!part) {
    const request = new XMLHttpRequest()
    request.open('GET', url, false)
    request.responseType = 'arraybuffer'
    try {
      request.send()
    } catch {
      return null
    }
    if (request.status !== 200) return null
    part = new Uint8Array(request.response as ArrayBuffer)
  }
  keep(url, part)
  soon(hash, n + 1)
  return part
}

// soon fetches the part that comes next while frames of this one are drawn.
async function soon(hash: string, n: number) {
  const url = addressOf(hash, n)
  if (kept.has(url) || coming.has(url)) return
  coming.add(url)
  const part = await fetch(url)
    .then((answer) => (answer.ok ? answer.arrayBuffer() : null))
    .catch(() => null)
  if (part && !part.byteLength) return // the file has ended; it is not asked again
  if (part) keep(url, new Uint8Array(part))
  coming.delete(url)
}

// bytesNow is so many bytes of a file from a place on.
export function bytesNow(hash: string, at: number, n: number): Uint8Array | null {
  const out = new Uint8Array(n)
  for (let done = 0; done < n;) {
    const place = at + done
    const part = partNow(hash, Math.floor(place / size))
    const piece = part?.subarray(place % size, Math.min((place % size) + n - done, size))
    if (!piece?.length) return null
    out.set(piece, done)
    done += piece.length
  }
  return out
}

// firstParts is the beginning of a file, so many parts of it.
export async function firstParts(hash: string, count: number): Promise<Uint8Array> {
  const parts = await Promise.all(
    Array.from({ length: count }, async (_, n) => {
      const answer = await fetch(addressOf(hash, n))
      if (!answer.ok) throw new Error('the footage cannot be fetched now')
      return new Uint8Array(await answer.arrayBuffer())
    })
  )
  const out = new Uint8Array(parts.reduce((sum, p) => sum + p.length, 0))
  let at = 0
  for (const p of parts) {
    out.set(p, at)
    at += p.length
  }
  return out
}
