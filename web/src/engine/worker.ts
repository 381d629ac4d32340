// One engine in a worker: it is given the compiled program, then answers calls in
// order.
import './wasm_exec.js'
import { fontLater, fontNow } from './fonts'
import { bytesNow } from './parts'

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
  billowFont(file: string): Uint8Array | null
  billowPart(hash: string, at: number, bytes: number): Uint8Array | null
}

const world = globalThis as unknown as Globals & DedicatedWorkerGlobalScope

const ready = new Promise<void>((resolve) => (world.billowReady = resolve))

// Words whose font cannot be had now stand in another one; when it can be had,
// they are set anew.
const awaited = new Set<string>()
world.billowFont = (file) => {
  const font = fontNow(file)
  if (!font && !awaited.has(file)) {
    awaited.add(file)
    world.postMessage({ lost: file })
    fontLater(file).then(() => {
      awaited.delete(file)
      world.billow('retryFonts', 'null')
      world.postMessage({ found: file })
    })
  }
  return font
}

world.billowPart = bytesNow

let begin: (module: WebAssembly.Module) => void
const started = new Promise<WebAssembly.Module>((resolve) => (begin = resolve))
  .then(async (module) => {
    const go = new world.Go()
    const instance = await WebAssembly.instantiate(module, go.importObject)
    // The program runs for ever; that it ends means that it has crashed.
    go.run(instance).finally(() => world.postMessage({ crashed: true }))
    await ready
  })
  .catch((e) => world.postMessage({ crashed: true, reason: String(e) }))

world.onmessage = async (event: MessageEvent<Call | { module: WebAssembly.Module }>) => {
  if ('module' in event.data) return begin(event.data.module)
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
