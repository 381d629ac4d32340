<script setup lang="ts">
import { computed, ref } from 'vue'
import { drag } from '../parts/useDrag'
import { useStretch } from '../parts/useStretch'
import { useValues } from '../settings/useValues'
import type { Layer } from '../types'

// The curve of all channels or of one: dark on the left, light on the right, and at each of four levels a
// point that is pulled up or down, or moved with the arrow keys.
const props = defineProps<{ layer: Layer }>()
const { all, set } = useValues(() => props.layer)
const stretch = useStretch(() => false)
const svg = ref<SVGSVGElement | null>(null)

const channels = [
  { id: 'curve', name: 'All', colour: '#173f47' },
  { id: 'curveRed', name: 'Red', colour: '#b3261e' },
  { id: 'curveGreen', name: 'Green', colour: '#2c6e35' },
  { id: 'curveBlue', name: 'Blue', colour: '#245a9e' }
] as const
const channel = ref<(typeof channels)[number]['id']>('curve')
const now = computed(() => all(channel.value, [0, 0, 0, 0]))
const drawn = computed(() => channels.find((c) => c.id === channel.value) ?? channels[0])

const side = 168
const room = 8
const most = 50 // percent up or down
const place = (t: number) => room + t * (side - 2 * room)
const height = (v: number) => side - place(Math.max(0, Math.min(1, v)))
const levels = [0.2, 0.4, 0.6, 0.8]
const points = computed(() =>
  levels.map((t, i) => ({ i, t, by: now.value[i], x: place(t), y: height(t + now.value[i] / 100) }))
)
// As it looks: through all points, level where it turns.
const line = computed(() => {
  const p = [[place(0), height(0)], ...points.value.map((o) => [o.x, o.y]), [place(1), height(1)]]
  const steep = p.slice(1).map((q, i) => (q[1] - p[i][1]) / (q[0] - p[i][0]))
  const slope = p.map((_, i) => {
    const [a, b] = [steep[i - 1] ?? steep[i], steep[i] ?? steep[i - 1]]
    return a * b <= 0 ? 0 : (2 * a * b) / (a + b)
  })
  return p
    .map(([x, y], i) => {
      if (!i) return `M${x} ${y}`
      const third = (x - p[i - 1][0]) / 3
      return `C${x - 2 * third} ${p[i - 1][1] + slope[i - 1] * third} ${x - third} ${y - slope[i] * third} ${x} ${y}`
    })
    .join('')
})

function put(i: number, by: number) {
  const value = now.value.map((v, k) => (k === i ? Math.round(Math.max(-most, Math.min(most, by))) : v))
  stretch.write(() => set(channel.value, ...value))
}
function pull(e: PointerEvent, i: number) {
  const box = (svg.value as SVGSVGElement).getBoundingClientRect()
  stretch.begin()
  drag(
    e,
    (m) => put(i, 100 * ((box.bottom - m.clientY - room) / (side - 2 * room) - levels[i])),
    () => stretch.settle()
  )
}
function nudge(e: KeyboardEvent, i: number) {
  const way = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[e.key]
  if (!way) return
  e.preventDefault()
  e.stopPropagation()
  put(i, now.value[i] + way * (e.shiftKey ? 10 : 1))
}
</script>

<template>
  <div class="tone-curve">
    <svg ref="svg" :width="side" :height="side" role="group" aria-label="Curve">
      <path :d="`M${place(0)} ${height(0)}L${place(1)} ${height(1)}`" class="even" />
      <path v-for="t in levels" :key="t" :d="`M${place(t)} ${height(0)}V${height(1)}`" class="even" />
      <path :d="line" class="line" :style="{ stroke: drawn.colour }" />
      <circle
        v-for="p in points"
        :key="p.i"
        :cx="p.x"
        :cy="p.y"
        r="7"
        tabindex="0"
        role="slider"
        :aria-label="`${drawn.name} at ${p.t * 100} %`"
        :aria-valuenow="p.by"
        :aria-valuemin="-most"
        :aria-valuemax="most"
        :style="{ fill: drawn.colour }"
        @pointerdown.prevent="pull($event, p.i)"
        @focus="stretch.begin()"
        @blur="stretch.settle()"
        @keydown="nudge($event, p.i)"
      />
    </svg>
    <div class="channels" role="group" aria-label="Channel">
      <button
        v-for="c in channels"
        :key="c.id"
        class="plain"
        :class="{ on: channel === c.id }"
        :aria-pressed="channel === c.id"
        :style="{ color: channel === c.id ? '#fff' : c.colour, background: channel === c.id ? c.colour : '' }"
        @click="channel = c.id"
      >
        {{ c.name }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.tone-curve {
  display: flex;
  gap: 0.6rem;
  margin: 0.3rem 0 0.5rem;
}

svg {
  flex: none;
  background: #173f470d;
  border-radius: 6px;
  touch-action: none;
}

.even {
  fill: none;
  stroke: #173f4733;
}

.line {
  fill: none;
  stroke-width: 2;
}

circle {
  cursor: ns-resize;
  stroke: #fff;
  stroke-width: 2;
}

.channels {
  display: flex;
  flex-direction: column;
  gap: 0.2rem;
}

.channels button {
  border-radius: 6px;
  padding: 0 0.6rem;
  font-size: 0.82rem;
  text-align: left;
}
</style>
