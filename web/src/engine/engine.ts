import { Problem, type Methods } from '../types'
import { engineModule } from './module'

interface Waiting {
  resolve(v: unknown): void
  reject(e: Error): void
}

interface Reply {
  id?: number
  value?: unknown
  bytes?: Uint8Array
  error?: { message: string; field: string }
  crashed?: boolean
  reason?: string
  lost?: string // the file of a font that cannot be had now
  found?: string // the file of one that can be had again
}

// Told is what an engine says of its own accord.
export interface Told {
  crashed(reason: string): void
  font(file: string, here: boolean): void
}

// Engine is one worker. When it crashes it is started again and given back its
// state by restore; calls that were under way fail.
export class Engine {
  private worker: Worker | null = null
  private waiting = new Map<number, Waiting>()
  private next = 1
  private crashes = 0
  private stopped = false
  pending = 0

  constructor(
    private told: Told,
    private restore: (e: Engine) => Promise<void>
  ) {}

  // start begins before the first call what takes its time; a call does it, too.
  start() {
    if (this.worker || this.stopped) return
    const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
    this.worker = worker
    worker.onmessage = (event: MessageEvent<Reply>) => this.reply(event.data)
    worker.onerror = (event) => this.crashed(event.message)
    engineModule().then(
      (module) => worker.postMessage({ module }),
      (e) => worker === this.worker && this.crashed(String(e))
    )
  }

  private reply(r: Reply) {
    if (r.crashed) return this.crashed(r.reason ?? 'it ended')
    if (r.lost || r.found) return this.told.font((r.lost ?? r.found) as string, !!r.found)
    const w = this.waiting.get(r.id as number)
    if (!w) return
    this.waiting.delete(r.id as number)
    this.pending--
    if (r.error) w.reject(new Problem(r.error.message, r.error.field, 'engine'))
    else w.resolve(r.bytes ?? r.value)
  }

  private crashed(reason: string) {
    this.worker?.terminate()
    this.worker = null
    for (const w of this.waiting.values()) w.reject(new Problem('The engine stopped', '', 'crashed'))
    this.waiting.clear()
    this.pending = 0
    this.stopped = ++this.crashes > 5
    if (this.stopped) return this.told.crashed(`${reason}; reload the page to go on`)
    this.start()
    this.restore(this).catch(() => undefined)
    this.told.crashed(reason)
  }

  call<M extends keyof Methods>(method: M, arg: Methods[M]['in'], bytes?: Uint8Array): Promise<Methods[M]['out']> {
    this.start()
    const id = this.next++
    this.pending++
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { resolve: resolve as (v: unknown) => void, reject })
      // As text, so that what is reactive can be sent too.
      this.worker?.postMessage({ id, method, arg: JSON.stringify(arg), bytes })
    })
  }

  // For tests of the restart: ends the worker as a crash would.
  crash() {
    this.crashed('asked to')
  }

  stop() {
    this.stopped = true
    this.worker?.terminate()
  }
}
