<script setup lang="ts">
import { computed } from 'vue'
import { useMasks } from '../settings/useMasks'
import { useEditor } from '../stores/editor'
import type { DrawnPath, Mask, Place } from '../types'
import { contours } from './contours'
import { useOwnUnits } from './useOwnUnits'
import { useHandles } from './useHandles'

// The outlines of the chosen layer's masks, exactly where they cut. w and h are the
// picture's pixels.
const props = defineProps<{ w: number; h: number; place: Place }>()
type Point = [number, number]
const editor = useEditor()
const top = useHandles(props)
const masks = useMasks(() => editor.layer)

const own = useOwnUnits(() => props.place, top.px)
// Lengths of masks are those of the home shape.
// What stands still lies where it would if nothing moved the layer.
const standing = useOwnUnits(() => props.place, top.px, true)
const outer = (m: Mask, [x, y]: Point): Point =>
  (m.still ? standing : own).outer([x * props.place.shrink, y * props.place.shrink])
const inner = (m: Mask, at: Point): Point => {
  const [x, y] = (m.still ? standing : own).inner(at)
  return [x / (props.place.shrink || 1), y / (props.place.shrink || 1)]
}
const turned = ([x, y]: Point, degrees: number): Point => {
  const t = (degrees * Math.PI) / 180
  return [x * Math.cos(t) - y * Math.sin(t), x * Math.sin(t) + y * Math.cos(t)]
}

// The course of a contour of a path as many short lines, moved outwards by so much.
function around(list: DrawnPath['points'], w: number, h: number, out: number): Point[] {
  const at = (x: number, y: number): Point => [(x * w) / 100, (y * h) / 100]
  const all = list.flatMap((a, i) => {
    const b = list[(i + 1) % list.length]
    const c = [at(a.x, a.y), at(a.x + a.out[0], a.y + a.out[1]), at(b.x + b.in[0], b.y + b.in[1]), at(b.x, b.y)]
    return Array.from({ length: 12 }, (_, k): Point => {
      const t = k / 12
      const s = 1 - t
      const f = [s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t]
      return [0, 1].map((d) => f.reduce((sum, v, j) => sum + v * c[j][d], 0)) as Point
    })
  })
  if (!out) return all
  const area = all.reduce(
    (sum, p, i) => sum + p[0] * all[(i + 1) % all.length][1] - p[1] * all[(i + 1) % all.length][0],
    0
  )
  return all.map((p, i): Point => {
    const [a, b] = [all[(i + all.length - 1) % all.length], all[(i + 1) % all.length]]
    const [x, y] = [b[0] - a[0], b[1] - a[1]]
    const k = ((area > 0 ? 1 : -1) * out) / (Math.hypot(x, y) || 1)
    return [p[0] + y * k, p[1] - x * k]
  })
}

const drawn = computed(() =>
  (editor.layer?.masks ?? []).map((m) => {
    const n = masks.now(m)
    const at = (p: Point): Point => {
      const [x, y] = turned(p, n.turn)
      return outer(m, [x + n.place[0], y + n.place[1]])
    }
    const w = Math.max(0, n.size[0] + 2 * n.expand) / 2
    const h = Math.max(0, n.size[1] + 2 * n.expand) / 2
    let points: Point[]
    const path = m.path
    if (m.form === 'line')
      points = [
        [-4000, -n.expand],
        [4000, -n.expand]
      ]
    else if (path) points = []
    else if (m.form === 'disc')
      points = Array.from({ length: 72 }, (_, i): Point => {
        const t = (i * Math.PI) / 36
        return [w * Math.cos(t), h * Math.sin(t)]
      })
    else
      points = [
        [-w, -h],
        [w, -h],
        [w, h],
        [-w, h]
      ]
    return {
      m,
      n,
      outline: (path
        ? contours(path).map(([from, to]) => around(path.points.slice(from, to), n.size[0], n.size[1], n.expand))
        : [points]
      )
        .map((c) => `M${c.map(at).join('L')}Z`)
        .join(''),
      middle: at([0, 0]),
      corner: m.form === 'line' ? null : at([w, h]),
      turner: at(m.form === 'line' ? [120, -n.expand] : [0, -h - 40])
    }
  })
)
type Drawn = (typeof drawn.value)[number]

