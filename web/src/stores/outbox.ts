import { ref } from 'vue'
import { api } from '../api'
import { Problem, type Command } from '../types'

// Outbox posts commands in order. What the server has not acknowledged is kept
// in the browser, so that neither a lost connection nor a closed page loses it.
export class Outbox {
  readonly waiting = ref(0)
  readonly online = ref(true)
  private list: Command[]
  private running: Promise<void> | null = null
  private stopped = false

  constructor(
    private clip: string,
    public revision: number,
    private onStale: (left: Command[]) => Promise<Command[]>,
    private onRefused: (e: Problem) => Promise<void>
  ) {
    this.list = JSON.parse(localStorage.getItem(this.key) ?? '[]') as Command[]
    this.waiting.value = this.list.length
  }

  private get key() {
    return `billow-outbox-${this.clip}`
  }

  // leftover is what an earlier page could not post.
  leftover() {
    return [...this.list]
  }

  clear() {
    this.list = []
    this.note()
  }

  private note() {
    this.waiting.value = this.list.length
    if (this.list.length) localStorage.setItem(this.key, JSON.stringify(this.list))
    else localStorage.removeItem(this.key)
  }

  add(c: Command) {
    this.list.push(c)
    this.note()
    this.flush()
  }

  flush() {
    this.running ??= this.post().finally(() => (this.running = null))
    return this.running
  }

  private async post() {
    while (this.list.length && !this.stopped) {
      const sent = this.list.slice(0, 50)
      try {
        const { revision } = await api.commands(this.clip, this.revision, sent)
        this.revision = revision
        this.list.splice(0, sent.length)
        this.online.value = true
        this.note()
      } catch (e) {
        const p = e instanceof Problem ? e : new Problem(String(e))
        if (p.status === 409) {
          this.list = await this.onStale(this.list)
          this.note()
        } else if (p.status === 422 || p.status === 404 || p.status === 413) {
          this.clear()
          await this.onRefused(p)
          return
        } else {
          this.online.value = false
          await new Promise((r) => setTimeout(r, 1500))
        }
      }
    }
  }

  stop() {
    this.stopped = true
  }
}
