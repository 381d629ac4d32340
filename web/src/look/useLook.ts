import { computed } from 'vue'
import { effects } from '../gen/catalogue'
import { useEditor } from '../stores/editor'
import type { Command, Layer, NamedLook } from '../types'

export type Effect = (typeof effects)[number]

// Those with fields of their own under Colours and light.
export const toneGroup = 'Colour'
export const toned = (e: Effect) => (e.group === toneGroup && e.name !== 'table') || e.name === 'sharpen'

// useLook is what effects a layer has.
export function useLook(layer: () => Layer) {
  const editor = useEditor()

  // has tells whether any property of an effect is set or has keys.
  const has = (e: Effect) => e.properties.some((p) => layer().values?.[p] || layer().tracks[p])
  const worn = computed(() => effects.filter(has))

  // values are those of all effects, as they are at the playhead.
  const values = computed(() => {
    const out: Record<string, number[]> = {}
    for (const e of worn.value)
      for (const p of e.properties) {
        const v = layer().tracks[p] ? editor.places.values[p] : layer().values?.[p]
        if (v) out[p] = [...v]
      }
    return out
  })
  const table = computed(() => editor.clip?.props.find((p) => p.id === layer().table))

  // onto are the layers that are given a look: all that are chosen.
  const onto = () => (editor.chosen.length ? editor.chosen : [layer().id])

  // wearing is what gives them one, with its table where the clip has none yet.
  function wearing(look: Pick<NamedLook, 'values' | 'table'>): Command {
    const known = look.table && editor.clip?.props.find((p) => p.hash === look.table?.hash)
    const wear: Command = {
      type: 'wearLook',
      onto: onto(),
      values: look.values,
      ...(look.table ? { table: known?.id ?? look.table.id } : {})
    }
    return look.table && !known ? { type: 'batch', commands: [{ type: 'addProp', prop: look.table }, wear] } : wear
  }

  // put puts an effect on, as it begins.
  function put(e: Effect) {
    const { frame } = editor
    return editor.runAll(
      onto().map((layer): Command => ({
        type: 'setValue',
        layer,
        property: e.properties[0],
        frame,
        value: [...e.begin]
      }))
    )
  }

  const drop = (e: Effect) => editor.run({ type: 'dropEffect', layer: layer().id, effect: e.name })

  return { worn, values, table, wearing, put, drop }
}
