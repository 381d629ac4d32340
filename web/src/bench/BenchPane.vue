<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Stroke } from '../types'
import { dabs, inHand, staying } from './tools'
import type { Brush } from './useBrush'
import type { Lens } from './useLens'
import type { OrderSteps } from './useOrder'
import type { Pen } from './usePen'

// The photo, or what was cut out of it, with what is painted on it.
const props = defineProps<{
  lens: Lens
  brush: Brush
  pen: Pen
  steps: OrderSteps
  size: { w: number; h: number } | null
  label: string
  marks: boolean // strokes and the box are seen
  frame: number // of footage: the picture that is seen
  moves: boolean // a pointer moves the photo, whatever is in hand
}>()
const pointer = ref<{ x: number; y: number } | null>(null)

const lines = computed(() => {
  const live = props.brush.drawn.value
  const kept = props.marks ? props.steps.strokes.value.filter((s) => (s.frame ?? 0) === props.frame) : []
  return live ? [...kept, live] : kept
})
const box = computed(() => props.brush.boxed.value ?? (props.marks ? props.steps.order.value.box : null))
const path = (s: Stroke) =>
  s.points.map(([x, y], i) => `${i ? 'L' : 'M'}${x} ${y}`).join('') +
  (s.inside ? 'Z' : s.points.length < 2 ? 'h0.01' : '')
const hair = computed(() => 1.5 / props.lens.scale.value)
const unit = computed(() => 1 / props.lens.scale.value) // a pixel of the screen
const round = computed(() => !props.moves && dabs())
const healed = computed(() => (props.marks ? (props.steps.order.value.heals ?? []) : []))
const around = computed(() => (props.marks ? (props.steps.order.value.around ?? []) : []))

function over(e: PointerEvent) {
  const b = (e.currentTarget as HTMLElement).getBoundingClientRect()
  pointer.value = { x: e.clientX - b.left, y: e.clientY - b.top }
}

function wheel(e: WheelEvent) {
  const b = (e.currentTarget as HTMLElement).getBoundingClientRect()
  props.lens.closer(Math.exp(-e.deltaY / 300), e.clientX - b.left, e.clientY - b.top)
}
</script>

<template>
  <div
    class="pane"
    :class="[moves || inHand.tool === 'hand' ? 'grabs' : inHand.tool === 'box' ? 'boxes' : 'paints']"
    role="img"
    :aria-label="label"
    @pointerdown="brush.press($event, $event.currentTarget as HTMLElement, moves)"
    @pointermove="over"
    @pointerleave="pointer = null"
    @wheel.prevent="wheel"
  >
    <div v-if="size" class="sheet" :style="lens.style.value" :class="{ pixels: lens.scale.value >= 2 }">
      <slot />
      <svg :viewBox="`0 0 ${size.w} ${size.h}`" aria-hidden="true">
        <path
          v-for="(s, i) in lines"
          :key="i"
          :d="path(s)"
          :class="[s.stays ? 'stays' : 'goes', { inside: s.inside, seeks: s.seeks }]"
          :stroke-width="s.inside ? 2 * hair : Math.max(2 * s.radius, hair)"
        />
        <template v-if="marks || pen.begun.value.length">
          <template v-for="(p, i) in pen.drawn.value" :key="`p${i}`">
            <path class="along under" :d="p" :stroke-width="4 * unit" />
            <path class="along" :d="p" :stroke-width="1.75 * unit" />
          </template>
          <template v-if="inHand.tool === 'path'">
            <g v-for="h in pen.handles.value" :key="`h${h.h}`" class="handle">
              <line
                :x1="pen.touched.value?.[0]"
                :y1="pen.touched.value?.[1]"
                :x2="h.x"
                :y2="h.y"
                :stroke-width="1.25 * unit"
              />
              <circle :cx="h.x" :cy="h.y" :r="3.5 * unit" :stroke-width="1.25 * unit" />
            </g>
            <rect
              v-for="(n, i) in [...pen.begun.value, ...pen.paths.value.flat()]"
              :key="`n${i}`"
              class="node"
              :class="{ first: i === 0 && pen.begun.value.length > 1 }"
              :x="n[0] - 3.5 * unit"
              :y="n[1] - 3.5 * unit"
              :width="7 * unit"
              :height="7 * unit"
              :stroke-width="1.5 * unit"
            />
          </template>
        </template>
        <circle v-for="(h, i) in healed" :key="`h${i}`" class="heal" :cx="h.x" :cy="h.y" :r="h.radius" />
        <polygon v-if="around.length" class="box" :points="around.join(' ')" :stroke-width="hair" />
        <rect v-if="box" class="box" :x="box[0]" :y="box[1]" :width="box[2]" :height="box[3]" :stroke-width="hair" />
      </svg>
    </div>
    <span
      v-if="pointer && round"
      class="tip"
      :class="staying(false) ? 'stays' : 'goes'"
      :style="{
        left: `${pointer.x}px`,
        top: `${pointer.y}px`,
        width: `${inHand.width}px`,
        height: `${inHand.width}px`
      }"
    />
    <slot name="over" />
  </div>
</template>

<style scoped>
.pane {
  position: relative;
  overflow: hidden;
  min-width: 0;
  min-height: 0;
  touch-action: none;
  border-radius: 6px;
}

.paints {
  cursor: crosshair;
}

.boxes {
  cursor: cell;
}

.grabs {
  cursor: grab;
}

.sheet {
  position: absolute;
  left: 0;
  top: 0;
  transform-origin: 0 0;
}

.sheet > * {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}

.pixels :deep(img),
.pixels :deep(canvas) {
  image-rendering: pixelated;
}

svg {
  overflow: visible;
  pointer-events: none;
}

path {
  fill: none;
  stroke-linecap: round;
  stroke-linejoin: round;
  opacity: 0.5;
}

.handle line,
.handle circle {
  stroke: var(--harbour);
  fill: var(--chalk);
}

.stays {
  stroke: var(--kelp);
}

.goes {
  stroke: var(--buoy);
}

.inside {
  opacity: 0.9;
}

.seeks {
  stroke-opacity: 0.7;
}

.inside.stays {
  fill: rgba(44, 122, 104, 0.18);
}

.inside.goes {
  fill: rgba(221, 79, 40, 0.18);
}

.box {
  fill: none;
  stroke: var(--harbour);
  stroke-dasharray: 6 4;
  vector-effect: non-scaling-stroke;
}

.along {
  opacity: 1;
  stroke: var(--buoy);
}

.along.under {
  stroke: #fff;
  opacity: 0.75;
}

.node {
  fill: #fff;
  stroke: var(--buoy-deep);
}

.node.first {
  fill: var(--buoy);
}

.heal {
  fill: none;
  stroke: var(--brass);
  stroke-width: 1.5;
  vector-effect: non-scaling-stroke;
}

.tip {
  position: absolute;
  border-radius: 50%;
  border: 1.5px solid #fff;
  outline: 1.5px solid var(--harbour);
  transform: translate(-50%, -50%);
  pointer-events: none;
}

.tip.stays {
  outline-color: var(--kelp);
}

.tip.goes {
  outline-color: var(--buoy);
}
</style>
