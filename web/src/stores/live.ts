// live hears of new revisions of a clip while the page can be seen: a browser
// opens few connections to one server, and a page that nobody sees needs none.
// A page that is seen again, or connected again, asks what it has missed.
export function live(clip: string, news: (revision: number) => void, back: () => void) {
  let events: EventSource | null = null
  function look() {
    if (document.visibilityState === 'hidden') {
      events?.close()
      events = null
    } else if (!events) {
      const own = (events = new EventSource(`/api/clips/${clip}/events`))
      own.addEventListener('open', back)
      // A browser tries again by itself, but not after an answer it does not like.
      own.addEventListener('error', () => own.readyState === EventSource.CLOSED && setTimeout(() => again(own), 3000))
      own.addEventListener('revision', (e) => news(Number((e as MessageEvent<string>).data)))
    }
  }
  function again(gone: EventSource) {
    if (ended || events !== gone) return
    events = null
    look()
  }
  let ended = false
  document.addEventListener('visibilitychange', look)
  look()
  return () => {
    ended = true
    document.removeEventListener('visibilitychange', look)
    events?.close()
  }
}
