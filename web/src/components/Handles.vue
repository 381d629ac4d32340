<script setup lang="ts">
import { computed, ref } from 'vue'
import { useTabletop, type Make } from '../composables/useTabletop'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import type { Command, Place } from '../types'
import { kindOf } from '../words'
import MotionPath from './MotionPath.vue'

// The handles of the chosen layers, over the picture. w and h are its pixels.
const props = defineProps<{ w: number; h: number }>()
const editor = useEditor()
const desk = useDesk()
const svg = ref<SVGSVGElement | null>(null)
const top = useTabletop(
  svg,
  () => props.w,
  () => props.h
)

const fills = (id: string) => kindOf(editor.layers.get(id)?.kind)?.fills
const places = computed(() =>
  editor.chosen
    .filter((l) => !fills(l) && !editor.layers.get(l)?.locked)
    .map((l) => editor.placeOf(l))
    .filter((p): p is Place => !!p)
)
const place = computed(() => places.value.find((p) => p.layer === editor.selected))
const corners = computed(() => place.value?.corners.map(top.px) ?? [])
const outline = (p: Place) => p.corners.map((c) => top.px(c).join(',')).join(' ')
const pivot = computed(() => (place.value ? top.px(place.value.pivot) : [0, 0]))

// Sides lie between neighbouring corners: above, right, below, left.
const sides = computed(() =>
  corners.value.map((c, i) => {
    const d = corners.value[(i + 1) % 4]
    return { x: (c[0] + d[0]) / 2, y: (c[1] + d[1]) / 2 }
  })
)

// Where the layer is turned: just outside each corner.
const turners = computed(() => {
  const [cx, cy] = place.value ? top.px([place.value.x, place.value.y]) : [0, 0]
  return corners.value.map(([x, y]) => {
    const d = Math.hypot(x - cx, y - cy) || 1
    return { x: x + ((x - cx) / d) * 14, y: y + ((y - cy) / d) * 14 }
  })
})

// The pivot is a pin: its head lies beside its point, out of the way of a drag.
const pin = 16

const onKeys = computed(
  () => desk.target === 'key' && ['position', 'scale', 'rotation'].some((p) => editor.layer?.tracks[p]?.length)
)

// A press picks what is under the pointer: the picture's own transparency
// decides, so a painter is asked. With Alt the next one beneath is taken.
function press(e: PointerEvent) {
  if (e.button !== 0) return
  const [x, y] = top.units(e)
  const where = { shape: editor.shape, frame: editor.frame, x, y }
  const picked = editor.drawing().engines[0].call('pick', where)
  top.follow(
    e,
    picked.then(async (hits) => {
      const layer = hit(hits, e.altKey)
      if (!layer) {
        if (!e.shiftKey) editor.select('')
        return null
      }
      if (e.shiftKey) editor.select(layer, true)
      else if (!editor.chosen.includes(layer)) editor.select(layer)
      await editor.look() // where what has just been chosen is
      return top.moving([...editor.chosen])
    })
  )
}

// hit is the layer that a press takes: the frontmost, or the one after the
// chosen one; in a chosen group, the group.
function hit(hits: string[], through: boolean) {
  if (through && hits.length) return hits[(hits.indexOf(editor.selected) + 1) % hits.length]
  const group = hits.map((h) => editor.layers.get(h)?.group).find((g) => g && editor.chosen.includes(g))
  return hits.find((h) => editor.chosen.includes(h)) && editor.chosen.length > 1
    ? hits.find((h) => editor.chosen.includes(h))
    : (group ?? hits[0])
}

// size keeps the proportions.
function size(e: PointerEvent) {
  e.stopPropagation()
  const p = place.value as Place
  const [cx, cy] = top.px(p.pivot)
  const from = top.local(e)
  const before = Math.max(4, Math.hypot(from.x - cx, from.y - cy))
  top.follow(e, (m) => {
    const now = top.local(m)
    return [top.handle(p, { factor: Math.max(0.01, Math.hypot(now.x - cx, now.y - cy) / before) })]
  })
}

// stretch sizes one way; with Shift it keeps the proportions.
function stretch(e: PointerEvent, side: number) {
  e.stopPropagation()
  const p = place.value as Place
  const [cx, cy] = top.px(p.pivot)
  const along = ((p.turn + (side % 2 ? 0 : 90)) * Math.PI) / 180
  const reach = (m: PointerEvent) => {
    const at = top.local(m)
    return Math.abs((at.x - cx) * Math.cos(along) + (at.y - cy) * Math.sin(along))
  }
  const before = Math.max(4, reach(e))
  top.follow(e, (m) => {
    const factor = Math.max(0.01, reach(m) / before)
    return [top.handle(p, m.shiftKey ? { factor } : side % 2 ? { wider: factor } : { taller: factor })]
  })
}

