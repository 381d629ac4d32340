<script setup lang="ts">
import { computed } from 'vue'
import { useValues } from '../settings/useValues'
import { useEditor } from '../stores/editor'
import type { Command, Layer } from '../types'
import { useHandles } from './useHandles'

// What is dragged of a backdrop in the picture: a floor's horizon and its glow, and the pan
// of a picture that covers the frame. w and h are the picture's pixels.
const props = defineProps<{ layer: Layer; w: number; h: number }>()
const editor = useEditor()
const top = useHandles(props)
const { now, all } = useValues(() => props.layer)

const horizon = computed(() => (now('horizon', 66) / 100) * props.h)
const glow = computed(() => (0.5 + now('glowAt') / 100) * props.w)
const round = (v: number) => Math.round(v * 10) / 10
const put = (property: string, ...value: number[]): Command => ({
  type: 'setValue',
  layer: props.layer.id,
  property,
  frame: editor.frame,
  value
})

function lift(e: PointerEvent) {
  e.stopPropagation()
  const from = horizon.value
  top.follow(e, (_, __, dy) => [put('horizon', round(((from + dy) / props.h) * 100))])
}

// The glow goes along the horizon and takes it with it.
function shine(e: PointerEvent) {
  e.stopPropagation()
  const [x, y] = [glow.value, horizon.value]
  top.follow(e, (m, dx, dy) => {
    const along = put('glowAt', round(((x + dx) / props.w - 0.5) * 100))
    return m.shiftKey ? [along] : [along, put('horizon', round(((y + dy) / props.h) * 100))]
  })
}

function pan(e: PointerEvent) {
  e.stopPropagation()
  const [x, y] = all('pan', [0, 0])
  top.follow(e, (_, dx, dy) => [put('pan', round(x + (dx / props.w) * 100), round(y + (dy / props.h) * 100))])
}
</script>

<template>
  <g ref="group" class="scenery">
    <template v-if="layer.floor">
      <line :x1="0" :x2="w" :y1="horizon" :y2="horizon" class="l1" />
      <line :x1="0" :x2="w" :y1="horizon" :y2="horizon" class="l2" />
      <line :x1="0" :x2="w" :y1="horizon" :y2="horizon" class="grab" data-handle="horizon" @pointerdown="lift">
        <title>Horizon</title>
      </line>
      <circle :cx="glow" :cy="horizon" r="8" class="pin" data-handle="glow" @pointerdown="shine">
        <title>Glow; with Shift the horizon stays</title>
      </circle>
    </template>
    <g v-else class="move" data-handle="pan" @pointerdown="pan">
      <circle :cx="w / 2" :cy="h / 2" r="17" class="pin" />
      <path
        :transform="`translate(${w / 2} ${h / 2})`"
        d="M-10 0H10M0-10V10M-10 0l3-3M-10 0l3 3M10 0l-3-3M10 0l-3 3M0-10l-3 3M0-10l3 3M0 10l-3-3M0 10l3-3"
      />
      <title>Drag the picture to its place</title>
    </g>
  </g>
</template>

<style scoped>
.l1 {
  stroke: rgb(23 63 71 / 55%);
  stroke-width: 3;
  pointer-events: none;
}

.l2 {
  stroke: #fcfaf5;
  stroke-width: 1.2;
  pointer-events: none;
}

.grab {
  stroke: transparent;
  stroke-width: 13;
  cursor: ns-resize;
}

.pin {
  fill: #fcfaf5;
  stroke: #173f47;
  stroke-width: 1.5;
  cursor: grab;
}

.move {
  cursor: grab;
}

.move path {
  stroke: #173f47;
  stroke-width: 1.6;
  fill: none;
  pointer-events: none;
}
</style>
