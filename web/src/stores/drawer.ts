import type { Sent } from '../types'

// A drawer is where the browser keeps the commands of one open page on a clip,
// for as long as the server has not taken them. The page holds a lock of the
// drawer's name while it lives, so that others can tell when it is gone.

// No clip's ID holds a slash, so that none's drawers look like another's.
const prefix = (clip: string) => `billow-outbox/${clip}/`

const random = () => Array.from(crypto.getRandomValues(new Uint8Array(8)), (b) => b.toString(36)).join('')

export class Drawer {
  readonly key: string
  private release: () => void = () => undefined

  constructor(clip: string) {
    this.key = prefix(clip) + random()
    // Without locks (a page that was not loaded securely) two pages may both
    // send what a third one left; the server takes it once all the same.
    navigator.locks?.request(this.key, () => new Promise<void>((resolve) => (this.release = resolve)))
  }

  // put keeps a list; false when the browser has no room for it.
  put(list: Sent[]): boolean {
    try {
      if (list.length) localStorage.setItem(this.key, JSON.stringify(list))
      else localStorage.removeItem(this.key)
      return true
    } catch {
      return false
    }
  }

  // close leaves what is in the drawer to the next page.
  close() {
    this.release()
  }
}

// leftBehind hands over what other pages on the clip have left, each drawer
// once and as soon as its page is gone. take tells whether it is kept now.
export function leftBehind(clip: string, own: string, ended: AbortSignal, take: (list: Sent[]) => boolean) {
  const keys = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '')
  for (const key of keys) {
    if (!key.startsWith(prefix(clip)) || key === own) continue
    const empty = () => {
      const list = read(key)
      const kept = !list.length || take(list)
      localStorage.removeItem(key)
      if (!kept) take([]) // there was no room for both; now there is
    }
    if (!navigator.locks) empty()
    else navigator.locks.request(key, { signal: ended }, empty).catch(() => undefined) // this page went first
  }
}

function read(key: string): Sent[] {
  try {
    const list = JSON.parse(localStorage.getItem(key) ?? '[]') as Sent[]
    return list.filter((c) => c.id && c.command)
  } catch {
    return []
  }
}
