import { computed, reactive, ref } from 'vue'
import { useEditor } from '../stores/editor'

// Between the picture and the edge of its room when all of it is seen, pixels.
const margin = 6
const smallest = 0.05
const largest = 8

const room = reactive({ w: 0, h: 0 }) // the Tabletop's, in pixels
const zoom = ref(0) // pixels of the screen for one of the export; 0: all of the picture
const middle = reactive({ x: 0, y: 0 }) // the picture's from the room's, pixels

// useSight is how large the picture is seen, and which part of it. Points are in
// pixels from the room's middle.
export function useSight() {
  const editor = useEditor()

  const whole = computed(() => {
    const s = editor.shapeNow
    return s && room.w ? Math.min((room.w - 2 * margin) / s.w, (room.h - 2 * margin) / s.h) : 0
  })
  const scale = computed(() => zoom.value || whole.value)
  const size = computed(() => {
    const s = editor.shapeNow
    if (!s || !scale.value) return { w: 0, h: 0 }
    return { w: Math.max(2, Math.floor(s.w * scale.value)), h: Math.max(2, Math.floor(s.h * scale.value)) }
  })
  const at = computed(() => ({
    x: Math.round((room.w - size.value.w) / 2 + middle.x),
    y: Math.round((room.h - size.value.h) / 2 + middle.y)
  }))

  // held keeps a part of the picture in view.
  function held() {
    const limit = (room: number, picture: number) => Math.max(0, (room + picture) / 2 - 60)
    const x = limit(room.w, size.value.w)
    const y = limit(room.h, size.value.h)
    middle.x = Math.max(-x, Math.min(x, middle.x))
    middle.y = Math.max(-y, Math.min(y, middle.y))
  }

  function fit() {
    zoom.value = 0
    middle.x = middle.y = 0
  }

  // zoomTo makes a pixel of the export so many of the screen; what is at a point
  // stays there.
  function zoomTo(to: number, x = 0, y = 0) {
    const before = scale.value
    const next = Math.max(smallest, Math.min(largest, to))
    zoom.value = next
    middle.x = x - ((x - middle.x) * next) / before
    middle.y = y - ((y - middle.y) * next) / before
    held()
  }

  function pan(dx: number, dy: number) {
    if (!zoom.value) return
    middle.x += dx
    middle.y += dy
    held()
  }

  return {
    room,
    scale,
    size,
    at,
    fitted: computed(() => zoom.value === 0),
    fit,
    zoomTo,
    zoomBy: (factor: number, x = 0, y = 0) => zoomTo(scale.value * factor, x, y),
    toggle: () => (zoom.value ? fit() : zoomTo(1)),
    pan
  }
}
