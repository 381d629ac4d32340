import { Problem, type Methods } from '../types'

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
}

// Engine is one worker. When it crashes it is started again and given back its
// state by restore; calls that were under way fail.
export class Engine {
  private worker!: Worker
  private waiting = new Map<number, Waiting>()
  private next = 1
  private crashes = 0
  pending = 0

  constructor(
    private onCrash: (reason: string) => void,
    private restore: (e: Engine) => Promise<void>
  ) {
    this.start()
  }

  private start() {
    this.worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
    this.worker.onmessage = (event: MessageEvent<Reply>) => this.reply(event.data)
    this.worker.onerror = (event) => this.crashed(event.message)
  }

  private reply(r: Reply) {
    if (r.crashed) return this.crashed(r.reason ?? 'it ended')
    const w = this.waiting.get(r.id as number)
    if (!w) return
    this.waiting.delete(r.id as number)
    this.pending--
    if (r.error) w.reject(new Problem(r.error.message, r.error.field, 'engine'))
    else w.resolve(r.bytes ?? r.value)
  }

  private crashed(reason: string) {
    this.worker.terminate()
    for (const w of this.waiting.values()) w.reject(new Problem('The engine stopped', '', 'crashed'))
    this.waiting.clear()
    this.pending = 0
    if (++this.crashes > 5) return this.onCrash(`${reason}; reload the page to go on`)
    this.start()
    this.restore(this).catch(() => undefined)
    this.onCrash(reason)
  }

  call<M extends keyof Methods>(method: M, arg: Methods[M]['in'], bytes?: Uint8Array): Promise<Methods[M]['out']> {
    const id = this.next++
    this.pending++
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { resolve: resolve as (v: unknown) => void, reject })
      // As text, so that what is reactive can be sent too.
      this.worker.postMessage({ id, method, arg: JSON.stringify(arg), bytes })
    })
  }

  // For tests of the restart: ends the worker as a crash would.
  crash() {
    this.crashed('asked to')
  }

  stop() {
    this.worker.terminate()
  }
}
