<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { handle } from './handle'
import { dragging, useTabletop, type Make } from './useTabletop'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { useMenu } from '../stores/menu'
import { useWriting } from '../stores/writing'
import type { Command, Place } from '../types'
import { kindOf } from '../words'
import FillHandles from './FillHandles.vue'
import MaskHandles from './MaskHandles.vue'
import MotionPath from './MotionPath.vue'
import PathHandles from './PathHandles.vue'
import SceneryHandles from './SceneryHandles.vue'

// The handles of the chosen layers, over the picture. w and h are its pixels.
const props = defineProps<{ w: number; h: number }>()
const editor = useEditor()
const desk = useDesk()
const writing = useWriting()
const svg = ref<SVGSVGElement | null>(null)
const drawn = ref<[[number, number], [number, number]] | null>(null) // a rectangle that chooses
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
// What fills the frame has masks, too, though it is not moved by itself.
const masked = computed(() => {
  const l = editor.layer
  return l?.masks?.length && !l.locked ? editor.placeOf(l.id) : undefined
})
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

// under asks what is under the pointer: the picture's own transparency decides, so
// a painter is asked.
function under(e: MouseEvent) {
  const [x, y] = top.units(e)
  return editor.drawing().engines[0].call('pick', { shape: editor.shape, frame: editor.frame, x, y })
}

// A press picks what is under the pointer, with Alt the next one beneath; where
// nothing is, a rectangle is drawn that chooses what it touches.
function press(e: PointerEvent) {
  if (e.button !== 0) return
  const from = top.units(e)
  const before = e.shiftKey ? [...editor.chosen] : []
  top.follow(
    e,
    under(e).then(async (hits) => {
      const layer = hit(hits, e.altKey)
      if (!layer) {
        if (!e.shiftKey) editor.select('')
        return rectangle(from, before)
      }
      if (e.shiftKey) editor.select(layer, true)
      else if (!editor.chosen.includes(layer)) editor.select(layer)
      await editor.look() // where what has just been chosen is
      return top.moving([...editor.chosen])
    })
  )
}

// rectangle chooses what a rectangle from a point touches, while it is drawn.
function rectangle(from: [number, number], before: string[]): Make {
  return async (m, dx, dy) => {
    if (!dx && !dy) {
      drawn.value = null
      editor.selectAll(before)
      return null
    }
    const to = top.units(m)
    drawn.value = [from, to]
    const touched = await editor.ask('touching', { shape: editor.shape, frame: editor.frame, from, to })
    if (drawn.value) editor.selectAll([...before.filter((l) => !touched.includes(l)), ...touched])
    return null
  }
}

// Words are opened where they are pressed twice.
async function open(e: MouseEvent) {
  const words = (await under(e)).map((l) => editor.layers.get(l)).find((l) => l?.words)
  if (words) await writing.begin(words, top.units(e))
}

// A menu of what can be done with what is under the pointer.
async function menu(e: MouseEvent) {
  const hits = await under(e)
  if (!hits.some((l) => editor.chosen.includes(l))) editor.select(hits[0] ?? '')
  useMenu().open(e.clientX, e.clientY)
}

const lines = computed(() => top.gaps.value.map((g) => ({ ...g, a: top.px([g.x0, g.y0]), b: top.px([g.x1, g.y1]) })))
const band = computed(() => {
  if (!drawn.value) return null
  const [a, b] = drawn.value.map(top.px)
  return { x: Math.min(a[0], b[0]), y: Math.min(a[1], b[1]), w: Math.abs(a[0] - b[0]), h: Math.abs(a[1] - b[1]) }
})
watch(dragging, (on) => on || (drawn.value = null))

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
    return [handle(p, { factor: Math.max(0.01, Math.hypot(now.x - cx, now.y - cy) / before) })]
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
    return [handle(p, m.shiftKey ? { factor } : side % 2 ? { wider: factor } : { taller: factor })]
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
    return [handle(p, { turn: m.shiftKey ? Math.round(by / 15) * 15 : by })]
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
    @dblclick="open"
    @contextmenu.prevent="menu"
  >
    <!-- The grey around the picture answers, too. -->
    <rect x="-4000" y="-4000" width="12000" height="12000" class="ground" />
    <rect
      v-if="desk.safe"
      :x="(w * (1 - editor.places.safe)) / 2"
      :y="(h * (1 - editor.places.safe)) / 2"
      :width="w * editor.places.safe"
      :height="h * editor.places.safe"
      class="safe"
      data-safe
    />
    <template v-if="dragging">
      <g v-for="(g, i) in lines" :key="`g${i}`" class="gap" :class="{ equal: g.equal }" data-gap>
        <line :x1="g.a[0]" :y1="g.a[1]" :x2="g.b[0]" :y2="g.b[1]" />
        <text
          :x="(g.a[0] + g.b[0]) / 2 + (g.a[0] === g.b[0] ? 5 : 0)"
          :y="(g.a[1] + g.b[1]) / 2 + (g.a[0] === g.b[0] ? 4 : -5)"
          :class="{ level: g.a[0] !== g.b[0] }"
        >
          {{ Math.round(g.x1 - g.x0 + g.y1 - g.y0) }}
        </text>
      </g>
    </template>
    <rect v-if="band" :x="band.x" :y="band.y" :width="band.w" :height="band.h" class="band" data-band />
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
    <FillHandles
      v-if="
        (editor.layer?.backdrop || ((editor.layer?.card?.gradient || editor.layer?.words?.gradient) && place)) &&
        !editor.layer.locked
      "
      :w="w"
      :h="h"
    />
    <SceneryHandles
      v-if="(editor.layer?.floor || editor.layer?.cutout?.covering) && !editor.layer.locked"
      :layer="editor.layer"
      :w="w"
      :h="h"
    />
    <MaskHandles v-if="masked && !writing.layer" :w="w" :h="h" :place="masked" />
    <template v-if="place && !writing.layer">
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
    <PathHandles
      v-if="place && editor.layer?.card?.form === 'path' && editor.layer.card.path && !editor.layer.locked"
      :key="editor.layer.id"
      :layer="editor.layer"
      :path="editor.layer.card.path"
      :place="place"
      :w="w"
      :h="h"
    />
  </svg>
</template>

<style scoped>
.handles {
  position: absolute;
  inset: 0;
  overflow: visible;
  touch-action: none;
}

.ground {
  fill: transparent;
}

.safe {
  fill: none;
  stroke: #fcfaf5;
  stroke-width: 1;
  stroke-dasharray: 2 3;
  pointer-events: none;
  filter: drop-shadow(0 0 1px #173f47);
}

.band {
  fill: rgba(252, 250, 245, 0.22);
  stroke: #173f47;
  stroke-width: 1;
  pointer-events: none;
}

.gap {
  pointer-events: none;
}

.gap line {
  stroke: #fcfaf5;
  stroke-width: 1;
  paint-order: stroke;
  filter: drop-shadow(0 0 1px #173f47);
}

.gap.equal line {
  stroke: #2c7a68;
  stroke-width: 2;
}

.gap text {
  font-size: 11px;
  fill: #fff;
  paint-order: stroke;
  stroke: #173f47;
  stroke-width: 3px;
}

.gap.equal text {
  stroke: #1d5548;
  font-weight: 700;
}

.gap .level {
  text-anchor: middle;
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
