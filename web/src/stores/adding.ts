import type { Ref } from 'vue'
import type { Command, Draft, Layer } from '../types'

// adding makes new layers, which are chosen then.
export function adding(
  frame: Ref<number>,
  drafted: (draft: Draft) => Promise<Layer>,
  begins: () => boolean,
  run: (command: Command, made?: string) => Promise<boolean>
) {
  async function addLayer(kind: Layer['kind'], extra: Partial<Draft> = {}, first: Command[] = []) {
    const draft = await drafted({ kind, frame: frame.value, begins: begins(), ...extra })
    const add: Command = { type: 'addLayer', layer: draft }
    const done = await run(first.length ? { type: 'batch', commands: [...first, add] } : add, draft.id)
    return done ? draft.id : ''
  }

  // copyLayer chooses the copy, which is what is worked on next.
  async function copyLayer(layer: string) {
    const id = `${layer.slice(0, 40)}-${Date.now() % 100000}`
    await run({ type: 'copyLayer', layer, id }, id)
  }

  return { addLayer, copyLayer }
}
