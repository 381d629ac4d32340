<script setup lang="ts">
import { computed, ref } from 'vue'
import { useEditor } from '../stores/editor'
import type { Command, DrawnPath, Layer, Place } from '../types'
import { contours } from './contours'
import { useOwnUnits } from './useOwnUnits'
import { useHandles } from './useHandles'

// The points of a path in the picture: dragged, with Alt bent, added between two and taken
// away. What has keys gets one at the playhead. w and h are the picture's pixels.
const props = defineProps<{ layer: Layer; path: DrawnPath; place: Place; w: number; h: number }>()
type Point = [number, number]
const editor = useEditor()
const top = useHandles(props)
const { outer, inner } = useOwnUnits(() => props.place, top.px)
const chosen = ref(0) // the number of a point

// From percent of the figure's size to the picture's pixels, and back.
const toPixels = ([x, y]: Point) => outer([(x * props.place.own[0]) / 100, (y * props.place.own[1]) / 100])
const toPercent = (at: Point): Point => {
  const [x, y] = inner(at)
  return [(100 * x) / (props.place.own[0] || 1), (100 * y) / (props.place.own[1] || 1)]
}

const points = computed(() =>
  props.path.points.map((p) => {
    const now = (name: string, own: number[]) => editor.places.values[`${name}${p.id}`] ?? own
    const at = now('point', [p.x, p.y])
    const bend = now('bend', [...p.in, ...p.out])
    return {
      id: p.id,
      at: at as Point,
      bend,
      px: toPixels([at[0], at[1]]),
      in: toPixels([at[0] + bend[0], at[1] + bend[1]]),
      out: toPixels([at[0] + bend[2], at[1] + bend[3]])
    }
  })
)
type Shown = (typeof points.value)[number]

// The ways from each point to the next one of its contour, as [from, to].
const ways = computed(() => {
  const list = points.value
  return contours(props.path).flatMap(([from, to]) => {
    const inside = list.slice(from, to)
    return inside.flatMap((a, i): [Shown, Shown][] => {
      const b = inside[i + 1] ?? (props.path.closed ? inside[0] : undefined)
      return b ? [[a, b]] : []
    })
  })
})
const course = computed(() =>
  ways.value.map(([a, b]) => `M${a.px.join(' ')}C${a.out.join(' ')} ${b.in.join(' ')} ${b.px.join(' ')}`).join('')
)

// Between two points there is a place for another one.
const between = computed(() => {
  if (!keyed.value) return []
  return ways.value.flatMap(([a, b]) => {
    const at = [0, 1].map((d) => (a.px[d] + 3 * a.out[d] + 3 * b.in[d] + b.px[d]) / 8)
    return Math.hypot(a.px[0] - b.px[0], a.px[1] - b.px[1]) > 36 ? [{ id: a.id, at }] : []
  })
})

// The points of a path of very many cannot be moved one by one.
const keyed = computed(() => props.path.points.every((p) => p.id > 0))

const round = (v: number) => Math.round(v * 100) / 100
const put = (family: string, p: Shown, value: number[]): Command => ({
  type: 'setValue',
  layer: props.layer.id,
  property: `${family}${p.id}`,
  frame: editor.frame,
  value: value.map(round)
})
const pointer = (e: PointerEvent): Point => {
  const at = top.local(e)
  return toPercent([at.x, at.y])
}

// With Alt its bends are drawn out anew, to both sides alike.
function move(e: PointerEvent, p: Shown) {
  e.stopPropagation()
  chosen.value = p.id
  const from = pointer(e)
  top.follow(e, (m) => {
    const to = pointer(m)
    const by = [to[0] - from[0], to[1] - from[1]]
    return e.altKey ? [put('bend', p, [-by[0], -by[1], ...by])] : [put('point', p, [p.at[0] + by[0], p.at[1] + by[1]])]
  })
}

// The other bend turns with it, unless Shift is held or they make a corner already.
function bend(e: PointerEvent, p: Shown, side: 0 | 2) {
  e.stopPropagation()
  const other = 2 - side
  const [x, y, u, v] = [p.bend[side], p.bend[side + 1], p.bend[other], p.bend[other + 1]]
  const long = Math.hypot(u, v)
  const smooth = long > 0 && x * u + y * v < -0.98 * long * Math.hypot(x, y)
  const from = pointer(e)
  top.follow(e, (m) => {
    const to = pointer(m)
    const now = [x + to[0] - from[0], y + to[1] - from[1]]
    const value = [...p.bend]
    value.splice(side, 2, ...now)
    const far = Math.hypot(now[0], now[1])
    if (smooth && !m.shiftKey && far > 0) value.splice(other, 2, (-now[0] / far) * long, (-now[1] / far) * long)
    return [put('bend', p, value)]
  })
}

function remove(p: Shown) {
  if (points.value.length > 2) editor.run({ type: 'removePoint', layer: props.layer.id, number: p.id })
}
</script>

<template>
  <g ref="group">
    <path :d="course" class="under" />
    <path :d="course" class="course" />
    <g
      v-for="b in between"
      :key="`b${b.id}`"
      class="add"
      :data-handle="`path-add${b.id}`"
      @pointerdown.stop.prevent="editor.run({ type: 'addPoint', layer: layer.id, number: b.id })"
    >
      <circle :cx="b.at[0]" :cy="b.at[1]" r="8" class="catch" />
      <path :d="`M${b.at[0] - 3.5} ${b.at[1]}h7m-3.500-3.500v7`" />
      <title>Add a point here</title>
    </g>
    <template v-for="p in keyed ? points : []" :key="p.id">
      <template v-if="p.id === chosen">
        <template v-for="side in [0, 2] as const" :key="side">
          <line :x1="p.px[0]" :y1="p.px[1]" :x2="(side ? p.out : p.in)[0]" :y2="(side ? p.out : p.in)[1]" class="arm" />
          <circle
            :cx="(side ? p.out : p.in)[0]"
            :cy="(side ? p.out : p.in)[1]"
            r="5"
            class="bend"
            :data-handle="`path-${side ? 'out' : 'in'}${p.id}`"
            @pointerdown="bend($event, p, side)"
          >
            <title>Bends the curve; with Shift alone</title>
          </circle>
        </template>
      </template>
      <rect
        :x="p.px[0] - 5"
        :y="p.px[1] - 5"
        width="10"
        height="10"
        rx="2"
        class="point"
        :class="{ on: p.id === chosen }"
        :data-handle="`path-point${p.id}`"
        @pointerdown="move($event, p)"
        @dblclick.stop="remove(p)"
      >
        <title>Drag the point; with Alt bend it; a double click deletes it</title>
      </rect>
    </template>
  </g>
</template>

<style scoped>
.under,
.course {
  fill: none;
  pointer-events: none;
}

.under {
  stroke: rgb(23 63 71 / 55%);
  stroke-width: 3;
}

.course {
  stroke: #fcfaf5;
  stroke-width: 1.2;
}

.arm {
  stroke: #173f47;
  stroke-width: 1.2;
  pointer-events: none;
}

.point,
.bend {
  fill: #fcfaf5;
  stroke: #173f47;
  stroke-width: 1.5;
  cursor: grab;
}

.point.on {
  fill: #dd4f28;
}

.add {
  cursor: copy;
  opacity: 0.75;
}

.add .catch {
  fill: #fcfaf5;
  stroke: #173f47;
}

.add path {
  stroke: #173f47;
  stroke-width: 1.5;
}
</style>
