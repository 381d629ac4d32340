import type { Layer } from './types'

// within tells whether a layer lies in a group, at any depth.
export function within(layers: Map<string, Layer>, layer: Layer, group: string) {
  for (let g = layer.group; g; g = layers.get(g)?.group) if (g === group) return true
  return false
}
