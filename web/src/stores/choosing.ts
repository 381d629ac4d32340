import type { Ref, ShallowRef } from 'vue'
import type { KeyRef } from '../types'

// choosing is which layers are chosen, and whose rows stay open.
export function choosing(
  selected: Ref<string>,
  chosen: ShallowRef<string[]>,
  opened: ShallowRef<string[]>,
  keys: ShallowRef<KeyRef[]>,
  refresh: () => void
) {
  // select chooses one layer; with more, it is added or taken away.
  function select(layerId: string, more = false) {
    if (more && layerId) {
      const has = chosen.value.includes(layerId)
      chosen.value = has ? chosen.value.filter((l) => l !== layerId) : [...chosen.value, layerId]
      selected.value = has ? (chosen.value.at(-1) ?? '') : layerId
    } else {
      if (selected.value !== layerId) keys.value = []
      selected.value = layerId
      chosen.value = layerId ? [layerId] : []
    }
    refresh()
  }

  function selectAll(layers: string[]) {
    chosen.value = layers
    selected.value = layers.at(-1) ?? ''
    refresh()
  }

  function toggleOpen(layerId: string) {
    opened.value = opened.value.includes(layerId)
      ? opened.value.filter((l) => l !== layerId)
      : [...opened.value, layerId]
    refresh()
  }

  return { select, selectAll, toggleOpen }
}
