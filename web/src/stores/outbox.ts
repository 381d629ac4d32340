import { ref } from 'vue'
import { api } from '../api'
import { Drawer, leftBehind } from './drawer'
import { Problem, type Outcome, type Sent } from '../types'

// newId is the ID of a command. It needs no secure context, unlike a UUID.
export function newId() {
  const letters = 'abcdefghijklmnopqrstuvwxyz234567'
  return Array.from(crypto.getRandomValues(new Uint8Array(20)), (b) => letters[b % 32]).join('')
}

// What the outbox needs of the clip that is open.
export interface Receiver {
  // took puts an answer of the server to use: what others did and what became
  // of the commands that were sent. It is done when the clip is up to date.
  took(answer: Outcome, sent: Sent[]): Promise<void>
  refused(what: string, reason: string): void
  gone(): void
  adopted(count: number): void
  // replay shows what a closed page did while the server cannot judge it, and
  // tells which of it waits with what is done here now.
  replay(list: Sent[]): Promise<Set<string>>
}

export type Connection = 'on' | 'off' | 'signedOut' | 'gone'

// Outbox posts commands in order. What the server has not acknowledged is kept
// in the browser too, so that neither a lost connection nor a closed page loses
// it; a command has an ID, so that the server takes it once however often it is
// sent. Only the server's verdict on a command itself takes it away.
export class Outbox {
  readonly waiting = ref(0)
  readonly connection = ref<Connection>('on')
  readonly why = ref('') // the code of what is wrong with the server while nothing gets through
  readonly kept = ref(true) // whether the browser keeps what waits
  private list: Sent[] = [] // ours, which the clip on the page shows already
  private orphans: Sent[] = [] // of a closed tab, which it does not show yet
  private running: Promise<void> | null = null
  private stopped = false
  private wake: (() => void) | null = null
  private most = 50
  private later: ReturnType<typeof setTimeout> | undefined
  private drawer: Drawer
  private ended = new AbortController()

  constructor(
    private clip: string,
    public revision: number,
    private receiver: Receiver,
    away = false // the server does not answer; the clip is what the browser keeps of it
  ) {
    if (away) this.connection.value = 'off'

    this.drawer = new Drawer(clip)
    leftBehind(clip, this.drawer.key, this.ended.signal, (list) => this.adopt(list))
    addEventListener('online', this.hurry)
  }

  // adopt takes what a closed tab left. It is kept here before it is gone there.
  private adopt(list: Sent[]) {
    this.orphans.push(...list)
    this.note()
    if (list.length && this.connection.value === 'off') {
      this.receiver.replay(list).then((shown) => {
        this.orphans = this.orphans.filter((c) => !shown.has(c.id))
        this.note()
      })
    }
    if (list.length) this.receiver.adopted(list.length)
    this.flush()
    return this.kept.value
  }

  private note() {
    this.waiting.value = this.list.length + this.orphans.length
    this.kept.value = this.drawer.put([...this.orphans, ...this.list])
  }

  add(c: Sent) {
    this.list.push(c)
    this.note()
    this.flush()
  }

  // waits are the commands that the server has not acknowledged.
  waits() {
    return [...this.list]
  }

  has(id: string) {
    return this.list.some((c) => c.id === id) || this.orphans.some((c) => c.id === id)
  }

  // delivered waits until the server has everything, or says that it cannot
  // have it now.
  async delivered() {
    while (this.waiting.value) {
      if (this.connection.value !== 'on') {
        throw new Problem('The last changes cannot be sent at the moment. Try again when they are saved.', '', 'unsent')
      }
      await Promise.race([this.flush(), new Promise((r) => setTimeout(r, 200))])
    }
  }

  // settled removes what the server has taken or will not take.
  settled(ids: Set<string>) {
    this.list = this.list.filter((c) => !ids.has(c.id))
    this.orphans = this.orphans.filter((c) => !ids.has(c.id))
    this.note()
  }

  hurry = () => {
    this.wake?.()
    this.flush()
  }

  flush() {
    this.running ??= this.post().finally(() => (this.running = null))
    return this.running
  }

  // pull asks for what others have done, again when there is no answer.
  async pull() {
    clearTimeout(this.later)
    try {
      await this.receiver.took(await api.since(this.clip, this.revision), [])
      if (this.connection.value === 'off' && !this.waiting.value) this.connection.value = 'on'
    } catch (e) {
      if (e instanceof Problem && e.status === 404) this.lose()
      else if (!this.stopped) this.later = setTimeout(() => this.pull(), 3000)
    }
  }

  private async post() {
    let pause = 500
    while (this.list.length + this.orphans.length && !this.stopped) {
      const sent = (this.orphans.length ? this.orphans : this.list).slice(0, this.most)
      try {
        const answer = await api.commands(this.clip, this.revision, sent)
        this.connection.value = 'on'
        this.most = 50
        pause = 500
        await this.receiver.took(answer, sent)
      } catch (e) {
        const p = e instanceof Problem ? e : new Problem(String(e))
        if (p.status === 404) return this.lose()
        if (p.status === 413 || p.status === 422) {
          // It is about the whole post: found out which command it is by
          // sending them one by one.
          if (sent.length > 1) this.most = 1
          else {
            this.receiver.refused('a change', p.message)
            await this.receiver.took({ revision: this.revision, results: [{ id: sent[0].id }], missing: [] }, sent)
            this.most = 50
          }
          continue
        }
        this.connection.value = p.status === 401 ? 'signedOut' : 'off'
        this.why.value = p.code
        await this.rest(pause)
        pause = Math.min(2 * pause, 8000)
      }
    }
  }

  private rest(ms: number) {
    return new Promise<void>((resolve) => {
      const timer = setTimeout(resolve, ms)
      this.wake = () => {
        clearTimeout(timer)
        resolve()
      }
    })
  }

  private lose() {
    this.connection.value = 'gone'
    this.stopped = true
    this.receiver.gone()
  }

  stop() {
    this.stopped = true
    clearTimeout(this.later)
    this.ended.abort()
    this.wake?.()
    removeEventListener('online', this.hurry)
    void this.last().finally(() => this.drawer.close())
  }

  // last sends what waits once more when the page goes elsewhere. What does not
  // get through is left to the next page on the clip.
  private async last() {
    await this.running
    const rest = [...this.orphans, ...this.list]
    if (!rest.length || this.connection.value === 'gone') return
    const sent = rest.slice(0, 50)
    const answer = await api.commands(this.clip, this.revision, sent).catch(() => null)
    if (answer) this.settled(new Set(sent.map((c) => c.id)))
  }
}
