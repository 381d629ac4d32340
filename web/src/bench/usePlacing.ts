import type { PhotoCut } from '../api'
import { useEditor } from '../stores/editor'
import type { Command, Prop } from '../types'

// usePlacing brings what was cut out into the clip that is open.
export function usePlacing() {
  const editor = useEditor()

  const shows = (hash: string) => {
    const props = new Set((editor.clip?.props ?? []).filter((p) => p.hash === hash).map((p) => p.id))
    return editor.clip?.layers.filter((l) => l.kind === 'cutout' && l.cutout && props.has(l.cutout.prop)) ?? []
  }

  // showing is the layer that still shows the photo: the one that is asked for, or the only one.
  function showing(cut: PhotoCut | undefined, wanted: string) {
    const list = cut ? shows(cut.photo) : []
    return list.find((l) => l.id === wanted) ?? (list.length === 1 ? list[0] : undefined)
  }

  // place puts a cut-out into a layer that shows its photo, each pixel where it was, or into
  // a new one.
  async function place(made: PhotoCut & { prop: Prop }, layer?: { id: string }) {
    if (layer) {
      const by: [number, number] = [-made.at[0], -made.at[1]]
      await editor.run({ type: 'recut', was: made.photo, prop: made.prop, by, layer: layer.id })
      return
    }
    const known = editor.clip?.props.find((p) => p.hash === made.prop.hash)
    const first: Command[] = known ? [] : [{ type: 'addProp', prop: made.prop }]
    await editor.addLayer('cutout', { prop: known?.id ?? made.prop.id, name: made.name }, first)
  }

  return { showing, place }
}
