declare module './wasm_exec.js'
