<script setup lang="ts">
import { computed } from 'vue'
import { useFill } from '../settings/useFill'
import { useEditor } from '../stores/editor'
import type { Command } from '../types'
import { useHandles } from './useHandles'

// The colours of the chosen backdrop or figure in the picture: where they are, and how
// they run. w and h are the picture's pixels.
const picture = defineProps<{ w: number; h: number }>()
type Point = [number, number]
const editor = useEditor()
const top = useHandles(picture)
const f = useFill(
  () => editor.layer,
  () => editor.layer?.backdrop ?? editor.layer?.card?.gradient ?? editor.layer?.words?.gradient
)

// The plane that is coloured: the frame, or the figure as it lies there. Its own pixels
// are counted from its upper left corner.
const place = computed(() =>
  editor.layer?.card?.gradient || editor.layer?.words?.gradient ? editor.placeOf(editor.selected) : undefined
)
const props = computed(() => {
  const p = place.value
  if (!p) return { w: picture.w, h: picture.h }
  return { w: p.w * top.unit.value || 1, h: p.h * top.unit.value || 1 }
})
const matrix = computed(() => {
  const p = place.value
  if (!p) return [1, 0, 0, 1, 0, 0]
  const [o, r, , d] = p.corners.map(top.px)
  const { w, h } = props.value
  return [(r[0] - o[0]) / w, (r[1] - o[1]) / w, (d[0] - o[0]) / h, (d[1] - o[1]) / h, o[0], o[1]]
})
function onPlane(e: PointerEvent): Point {
  const at = top.local(e)
  const [a, b, c, d, x, y] = matrix.value
  const k = a * d - b * c || 1
  const [dx, dy] = [at.x - x, at.y - y]
  return [(d * dx - c * dy) / k, (a * dy - b * dx) / k]
}

const middle = computed<Point>(() => [props.value.w / 2, props.value.h / 2])
const centre = computed<Point>(() => [
  props.value.w * (0.5 + f.centre.value[0] / 100),
  props.value.h * (0.5 + f.centre.value[1] / 100)
])
const short = computed(() => Math.min(props.value.w, props.value.h))
const percent = ([x, y]: Point): [number, number] => [
  round((100 * x) / props.value.w - 50),
  round((100 * y) / props.value.h - 50)
]
const round = (v: number) => Math.round(v * 10) / 10
const within = (v: number, lo: number, hi: number) => Math.min(Math.max(v, lo), hi)

// A direction of so many degrees, 0 up and 90 right.
const way = (degrees: number): Point => [Math.sin((degrees * Math.PI) / 180), -Math.cos((degrees * Math.PI) / 180)]
const degrees = ([x, y]: Point, from: Point) => (Math.atan2(x - from[0], from[1] - y) * 180) / Math.PI

// The line along which a linear or a radial gradient runs.
const line = computed(() => {
  if (f.run.value === 'linear') {
    const [x, y] = way(f.angle.value)
    const half = (Math.abs(props.value.w * x) + Math.abs(props.value.h * y)) / 2
    const [mx, my] = middle.value
    return { a: [mx - x * half, my - y * half] as Point, b: [mx + x * half, my + y * half] as Point }
  }
  if (f.run.value !== 'radial') return null
  const [cx, cy] = centre.value
  const corner: Point = [cx < props.value.w / 2 ? props.value.w : 0, cy < props.value.h / 2 ? props.value.h : 0]
  const far = Math.hypot(corner[0] - cx, corner[1] - cy) || 1
  const k = f.reach.value / 100
  // A round one runs alike in all directions: it is shown towards the corner.
  const [x, y] = oval.value ? way(f.angle.value) : [(corner[0] - cx) / far, (corner[1] - cy) / far]
  return { a: centre.value, b: [cx + x * far * k, cy + y * far * k] as Point, far }
})
const oval = computed(() => f.run.value === 'radial' && f.flat.value > 0)
const along = (at: number): Point => {
  const { a, b } = line.value as { a: Point; b: Point }
  return [a[0] + ((b[0] - a[0]) * at) / 100, a[1] + ((b[1] - a[1]) * at) / 100]
}
const share = (p: Point) => {
  const { a, b } = line.value as { a: Point; b: Point }
  const d = [b[0] - a[0], b[1] - a[1]]
  const t = ((p[0] - a[0]) * d[0] + (p[1] - a[1]) * d[1]) / (d[0] ** 2 + d[1] ** 2 || 1)
  return round(within(100 * t, 0, 100))
}

interface Pin {
  id: string
  at: Point
  fill?: string
  says: string
  drag(to: Point, e: PointerEvent): Command[]
}

