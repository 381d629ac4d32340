import { shallowRef } from 'vue'
import type { KeyRef } from '../types'

// While keys are dragged in time, the Beatline shows their beads and strings
// elsewhere at once: an easing runs in shares of its string, so that a string
// between two moved beads is the same string, drawn longer or shorter. What the
// clip becomes is for the engine to say when they are let go.
interface Warp {
  keys: Set<string>
  strings: Set<string> // layers and properties, so that most lanes need not look
  move: (frame: number) => number
}

const warp = shallowRef<Warp | null>(null)

const name = (layer: string, property: string, frame: number) => `${layer} ${property} ${frame}`

export function useWarp() {
  function begin(keys: KeyRef[]) {
    const set = new Set(keys.map((k) => name(k.layer, k.property, k.frame)))
    const strings = new Set(keys.map((k) => `${k.layer} ${k.property}`))
    return (move: Warp['move']) => (warp.value = { keys: set, strings, move })
  }

  const end = () => (warp.value = null)

  // placing maps frames of a string to where they are drawn; null where nothing
  // of it is dragged.
  function placing(layer: string, property: string, beads: { frame: number }[]) {
    const w = warp.value
    if (!w?.strings.has(`${layer} ${property}`)) return null
    const from = beads.map((b) => b.frame)
    const to = from.map((f) => (w.keys.has(name(layer, property, f)) ? w.move(f) : f))
    return (frame: number) => {
      let i = 0
      while (i < from.length - 2 && from[i + 1] <= frame) i++
      if (from.length < 2) return to[0] + frame - from[0]
      const share = (frame - from[i]) / (from[i + 1] - from[i])
      return to[i] + share * (to[i + 1] - to[i])
    }
  }

  return { begin, end, placing }
}
