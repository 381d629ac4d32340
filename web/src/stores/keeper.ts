import type { Opened } from '../types'

// The keeper answers for the server while it is away (public/keeper.js). Browsers
// let it work only where the page was loaded securely, or from this machine.

// startKeeper lets the keeper keep what this page has loaded already, once it has
// nothing better to do.
export async function startKeeper() {
  if (!navigator.serviceWorker) return
  await new Promise((r) => setTimeout(r, 4000))
  try {
    await navigator.serviceWorker.register('/keeper.js')
    const { active } = await navigator.serviceWorker.ready
    const loaded = performance.getEntriesByType('resource').map((r) => r.name)
    active?.postMessage(['/', ...loaded])
  } catch {
    // It works without, as long as the server is there.
  }
}

// keepClip keeps a clip as the server has it now.
export async function keepClip(opened: Opened) {
  if (!navigator.serviceWorker?.controller) return
  try {
    const cache = await caches.open('billow-clips')
    const headers = { 'Content-Type': 'application/json' }
    await cache.put(`/api/clips/${opened.id}`, new Response(JSON.stringify(opened), { headers }))
  } catch {
    // There is no room for it.
  }
}

// forgetKept throws away what is kept, as someone else may sit here next.
export function forgetKept() {
  navigator.serviceWorker?.controller?.postMessage('forget')
}