const point = (m: Mask, e: PointerEvent): Point => {
  const at = top.local(e)
  return inner(m, [at.x, at.y])
}
const round = (v: number) => Math.round(v * 10) / 10

function move(e: PointerEvent, d: Drawn) {
  e.stopPropagation()
  const from = point(d.m, e)
  top.follow(e, (to) => {
    const p = point(d.m, to)
    return [
      masks.change(d.m, 'maskPlace', [round(d.n.place[0] + p[0] - from[0]), round(d.n.place[1] + p[1] - from[1])])
    ]
  })
}

// Sized about its middle; with Shift width and height alike.
function size(e: PointerEvent, d: Drawn) {
  e.stopPropagation()
  const reach = (m: PointerEvent) => {
    const p = point(d.m, m)
    return turned([p[0] - d.n.place[0], p[1] - d.n.place[1]], -d.n.turn).map((v) => Math.max(1, Math.abs(v)))
  }
  const from = reach(e)
  top.follow(e, (m) => {
    const now = reach(m)
    let k = [now[0] / from[0], now[1] / from[1]]
    if (m.shiftKey) k = [Math.max(...k), Math.max(...k)]
    return [masks.change(d.m, 'maskSize', [round(d.n.size[0] * k[0]), round(d.n.size[1] * k[1])])]
  })
}

function turn(e: PointerEvent, d: Drawn) {
  e.stopPropagation()
  const angle = (m: PointerEvent) => {
    const p = point(d.m, m)
    return (Math.atan2(p[1] - d.n.place[1], p[0] - d.n.place[0]) * 180) / Math.PI
  }
  const from = angle(e)
  top.follow(e, (m) => {
    const to = d.n.turn + ((angle(m) - from + 540) % 360) - 180
    return [masks.change(d.m, 'maskTurn', [m.shiftKey ? Math.round(to / 15) * 15 : Math.round(to)])]
  })
}

const says = (m: Mask) => `mask-${m.id}`
</script>

<template>
  <g ref="group">
    <template v-for="d in drawn" :key="d.m.id">
      <path :d="d.outline" class="under" />
      <path :d="d.outline" class="edge" :data-mask="d.m.id" />
      <circle
        :cx="d.turner[0]"
        :cy="d.turner[1]"
        r="5"
        class="round"
        :data-handle="`${says(d.m)}-turn`"
        @pointerdown="turn($event, d)"
      >
        <title>Turn the mask; with Shift in steps of 15 degrees</title>
      </circle>
      <rect
        v-if="d.corner"
        :x="d.corner[0] - 5"
        :y="d.corner[1] - 5"
        width="10"
        height="10"
        :data-handle="`${says(d.m)}-size`"
        @pointerdown="size($event, d)"
      >
        <title>Size of the mask; with Shift width and height alike</title>
      </rect>
      <rect
        :x="d.middle[0] - 6"
        :y="d.middle[1] - 6"
        width="12"
        height="12"
        class="middle"
        :data-handle="`${says(d.m)}-move`"
        @pointerdown="move($event, d)"
      >
        <title>Move the mask</title>
      </rect>
    </template>
  </g>
</template>

<style scoped>
.under,
.edge {
  fill: none;
  pointer-events: none;
}

.under {
  stroke: rgb(23 63 71 / 60%);
  stroke-width: 3;
}

.edge {
  stroke: #f0b94f;
  stroke-width: 1.4;
}

rect,
.round {
  fill: #f0b94f;
  stroke: #173f47;
  stroke-width: 1.4;
  cursor: grab;
}
</style>
