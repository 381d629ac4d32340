import { computed, ref, type Ref } from 'vue'

// useLens is which part of a photo is seen, and how large: the same in both panes.
export function useLens(photo: Ref<{ w: number; h: number } | null>, pane: Ref<{ w: number; h: number }>) {
  const zoom = ref(0) // pixels of the screen for one of the photo; 0 is the whole photo
  const at = ref({ x: 0, y: 0 }) // the pixel of the photo in the pane's middle
  const most = 32

  const fit = computed(() => {
    const p = photo.value
    return p && pane.value.w ? Math.min((pane.value.w - 24) / p.w, (pane.value.h - 24) / p.h, 8) : 1
  })
  const scale = computed(() => zoom.value || fit.value)
  const middle = computed(() =>
    zoom.value || !photo.value ? at.value : { x: photo.value.w / 2, y: photo.value.h / 2 }
  )
  const percent = computed(() => Math.round(scale.value * 100))
  const style = computed(() => ({
    width: `${photo.value?.w ?? 0}px`,
    height: `${photo.value?.h ?? 0}px`,
    transform: `translate(${pane.value.w / 2 - middle.value.x * scale.value}px, ${pane.value.h / 2 - middle.value.y * scale.value}px) scale(${scale.value})`
  }))

  // place is the place in the photo of a point of the pane.
  const place = (x: number, y: number): [number, number] => [
    middle.value.x + (x - pane.value.w / 2) / scale.value,
    middle.value.y + (y - pane.value.h / 2) / scale.value
  ]

  function whole() {
    zoom.value = 0
  }

  // closer sees it so many times larger; what lies under a point of the pane stays there.
  function closer(factor: number, x = pane.value.w / 2, y = pane.value.h / 2) {
    const [px, py] = place(x, y)
    const next = Math.min(most, scale.value * factor)
    if (next <= fit.value) return whole()
    zoom.value = next
    go(px - (x - pane.value.w / 2) / next, py - (y - pane.value.h / 2) / next)
  }

  function go(x: number, y: number) {
    const p = photo.value
    if (!p) return
    at.value = { x: Math.max(0, Math.min(p.w, x)), y: Math.max(0, Math.min(p.h, y)) }
  }

  // move goes so many pixels of the screen on.
  const move = (from: { x: number; y: number }, dx: number, dy: number) =>
    zoom.value && go(from.x - dx / scale.value, from.y - dy / scale.value)

  // seen is the part of the photo that is seen, in whole pixels of it.
  const seen = computed(() => {
    const p = photo.value
    if (!p) return { x: 0, y: 0, w: 0, h: 0 }
    const [x0, y0] = place(0, 0).map((v) => Math.max(0, Math.floor(v)))
    const [x1, y1] = place(pane.value.w, pane.value.h)
    return { x: x0, y: y0, w: Math.min(p.w, Math.ceil(x1)) - x0, h: Math.min(p.h, Math.ceil(y1)) - y0 }
  })

  return {
    zoom,
    scale,
    middle,
    percent,
    style,
    place,
    whole,
    closer,
    move,
    seen,
    exact: (z: number) => closer(z / scale.value)
  }
}

export type Lens = ReturnType<typeof useLens>
