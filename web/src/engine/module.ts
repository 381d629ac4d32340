import wasmUrl from './engine.wasm?url'

let compiled: Promise<WebAssembly.Module> | undefined

// engineModule is the engine's program, compiled once for all workers. What
// failed is tried again when it is asked for again.
export function engineModule(): Promise<WebAssembly.Module> {
  compiled ??= WebAssembly.compileStreaming(fetch(wasmUrl)).catch((e) => {
    compiled = undefined
    throw e
  })
  return compiled
}
