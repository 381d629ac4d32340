// One engine in a worker: loads the WebAssembly, then answers calls in order.
import './wasm_exec.js'
import wasmUrl from './engine.wasm?url'

interface Call {
  id: number
  method: string
  arg: string // JSON
  bytes?: Uint8Array
}

interface Answer {
  value?: string
  bytes?: Uint8Array
  error?: { message: string; field: string }
}

interface Globals {
  Go: new () => { importObject: WebAssembly.Imports; run(i: WebAssembly.Instance): Promise<void> }
  billow(method: string, arg: string, bytes?: Uint8Array): Answer
  billowReady(): void
}

const world = globalThis as unknown as Globals & DedicatedWorkerGlobalScope

const ready = new Promise<void>((resolve) => (world.billowReady = resolve))

async function start() {
  const go = new world.Go()
  const { instance } = await WebAssembly.instantiateStreaming(fetch(wasmUrl), go.importObject)
  // The program runs for ever; that it ends means that it has crashed.
  go.run(instance).finally(() => world.postMessage({ crashed: true }))
  await ready
}

const started = start().catch((e) => world.postMessage({ crashed: true, reason: String(e) }))

world.onmessage = async (event: MessageEvent<Call>) => {
  await started
  const { id, method, arg, bytes } = event.data
  try {
    const answer = world.billow(method, arg, bytes)
    if (answer.error) world.postMessage({ id, error: answer.error })
    else if (answer.bytes) world.postMessage({ id, bytes: answer.bytes }, [answer.bytes.buffer as ArrayBuffer])
    else world.postMessage({ id, value: JSON.parse(answer.value as string) })
  } catch (e) {
    world.postMessage({ id, error: { message: String(e), field: '' } })
    world.postMessage({ crashed: true, reason: String(e) })
  }
}
