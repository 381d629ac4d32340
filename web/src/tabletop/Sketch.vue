<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Node, Sketch } from '../types'
import { useTabletop } from './useTabletop'

// A figure is drawn in the picture: by hand, or point by point. w and h are the picture's
// pixels.
const props = defineProps<{ w: number; h: number; way: 'hand' | 'points' }>()
type Point = [number, number]
const editor = useEditor()
const desk = useDesk()
const svg = ref<SVGSVGElement | null>(null)
const top = useTabletop(
  svg,
  () => props.w,
  () => props.h
)
const hand = ref<Point[]>([])
const nodes = ref<Node[]>([])
const pointer = ref<Point | null>(null)
const holds = ref(false)
const masked = desk.sketchFor // a mask of this layer is drawn
const near = 26 // units within which the beginning is met again

const apart = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1])
const meets = computed(() => {
  const at = pointer.value
  if (!at) return false
  if (props.way === 'points') return nodes.value.length > 2 && apart(at, nodes.value[0].at) < near
  const long = hand.value.slice(1).reduce((sum, p, i) => sum + apart(p, hand.value[i]), 0)
  return long > 5 * near && apart(at, hand.value[0]) < near
})

function press(e: PointerEvent) {
  e.preventDefault()
  e.stopPropagation()
  if (e.button !== 0) return
  ;(e.currentTarget as Element).setPointerCapture(e.pointerId)
  const at = top.units(e)
  holds.value = true
  pointer.value = at
  if (props.way === 'hand') hand.value = [at]
  else if (meets.value) finish(true)
  else nodes.value = [...nodes.value, { at, in: [0, 0], out: [0, 0] }]
}

function move(e: PointerEvent) {
  const at = top.units(e)
  pointer.value = at
  if (!holds.value) return
  if (props.way === 'hand') {
    const all = e.getCoalescedEvents?.() ?? []
    hand.value = [...hand.value, ...(all.length ? all : [e]).map((c) => top.units(c))]
    return
  }
  // What is dragged from a new point bends it, to both sides alike.
  const last = nodes.value.at(-1)
  if (!last) return
  const out: Point = apart(at, last.at) < 6 ? [0, 0] : [at[0] - last.at[0], at[1] - last.at[1]]
  nodes.value = [...nodes.value.slice(0, -1), { ...last, out, in: [-out[0], -out[1]] }]
}

function release() {
  if (!holds.value) return
  holds.value = false
  if (props.way === 'hand') finish(meets.value)
}

// finish makes a figure of what was drawn; of nothing, it only ends.
async function finish(closed: boolean) {
  const { shape, frame } = editor
  const what: Sketch = {
    shape,
    frame,
    closed,
    ...(props.way === 'hand' ? { hand: hand.value } : { nodes: nodes.value })
  }
  const enough = props.way === 'hand' ? hand.value.length > 2 : nodes.value.length > 1
  hand.value = []
  nodes.value = []
  holds.value = false
  desk.sketching = ''
  if (!enough) return
  try {
    if (masked) {
      const mask = await editor.ask('sketchMask', { ...what, closed: true, layer: masked })
      await editor.run({ type: 'addMask', layer: masked, form: 'path', mask })
      return
    }
    const layer = await editor.ask('sketch', what)
    await editor.run({ type: 'addLayer', layer }, layer.id)
  } catch (e) {
    useNotices().fail(e)
  }
}

useEventListener(
  window,
  'keydown',
  (e) => {
    if (e.key === 'Backspace' && nodes.value.length) nodes.value = nodes.value.slice(0, -1)
    else if (e.key === 'Enter') finish(false)
    else if (e.key === 'Escape') {
      nodes.value = props.way === 'points' ? nodes.value : []
      finish(false)
    } else return
    e.preventDefault()
    e.stopPropagation()
  },
  { capture: true }
)
onMounted(() => masked || editor.select(''))
onBeforeUnmount(() => (desk.sketchFor = ''))

const drawn = computed(() => {
  if (props.way === 'hand') return hand.value.map((p, i) => `${i ? 'L' : 'M'}${top.px(p).join(' ')}`).join('')
  const list = [...nodes.value]
  if (!list.length) return ''
  if (pointer.value && !holds.value)
    list.push({ at: meets.value ? list[0].at : pointer.value, in: [0, 0], out: [0, 0] })
  const at = (n: Node, by: Point) => top.px([n.at[0] + by[0], n.at[1] + by[1]]).join(' ')
  const way = list.slice(1).map((b, i) => `C${at(list[i], list[i].out)} ${at(b, b.in)} ${at(b, [0, 0])}`)
  return `M${at(list[0], [0, 0])}${way.join('')}`
})
const says = computed(() =>
  props.way === 'hand'
    ? masked
      ? 'Draw around what the mask is to show.'
      : 'Draw a line. Back at its beginning it becomes a blob.'
    : 'Click for points, drag to bend. The first point closes it, Enter ends it.'
)
</script>

<template>
  <svg
    ref="svg"
    class="sketch"
    :width="w"
    :height="h"
    data-sketch
    role="application"
    :aria-label="says"
    @pointerdown="press"
    @pointermove="move"
    @pointerup="release"
    @dblclick.stop.prevent="way === 'points' && finish(false)"
  >
    <path :d="drawn" class="under" />
    <path :d="drawn" class="line" />
    <circle
      v-for="(n, i) in nodes"
      :key="i"
      :cx="top.px(n.at)[0]"
      :cy="top.px(n.at)[1]"
      :r="i === 0 && meets ? 8 : 4.5"
      class="node"
    />
  </svg>
  <p class="says" role="status">{{ says }} <button class="plain" @click="finish(false)">Done</button></p>
</template>

<style scoped>
.sketch {
  position: absolute;
  inset: 0;
  overflow: visible;
  cursor: crosshair;
  touch-action: none;
}

.under,
.line {
  fill: none;
  stroke-linejoin: round;
}

.under {
  stroke: rgb(23 63 71 / 55%);
  stroke-width: 5;
}

.line {
  stroke: #dd4f28;
  stroke-width: 2.5;
}

.node {
  fill: #fcfaf5;
  stroke: #173f47;
  stroke-width: 1.5;
}

.says {
  position: absolute;
  left: 50%;
  bottom: 8px;
  transform: translateX(-50%);
  margin: 0;
  padding: 0.25rem 0.7rem;
  border-radius: 6px;
  background: var(--chalk);
  font-size: 0.82rem;
  white-space: nowrap;
}
</style>
