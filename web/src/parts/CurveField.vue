<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Ease } from '../types'
import { drag } from './useDrag'
import { useStretch } from './useStretch'

// A cubic Bezier easing as its curve: time goes to the right, the value up. Its two
// handles are dragged, or moved with the arrow keys.
const props = defineProps<{ ease: Ease }>()
const emit = defineEmits<{ change: [ease: Ease] }>()
const svg = ref<SVGSVGElement | null>(null)
const stretch = useStretch(() => false)

const w = 150
const h = 110
// The value may go past its ends: a quarter of the picture above and below.
const x = (t: number) => 8 + t * (w - 16)
const y = (v: number) => h - 22 - v * (h - 44)
const p = computed(() => [props.ease.x1 ?? 0, props.ease.y1 ?? 0, props.ease.x2 ?? 1, props.ease.y2 ?? 1])
const curve = computed(() => {
  const [a, b, c, d] = p.value
  return `M${x(0)} ${y(0)}C${x(a)} ${y(b)} ${x(c)} ${y(d)} ${x(1)} ${y(1)}`
})
const handles = computed(() => [
  { id: 1, name: 'How it sets out', t: p.value[0], v: p.value[1], at: [x(0), y(0)] },
  { id: 2, name: 'How it arrives', t: p.value[2], v: p.value[3], at: [x(1), y(1)] }
])

const two = (n: number) => Math.round(n * 100) / 100
function put(id: number, t: number, v: number) {
  const time = two(Math.max(0, Math.min(1, t)))
  const value = two(Math.max(-1, Math.min(2, v)))
  const ease = { ...props.ease, [`x${id}`]: time, [`y${id}`]: value }
  stretch.write(() => emit('change', ease))
}

function pull(e: PointerEvent, id: number) {
  const box = (svg.value as SVGSVGElement).getBoundingClientRect()
  stretch.begin()
  drag(
    e,
    (m) => put(id, (m.clientX - box.left - 8) / (w - 16), (h - 22 - (m.clientY - box.top)) / (h - 44)),
    () => stretch.settle()
  )
}

function nudge(e: KeyboardEvent, handle: { id: number; t: number; v: number }) {
  const by = e.shiftKey ? 0.1 : 0.01
  const way = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, by], ArrowDown: [0, -by] }[e.key]
  if (!way) return
  e.preventDefault()
  e.stopPropagation()
  put(handle.id, handle.t + way[0], handle.v + way[1])
}
</script>

<template>
  <svg ref="svg" class="curve" :width="w" :height="h" role="group" aria-label="Curve of the easing">
    <path :d="`M${x(0)} ${y(0)}H${x(1)}M${x(0)} ${y(1)}H${x(1)}`" class="ends" />
    <path :d="curve" class="line" />
    <g v-for="c in handles" :key="c.id">
      <line :x1="c.at[0]" :y1="c.at[1]" :x2="x(c.t)" :y2="y(c.v)" class="arm" />
      <circle
        :cx="x(c.t)"
        :cy="y(c.v)"
        r="7"
        tabindex="0"
        role="slider"
        :aria-label="c.name"
        :aria-valuenow="c.v"
        aria-valuemin="-1"
        aria-valuemax="2"
        :aria-valuetext="`${Math.round(c.t * 100)}% of the time, ${Math.round(c.v * 100)}% of the way`"
        @focus="stretch.begin"
        @blur="stretch.settle"
        @pointerdown="pull($event, c.id)"
        @keydown="nudge($event, c)"
      >
        <title>{{ c.name }}</title>
      </circle>
    </g>
  </svg>
</template>

<style scoped>
.curve {
  display: block;
  margin-top: 0.3rem;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: #fff;
  touch-action: none;
}

.ends {
  stroke: var(--line);
  fill: none;
}

.line {
  stroke: var(--harbour);
  stroke-width: 2;
  fill: none;
}

.arm {
  stroke: var(--brass);
  stroke-width: 1.5;
}

circle {
  fill: var(--brass);
  stroke: #fff;
  stroke-width: 1.5;
  cursor: grab;
}
</style>
