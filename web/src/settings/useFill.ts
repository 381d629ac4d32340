import { computed } from 'vue'
import { hexOf, numbersOf } from '../parts/colour'
import { useEditor } from '../stores/editor'
import type { Fill, Layer } from '../types'

// A colour of a gradient: a stop, or a point of a free one.
export interface FillColour {
  number: number // under which it has keys
  property: string
  hex: string
  alpha: number
  at?: number // percent of the way
  place?: [number, number] // percent of the plane from its middle
}

// useFill is the gradient of a layer as it is at the playhead, and what changes it: keys
// where it has keys, itself otherwise. plain is the colour of one that has none.
export function useFill(
  layer: () => Layer | undefined,
  fill: () => Fill | null | undefined,
  plain: () => string = () => ''
) {
  const editor = useEditor()

  const solid = computed(() => fill()?.run !== 'free' && (fill()?.stops.length ?? 0) < 2)
  const run = computed(() => (solid.value ? 'solid' : fill()?.run || 'linear'))

  // What the engine says of the frame, or the layer's own value until it has.
  const now = (property: string, own: number[]) =>
    (layer()?.id === editor.selected && editor.places.values[property]) || own

  function colourOf(property: string, own: string) {
    const value = now(property, numbersOf(own, own.length > 7 ? parseInt(own.slice(7), 16) : 255))
    return { property, hex: hexOf(value), alpha: value[3] }
  }

  const colours = computed<FillColour[]>(() => {
    const f = fill()
    if (!f) return plain() ? [{ number: 0, ...colourOf('fillColour', plain()) }] : []
    if (f.run === 'free')
      return (f.points ?? []).map((p) => ({
        number: p.id,
        ...colourOf(`pointColour${p.id}`, p.colour),
        place: now(`place${p.id}`, [p.x, p.y]) as [number, number]
      }))
    return f.stops.map((s, i) => {
      const number = s.id || i + 1
      return { number, ...colourOf(`colour${number}`, s.colour), at: now(`at${number}`, [s.at])[0] }
    })
  })

  const angle = computed(() => now('fillAngle', [fill()?.angle ?? 0])[0])
  const centre = computed(() => now('fillCentre', [fill()?.x ?? 0, fill()?.y ?? 0]) as [number, number])
  const reach = computed(() => now('fillReach', [fill()?.reach || 100])[0])
  const flat = computed(() => now('fillFlat', [fill()?.flat ?? 0])[0])

  const change = (property: string, value: number[]) => ({
    type: 'setValue' as const,
    layer: layer()?.id ?? '',
    property,
    frame: editor.frame,
    value
  })
  const set = (property: string, ...value: number[]) => editor.run(change(property, value))
  const setColour = (c: FillColour, hex: string) => set(c.property, ...numbersOf(hex, c.alpha))

  const id = () => layer()?.id ?? ''
  const setRun = (to: string) => editor.run({ type: 'setRun', layer: id(), run: to })
  const add = () => editor.run({ type: 'addColour', layer: id() })
  const remove = (number: number) => editor.run({ type: 'removeColour', layer: id(), number })

  return { run, colours, angle, centre, reach, flat, change, set, setColour, setRun, add, remove }
}
