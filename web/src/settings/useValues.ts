import { useEditor } from '../stores/editor'
import type { Layer } from '../types'

// useValues is the properties of a layer as they are at the playhead, and what changes
// them: keys where they have keys, the layer's own value otherwise.
export function useValues(layer: () => Layer) {
  const editor = useEditor()
  const now = (property: string, usual = 0) =>
    editor.places.values[property]?.[0] ?? layer().values?.[property]?.[0] ?? usual
  const all = (property: string, usual: readonly number[]) =>
    editor.places.values[property] ?? layer().values?.[property] ?? usual
  const set = (property: string, ...value: number[]) =>
    editor.run({ type: 'setValue', layer: layer().id, property, frame: editor.frame, value })
  return { now, all, set }
}
