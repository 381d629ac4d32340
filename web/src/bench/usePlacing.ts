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

  // covered are the layers that show footage over the whole frame.
  const covered = (hash: string) => {
    const props = new Set((editor.clip?.props ?? []).filter((p) => p.hash === hash).map((p) => p.id))
    return editor.clip?.layers.filter((l) => l.kind === 'photo' && l.cutout && props.has(l.cutout.prop)) ?? []
  }

  // showing is the layer that still shows the photo: the one that is asked for, or the only one.
  function showing(cut: PhotoCut | undefined, wanted: string) {
    const list = cut ? [...shows(cut.photo), ...(cut.moves ? covered(cut.photo) : [])] : []
    return list.find((l) => l.id === wanted) ?? (list.length === 1 ? list[0] : undefined)
  }

  // place puts a cut-out into a layer that shows its photo, each pixel where it was, or into
  // a new one.
  async function place(made: PhotoCut & { prop: Prop }, layer?: { id: string }) {
    if (layer && editor.clip?.layers.some((l) => l.id === layer.id && l.kind === 'cutout')) {
      const by: [number, number] = [-made.at[0], -made.at[1]]
      await editor.run({ type: 'recut', was: made.photo, prop: made.prop, by, layer: layer.id })
      return
    }
    const known = editor.clip?.props.find((p) => p.hash === made.prop.hash)
    const first: Command[] = known ? [] : [{ type: 'addProp', prop: made.prop }]
    // What covered the frame goes for the thing alone.
    if (layer) first.push({ type: 'removeLayer', layer: layer.id })
    await editor.addLayer('cutout', { prop: known?.id ?? made.prop.id, name: made.name }, first)
  }

  // apart lets a part stand by itself in the clip, exactly where it was, above the layer
  // that shows the whole, whose place for it is filled.
  async function apart(whole: PhotoCut & { prop: Prop }, part: PhotoCut & { prop: Prop }) {
    let base = shows(whole.prop.hash)[0]?.id
    if (!base) {
      const photo = shows(whole.photo)[0]
      await place(whole, photo)
      base = shows(whole.prop.hash)[0]?.id
    }
    const id = `part-${Date.now().toString(36)}`
    const by: [number, number] = [whole.at[0] - part.at[0], whole.at[1] - part.at[1]]
    const commands: Command[] = [
      { type: 'copyLayer', layer: base, id },
      { type: 'recut', was: whole.prop.hash, prop: part.prop, by, layer: id },
      { type: 'setLayer', layer: id, set: { name: part.name } }
    ]
    await editor.run({ type: 'batch', commands }, id)
  }

  return { showing, place, apart }
}
