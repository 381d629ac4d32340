import type { MadeCut, PhotoCut } from '../api'
import { useEditor } from '../stores/editor'
import type { Command } from '../types'

// What has the photo's shadow has none from the light.
const none = { none: true, direction: 145, distance: 30, softness: 14, strength: 40 }

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
  async function place(made: MadeCut, layer?: { id: string }) {
    const placed = await placeThing(made, layer)
    if (placed && made.shade) await shade(made, placed)
  }

  // shade lays the photo's shadow below the layer that shows the thing, exactly where it was.
  async function shade(made: MadeCut, layer: string) {
    if (!made.shade) return
    const id = `shadow-${Date.now().toString(36)}`
    const commands: Command[] = [
      { type: 'copyLayer', layer, id },
      { type: 'recut', was: made.prop.hash, wasAt: made.at, prop: made.shade, at: made.shadowAt, layer: id },
      {
        type: 'setLayer',
        layer: id,
        set: { name: `Shadow of ${made.name}`, blend: 'multiply', lift: 0, shadow: none }
      },
      { type: 'setLayer', layer, set: { shadow: none } },
      { type: 'stackLayer', layer: id, steps: -1 }
    ]
    await editor.run({ type: 'batch', commands }, layer)
  }

  // shadeHere does so where the thing stands in the clip already, without its shadow.
  async function shadeHere(made: MadeCut) {
    const layer = shows(made.prop.hash)[0]?.id
    if (layer && made.shade && !shows(made.shade.hash).length) await shade(made, layer)
  }

  async function placeThing(made: MadeCut, layer?: { id: string }): Promise<string | undefined> {
    if (layer && editor.clip?.layers.some((l) => l.id === layer.id && l.kind === 'cutout')) {
      await editor.run({ type: 'recut', was: made.photo, wasAt: [0, 0], prop: made.prop, at: made.at, layer: layer.id })
      return layer.id
    }
    const known = editor.clip?.props.find((p) => p.hash === made.prop.hash)
    const first: Command[] = known ? [] : [{ type: 'addProp', prop: made.prop }]
    // What covered the frame goes for the thing alone.
    if (layer) first.push({ type: 'removeLayer', layer: layer.id })
    return editor.addLayer('cutout', { prop: known?.id ?? made.prop.id, name: made.name }, first)
  }

  // apart lets a part stand by itself in the clip, exactly where it was, above the layer
  // that shows the whole, whose place for it is filled.
  async function apart(whole: MadeCut, part: MadeCut) {
    let base = shows(whole.prop.hash)[0]?.id
    if (!base) {
      const photo = shows(whole.photo)[0]
      await place(whole, photo)
      base = shows(whole.prop.hash)[0]?.id
    }
    const id = `part-${Date.now().toString(36)}`
    const commands: Command[] = [
      { type: 'copyLayer', layer: base, id },
      { type: 'recut', was: whole.prop.hash, wasAt: whole.at, prop: part.prop, at: part.at, layer: id },
      { type: 'setLayer', layer: id, set: { name: part.name } }
    ]
    await editor.run({ type: 'batch', commands }, id)
  }

  return { showing, place, apart, shadeHere }
}
