import { ref } from 'vue'
import { useCarry } from '../shelf/useCarry'
import type { Spot } from '../shelf/usePropIntake'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Place } from '../types'

// useDrop lets things be carried to the picture and let go there. A picture that is
// held over a cut-out may be shown by it instead of becoming one more: with Alt.
// units is where an event is, in units from the frame's centre.
export function useDrop(units: (e: DragEvent) => [number, number]) {
  const editor = useEditor()
  const carry = useCarry()
  const over = ref<Place | null>(null) // the cut-out under what is carried
  const swaps = ref(false)
  let looks = 0

  async function under([x, y]: [number, number]) {
    const at = { shape: editor.shape, frame: editor.frame }
    const hits = await editor.drawing().engines[0].call('pick', { ...at, x, y })
    const layer = hits.find((l) => editor.layers.get(l)?.cutout)
    if (!layer) return null
    const { places } = await editor.ask('places', { ...at, open: [], layer: '', layers: [layer] })
    return places[0] ?? null
  }

  async function hover(e: DragEvent) {
    if (!carry.takes(e)) return
    e.preventDefault()
    if (e.dataTransfer) e.dataTransfer.dropEffect = 'copy'
    swaps.value = e.altKey
    if (!carry.shows(e)) return
    const mine = ++looks
    const found = await under(units(e)).catch(() => null)
    if (mine === looks) over.value = found
  }

  function leave() {
    looks++
    over.value = null
  }

  // What is let go stands there; with Alt the cut-out beneath shows it.
  function drop(e: DragEvent) {
    e.preventDefault()
    const at = units(e)
    const spot: Spot = { shape: editor.shape, at }
    const swapping = e.altKey && carry.shows(e)
    const found = swapping ? under(at).then((p) => ({ ...spot, swaps: p?.layer })) : spot
    leave()
    carry.put(e, found).catch(useNotices().fail)
  }

  return { over, swaps, hover, leave, drop }
}