function turn(e: PointerEvent) {
  e.stopPropagation()
  const p = place.value as Place
  const [cx, cy] = top.px(p.pivot)
  const angle = (m: PointerEvent) => {
    const at = top.local(m)
    return (Math.atan2(at.y - cy, at.x - cx) * 180) / Math.PI
  }
  const from = angle(e)
  const make: Make = (m) => {
    const by = ((angle(m) - from + 540) % 360) - 180
    return [top.handle(p, { turn: m.shiftKey ? Math.round(by / 15) * 15 : by })]
  }
  top.follow(e, make)
}

// The pivot goes where it is dragged and the layer stays where it is.
function movePivot(e: PointerEvent) {
  e.stopPropagation()
  const p = place.value as Place
  const from = top.units(e)
  top.follow(e, async (m): Promise<Command[]> => {
    const at = top.units(m)
    const { to, move } = await editor.ask('pivot', {
      shape: editor.shape,
      frame: editor.frame,
      layer: p.layer,
      x: p.pivot[0] + at[0] - from[0],
      y: p.pivot[1] + at[1] - from[1]
    })
    return [{ type: 'movePivot', layer: p.layer, shape: editor.shape, to, move }]
  })
}
</script>

<template>
  <svg
    ref="svg"
    class="handles"
    :class="{ onkeys: onKeys }"
    :width="w"
    :height="h"
    aria-hidden="true"
    @pointerdown="press"
  >
    <template v-for="g in top.guides.value" :key="`${g.axis}${g.at}`">
      <line v-if="g.axis === 'x'" :x1="top.px([g.at, 0])[0]" :x2="top.px([g.at, 0])[0]" y1="0" :y2="h" class="guide" />
      <line v-else :y1="top.px([0, g.at])[1]" :y2="top.px([0, g.at])[1]" x1="0" :x2="w" class="guide" />
      <text
        :x="g.axis === 'x' ? top.px([g.at, 0])[0] + 4 : 6"
        :y="g.axis === 'x' ? 14 : top.px([0, g.at])[1] - 4"
        class="to"
      >
        {{ g.to }}
      </text>
    </template>
    <template v-for="p in places" :key="p.layer">
      <polygon :points="outline(p)" class="outline dark" />
      <polygon :points="outline(p)" class="outline" :data-outline="p.layer" />
    </template>
    <template v-if="place">
      <circle
        v-for="(t, i) in turners"
        :key="`t${i}`"
        :cx="t.x"
        :cy="t.y"
        r="13"
        class="turner"
        :data-handle="`turn-${i}`"
        @pointerdown="turn"
      >
        <title>Turn; with Shift in steps of 15 degrees</title>
      </circle>
      <MotionPath v-if="desk.path" :w="w" :h="h" />
      <circle
        v-for="(s, i) in sides"
        :key="`s${i}`"
        :cx="s.x"
        :cy="s.y"
        r="4.5"
        class="side"
        :data-handle="`side-${i}`"
        @pointerdown="stretch($event, i)"
      >
        <title>{{ i % 2 ? 'Width' : 'Height' }} alone; with Shift both</title>
      </circle>
      <path
        v-for="(c, i) in corners"
        :key="`c${i}`"
        :d="`M${c[0]} ${c[1] - 7}l7 7-7 7-7-7z`"
        class="corner"
        :data-handle="`size-${i}`"
        @pointerdown="size"
      >
        <title>Size</title>
      </path>
      <g class="pivot">
        <line :x1="pivot[0]" :y1="pivot[1]" :x2="pivot[0] + pin" :y2="pivot[1] - pin" />
        <circle :cx="pivot[0]" :cy="pivot[1]" r="2" />
        <circle
          :cx="pivot[0] + pin"
          :cy="pivot[1] - pin"
          r="5"
          class="head"
          data-handle="pivot"
          @pointerdown="movePivot"
        >
          <title>Pivot: it turns and sizes about the pin's point</title>
        </circle>
      </g>
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
  pointer-events: none;
}

.outline.dark {
  stroke: #173f47;
  stroke-width: 3;
  stroke-dasharray: none;
  opacity: 0.55;
}

.onkeys .outline:not(.dark) {
  stroke: #f0b94f;
  stroke-dasharray: none;
}

.corner,
.side {
  fill: #fcfaf5;
  stroke: #173f47;
  stroke-width: 1.5;
}

.onkeys .corner,
.onkeys .side {
  fill: #f0b94f;
}

.corner {
  cursor: nwse-resize;
}

.side {
  cursor: ew-resize;
}

.turner {
  fill: transparent;
  cursor: grab;
}

.turner:hover {
  fill: rgba(240, 185, 79, 0.4);
}

.pivot line,
.pivot circle {
  stroke: #fcfaf5;
  stroke-width: 1;
  fill: #dd4f28;
  pointer-events: none;
}

.pivot .head {
  stroke-width: 1.5;
  cursor: move;
  pointer-events: auto;
}

.guide {
  stroke: #2c7a68;
  stroke-width: 1.5;
  stroke-dasharray: 6 3;
  pointer-events: none;
}

.to {
  font-size: 11px;
  fill: #fff;
  paint-order: stroke;
  stroke: #1d5548;
  stroke-width: 3px;
  pointer-events: none;
}
</style>
