import { useEditor } from '../stores/editor'
import type { Layer, Mask } from '../types'

// A mask as it is at the playhead.
export interface MaskNow {
  place: [number, number]
  size: [number, number]
  turn: number
  corner: number
  feather: number
  expand: number
}

// useMasks is the masks of a layer, and what changes them: keys where they have keys,
// themselves otherwise.
export function useMasks(layer: () => Layer | undefined) {
  const editor = useEditor()
  const list = () => layer()?.masks ?? []
  const id = () => layer()?.id ?? ''

  function now(m: Mask): MaskNow {
    const at = (family: string, own: number[]) =>
      (id() === editor.selected && editor.places.values[`${family}${m.id}`]) || own
    return {
      place: at('maskPlace', [m.x, m.y]) as [number, number],
      size: at('maskSize', [m.w, m.h]) as [number, number],
      turn: at('maskTurn', [m.turn ?? 0])[0],
      corner: at('maskCorner', [m.corner ?? 0])[0],
      feather: at('maskFeather', [m.feather ?? 0])[0],
      expand: at('maskExpand', [m.expand ?? 0])[0]
    }
  }

  const change = (m: Mask, family: string, value: number[]) => ({
    type: 'setValue' as const,
    layer: id(),
    property: `${family}${m.id}`,
    frame: editor.frame,
    value
  })
  const set = (m: Mask, family: string, ...value: number[]) => editor.run(change(m, family, value))
  const put = (m: Mask, values: Partial<Mask>) =>
    editor.run({
      type: 'setLayer',
      layer: id(),
      set: { masks: list().map((o) => (o.id === m.id ? { ...o, ...values } : o)) }
    })
  const add = (form: Mask['form']) => editor.run({ type: 'addMask', layer: id(), form })
  const remove = (m: Mask) => editor.run({ type: 'removeMask', layer: id(), number: m.id })

  return { list, now, change, set, put, add, remove }
}
