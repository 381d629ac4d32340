<script setup lang="ts">
import { computed, ref } from 'vue'
import { drag } from '../composables/useDrag'
import { useEditor } from '../stores/editor'
import type { Command } from '../types'

// The handles of the selected layer, over the picture. w and h are its pixels.
const props = defineProps<{ w: number; h: number }>()
const editor = useEditor()
const svg = ref<SVGSVGElement | null>(null)

const unit = computed(() => Math.min(props.w, props.h) / 1000) // pixels a unit
const place = computed(() => editor.places.places.find((p) => p.layer === editor.selected))
const movable = computed(() => editor.layer && editor.layer.kind !== 'backdrop')

const px = (x: number, y: number): [number, number] => [x * unit.value + props.w / 2, y * unit.value + props.h / 2]
const corners = computed(() => (place.value ? place.value.corners.map(([x, y]) => px(x, y)) : []))
const outline = computed(() => corners.value.map((c) => c.join(',')).join(' '))
const centre = computed(() => (place.value ? px(place.value.x, place.value.y) : [0, 0]))
const knob = computed(() => {
  const p = place.value
  if (!p) return [0, 0]
  const r = ((p.turn - 90) * Math.PI) / 180
  const reach = (p.h / 2) * unit.value + 26
  return [centre.value[0] + Math.cos(r) * reach, centre.value[1] + Math.sin(r) * reach]
})

function local(e: PointerEvent) {
  const box = (svg.value as SVGSVGElement).getBoundingClientRect()
  return { x: e.clientX - box.left, y: e.clientY - box.top }
}

function handle(change: Record<string, unknown>): Command {
  return {
    type: 'handle',
    layer: editor.selected,
    shape: editor.shape,
    frame: editor.frame,
    target: 'auto',
    base: start,
    ...change
  }
}

let start: [number, number] = [0, 0]

type Make = (e: PointerEvent, dx: number, dy: number) => Command

// follow shows the command while the pointer moves and keeps it at the end.
// What the drag does may be known a little after it has begun.
function follow(e: PointerEvent, what: Promise<Make | null>) {
  let make: Make | null = null
  let last: Command | null = null
  what.then((m) => (make = m)).catch(() => undefined)
  drag(
    e,
    (m, dx, dy) => {
      if (make) editor.show((last = make(m, dx, dy)))
    },
    (moved) => {
      if (!last) return
      if (moved) editor.run(last)
      else editor.revert()
    }
  )
}

function begin() {
  start = place.value ? [...place.value.position] : [0, 0]
}

// A press picks what is under the pointer: the picture's own transparency
// decides, so a painter is asked.
function press(e: PointerEvent) {
  if (e.button !== 0) return
  const at = local(e)
  const x = (at.x - props.w / 2) / unit.value
  const y = (at.y - props.h / 2) / unit.value
  const where = { shape: editor.shape, frame: editor.frame, x, y }
  const picked = editor.drawing().engines[0].call<string>('pick', where)
  follow(
    e,
    picked.then((hit) => {
      editor.select(hit)
      if (!hit || !movable.value) return null
      begin()
      return moveBy
    })
  )
}

function moveBy(m: PointerEvent, dx: number, dy: number) {
  if (m.shiftKey && Math.abs(dx) > Math.abs(dy)) dy = 0
  else if (m.shiftKey) dx = 0
  return handle({ dx: dx / unit.value, dy: dy / unit.value })
}

function size(e: PointerEvent) {
  e.stopPropagation()
  const [cx, cy] = centre.value
  const from = local(e)
  const before = Math.max(4, Math.hypot(from.x - cx, from.y - cy))
  begin()
  const make: Make = (m) => {
    const now = local(m)
    return handle({ factor: Math.max(0.01, Math.hypot(now.x - cx, now.y - cy) / before) })
  }
  follow(e, Promise.resolve(make))
}

function turn(e: PointerEvent) {
  e.stopPropagation()
  const [cx, cy] = centre.value
  const angle = (p: { x: number; y: number }) => (Math.atan2(p.y - cy, p.x - cx) * 180) / Math.PI
  const from = angle(local(e))
  begin()
  const make: Make = (m) => {
    const by = ((angle(local(m)) - from + 540) % 360) - 180
    return handle({ turn: m.shiftKey ? Math.round(by / 15) * 15 : by })
  }
  follow(e, Promise.resolve(make))
}
</script>

<template>
  <svg ref="svg" class="handles" :width="w" :height="h" aria-hidden="true" @pointerdown="press">
    <template v-if="place && movable">
      <polygon :points="outline" class="outline dark" />
      <polygon :points="outline" class="outline" />
      <line :x1="centre[0]" :y1="centre[1]" :x2="knob[0]" :y2="knob[1]" class="stem" />
      <circle :cx="knob[0]" :cy="knob[1]" r="7" class="knob" data-handle="turn" @pointerdown="turn">
        <title>Turn</title>
      </circle>
      <path
        v-for="(c, i) in corners"
        :key="i"
        :d="`M${c[0]} ${c[1] - 7}l7 7-7 7-7-7z`"
        class="corner"
        :data-handle="`size-${i}`"
        @pointerdown="size"
      >
        <title>Size</title>
      </path>
    </template>
  </svg>
</template>

<style scoped>
.handles {
  position: absolute;
  inset: 0;
  overflow: visible;
  touch-action: none;
}

.outline {
  fill: none;
  stroke: #fcfaf5;
  stroke-width: 1.5;
  stroke-dasharray: 5 4;
}

.outline.dark {
  stroke: #173f47;
  stroke-width: 3;
  stroke-dasharray: none;
  opacity: 0.55;
}

.stem {
  stroke: #fcfaf5;
  stroke-width: 1;
  opacity: 0.7;
  pointer-events: none;
}

.knob,
.corner {
  fill: #fcfaf5;
  stroke: #173f47;
  stroke-width: 1.5;
}

.corner {
  cursor: nwse-resize;
}

.knob {
  cursor: grab;
  fill: #c8922e;
}
</style>
