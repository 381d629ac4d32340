import { onBeforeUnmount, ref, watch, type Ref } from 'vue'
import { put } from '../engine/painters'
import { useEditor } from '../stores/editor'

// useStill keeps a canvas showing a frame of a shape while nothing plays. Only
// the newest wish is drawn; what comes too late is thrown away.
export function useStill(
  canvas: Ref<HTMLCanvasElement | null>,
  engine: number,
  wish: () => { shape: string; w: number; h: number; frame: number; active: boolean; version: number }
) {
  const editor = useEditor()
  const drawn = ref(false) // something is to be seen
  let busy = false
  let again = false
  let gone = false

  async function draw() {
    if (busy) {
      again = true
      return
    }
    busy = true
    do {
      again = false
      const { shape, w, h, frame, active } = wish()
      if (!active || !canvas.value || w < 2 || h < 2) break
      try {
        const picture = await editor.drawing().draw(engine, shape, w, h, frame)
        if (!gone && canvas.value && wish().active) {
          put(canvas.value, picture)
          drawn.value = true
          canvas.value.dataset.frame = String(frame)
          canvas.value.dataset.version = String(wish().version)
        }
      } catch {
        // The clip has no picture yet; the next version brings it.
      }
    } while (again)
    busy = false
  }

  watch(() => JSON.stringify(wish()), draw, { immediate: true })
  watch(canvas, draw)
  onBeforeUnmount(() => (gone = true))
  return drawn
}