const stops = computed<Pin[]>(() =>
  f.colours.value.flatMap((c, i): Pin[] => {
    const says = `Colour ${i + 1}`
    if (c.place) {
      const at: Point = [props.value.w * (0.5 + c.place[0] / 100), props.value.h * (0.5 + c.place[1] / 100)]
      return [
        { id: `place${c.number}`, at, fill: c.hex, says, drag: (to) => [f.change(`place${c.number}`, percent(to))] }
      ]
    }
    if (f.run.value === 'solid' || c.at === undefined) return []
    const property = `at${c.number}`
    if (f.run.value !== 'conic')
      return [{ id: property, at: along(c.at), fill: c.hex, says, drag: (to) => [f.change(property, [share(to)])] }]
    const [x, y] = way(f.angle.value + 3.6 * c.at)
    const r = short.value * 0.28
    const turned = (to: Point) => {
      const t = (((degrees(to, centre.value) - f.angle.value) % 360) + 360) % 360
      return round(t / 3.6)
    }
    const at: Point = [centre.value[0] + x * r, centre.value[1] + y * r]
    return [{ id: property, at, fill: c.hex, says, drag: (to) => [f.change(property, [turned(to)])] }]
  })
)

const others = computed<Pin[]>(() => {
  const out: Pin[] = []
  const run = f.run.value
  if (run === 'radial' || run === 'conic')
    out.push({ id: 'centre', at: centre.value, says: 'Centre', drag: (to) => [f.change('fillCentre', percent(to))] })
  if (run === 'linear' || run === 'conic') {
    const from = run === 'linear' ? middle.value : centre.value
    const [x, y] = way(f.angle.value)
    const r = short.value * 0.4
    out.push({
      id: 'angle',
      at: [from[0] + x * r, from[1] + y * r],
      says: 'Direction; with Shift in steps of 15 degrees',
      drag: (to, e) => {
        const to1 = degrees(to, from)
        return [f.change('fillAngle', [e.shiftKey ? Math.round(to1 / 15) * 15 : Math.round(to1)])]
      }
    })
  }
  const far = line.value?.far
  if (far) {
    const [cx, cy] = centre.value
    const reach = ([x, y]: Point) => Math.round(within((100 * Math.hypot(x - cx, y - cy)) / far, 1, 400))
    const turned = (to: Point) => (oval.value ? [f.change('fillAngle', [Math.round(degrees(to, [cx, cy]))])] : [])
    out.push({
      id: 'reach',
      at: along(100),
      says: oval.value ? 'Reach and direction' : 'Reach',
      drag: (to) => [f.change('fillReach', [reach(to)]), ...turned(to)]
    })
    const [x, y] = way(f.angle.value + 90)
    const wide = (far * f.reach.value) / 100
    const aside = ([px, py]: Point) => 100 * (1 - Math.abs((px - cx) * x + (py - cy) * y) / wide)
    const r = wide * (1 - f.flat.value / 100)
    if (oval.value)
      out.push({
        id: 'flat',
        at: [cx + x * r, cy + y * r],
        says: 'Flatness',
        drag: (to) => [f.change('fillFlat', [Math.round(within(aside(to), 1, 95))])]
      })
  }
  return out
})

// What is dragged keeps its distance from the pointer.
function grab(e: PointerEvent, pin: Pin) {
  e.stopPropagation()
  const from = onPlane(e)
  const off: Point = [pin.at[0] - from[0], pin.at[1] - from[1]]
  top.follow(e, (m) => {
    const to = onPlane(m)
    return pin.drag([to[0] + off[0], to[1] + off[1]], m)
  })
}
</script>

<template>
  <g ref="group" class="fill" :transform="`matrix(${matrix.join(' ')})`">
    <template v-if="line">
      <line v-for="n in 2" :key="n" :x1="line.a[0]" :y1="line.a[1]" :x2="line.b[0]" :y2="line.b[1]" :class="`l${n}`" />
    </template>
    <circle v-if="f.run.value === 'conic'" :cx="centre[0]" :cy="centre[1]" :r="short * 0.28" class="l2" />
    <g v-for="p in others" :key="p.id" :data-handle="`fill-${p.id}`" class="pin" @pointerdown="grab($event, p)">
      <circle v-if="p.id === 'centre'" :cx="p.at[0]" :cy="p.at[1]" r="6" />
      <path v-else :d="`M${p.at[0]} ${p.at[1] - 8}l8 8-8 8-8-8z`" />
      <title>{{ p.says }}</title>
    </g>
    <g v-for="p in stops" :key="p.id" :data-handle="`fill-${p.id}`" class="pin" @pointerdown="grab($event, p)">
      <circle :cx="p.at[0]" :cy="p.at[1]" r="10" class="rim" />
      <circle :cx="p.at[0]" :cy="p.at[1]" r="8" :style="{ fill: p.fill }" />
      <title>{{ p.says }}</title>
    </g>
  </g>
</template>

<style scoped>
.l1 {
  stroke: rgb(23 63 71 / 55%);
  stroke-width: 3;
  fill: none;
  pointer-events: none;
}

.l2 {
  stroke: #fcfaf5;
  stroke-width: 1.2;
  fill: none;
  pointer-events: none;
}

.pin {
  cursor: grab;
}

.pin circle,
.pin path {
  fill: #fcfaf5;
  stroke: #173f47;
  stroke-width: 1.5;
}

.pin .rim {
  fill: #173f47;
  stroke: #fcfaf5;
}
</style>
