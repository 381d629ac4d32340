import { computed, ref, type Ref } from 'vue'

// useLens is which part of a photo is seen, and how large: the same in both panes.
// It is straightened about its middle by so many degrees.
export function useLens(
  photo: Ref<{ w: number; h: number } | null>,
  pane: Ref<{ w: number; h: number }>,
  turn: Ref<number>
) {
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
  const centre = computed(() => ({ x: (photo.value?.w ?? 0) / 2, y: (photo.value?.h ?? 0) / 2 }))
  const style = computed(() => ({
    width: `${photo.value?.w ?? 0}px`,
    height: `${photo.value?.h ?? 0}px`,
    transform: `translate(${pane.value.w / 2 - middle.value.x * scale.value}px, ${pane.value.h / 2 - middle.value.y * scale.value}px) scale(${scale.value}) translate(${centre.value.x}px, ${centre.value.y}px) rotate(${turn.value}deg) translate(${-centre.value.x}px, ${-centre.value.y}px)`
  }))

  // place is the place in the photo of a point of the pane.
  function place(x: number, y: number): [number, number] {
    const [u, v] = straight(x, y)
    const [dx, dy] = [u - centre.value.x, v - centre.value.y]
    const [sin, cos] = [Math.sin((turn.value * Math.PI) / 180), Math.cos((turn.value * Math.PI) / 180)]
    return [centre.value.x + dx * cos + dy * sin, centre.value.y - dx * sin + dy * cos]
  }

  // straight is the same in the photo as it is straightened.
  const straight = (x: number, y: number): [number, number] => [
    middle.value.x + (x - pane.value.w / 2) / scale.value,
    middle.value.y + (y - pane.value.h / 2) / scale.value
  ]

  function whole() {
    zoom.value = 0
  }

  // closer sees it so many times larger; what lies under a point of the pane stays there.
  function closer(factor: number, x = pane.value.w / 2, y = pane.value.h / 2) {
    const [px, py] = straight(x, y)
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
    const { w, h } = pane.value
    const corners = [place(0, 0), place(w, 0), place(0, h), place(w, h)]
    const [xs, ys] = [corners.map((c) => c[0]), corners.map((c) => c[1])]
    const [x0, y0] = [Math.min(...xs), Math.min(...ys)].map((v) => Math.max(0, Math.floor(v)))
    const x1 = Math.min(p.w, Math.ceil(Math.max(...xs)))
    const y1 = Math.min(p.h, Math.ceil(Math.max(...ys)))
    return { x: x0, y: y0, w: x1 - x0, h: y1 - y0 }
  })

  // near sees a part of it, given by points, with some room around.
  function near(points: [number, number][]) {
    const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])]
    const [x0, y0, x1, y1] = [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)]
    const next = Math.min(most, (0.6 * pane.value.w) / (x1 - x0), (0.6 * pane.value.h) / (y1 - y0))
    if (!(next > fit.value)) return whole()
    zoom.value = next
    go((x0 + x1) / 2, (y0 + y1) / 2)
  }

  return {
    zoom,
    scale,
    middle,
    percent,
    style,
    place,
    whole,
    near,
    closer,
    move,
    seen,
    exact: (z: number) => closer(z / scale.value)
  }
}

export type Lens = ReturnType<typeof useLens>
