<script setup lang="ts">
import { computed, ref } from 'vue'
import { leftRoom } from './beatline'
import { drag } from '../parts/useDrag'
import { useGain } from './useGain'
import { useSnap } from './useSnap'
import { useEditor } from '../stores/editor'
import type { Command, Moment, ViewSound } from '../types'

// By how much a sound is louder or softer over time: a line over it with a bead for each key. A double
// press sets a key there, or takes one away.
const props = defineProps<{ sound: ViewSound; scale: number; height: number }>()
const editor = useEditor()
const gain = useGain()
const { snap, clear } = useSnap()
const held = ref(-1)

const [loudest, softest] = [12, -36] // decibels at the edges; what is softer lies below
const x = (frame: number) => leftRoom + frame * props.scale
const y = (decibels: number) => 3 + ((loudest - Math.max(softest, decibels)) / (loudest - softest)) * (props.height - 6)
const decibels = (py: number) => {
  const v = loudest - ((py - 3) / (props.height - 6)) * (loudest - softest)
  return Math.max(-60, Math.min(12, Math.round(2 * (v <= softest ? -60 : v)) / 2))
}
const line = computed(() => {
  const keys = props.sound.gain
  const first = keys[0]?.decibels ?? 0
  const last = keys.at(-1)?.decibels ?? 0
  const points = keys.map((k) => `${x(k.frame).toFixed(1)},${y(k.decibels).toFixed(1)}`)
  return [`${x(props.sound.from)},${y(first)}`, ...points, `${x(props.sound.to)},${y(last)}`].join(' ')
})

function moment(frame: number): Moment {
  const hit = snap(frame, 9 / props.scale, () => false, false)
  const at = Math.round(Math.max(0, Math.min(hit ? hit.frame : frame, editor.view.length - 1)))
  return hit?.beat !== undefined ? { beat: hit.beat } : at
}

function hold(e: PointerEvent, i: number) {
  if (e.button !== 0) return
  e.stopPropagation()
  const key = props.sound.gain[i]
  const [before, after] = [props.sound.gain[i - 1]?.frame ?? -1, props.sound.gain[i + 1]?.frame ?? editor.view.length]
  let command: Command | null = null
  held.value = i
  drag(
    e,
    (m, dx, dy) => {
      const raw = Math.max(before + 1, Math.min(key.frame + dx / props.scale, after - 1))
      const at = m.shiftKey || Math.abs(dx) < 4 ? undefined : moment(raw)
      command = gain.moved(props.sound, i, decibels(y(key.decibels) + dy), at)
      if (command) editor.show(command)
    },
    (moved) => {
      clear()
      held.value = -1
      if (moved && command) editor.run(command)
      else editor.revert()
    }
  )
}

function add(e: MouseEvent) {
  const box = (e.currentTarget as Element).getBoundingClientRect()
  const frame = (e.clientX - box.left - leftRoom) / props.scale
  gain.set(props.sound, moment(frame), Math.round(frame), decibels(e.clientY - box.top))
  clear()
}

defineExpose({ add })
</script>

<template>
  <g class="gain" :data-gain="sound.id">
    <polyline :points="line" />
    <circle
      v-for="(k, i) in sound.gain"
      :key="k.frame"
      :cx="x(k.frame)"
      :cy="y(k.decibels)"
      r="5"
      :class="{ held: i === held }"
      @pointerdown="hold($event, i)"
      @dblclick.stop="gain.remove(sound, i)"
    >
      <title>{{ k.decibels }} dB; drag it, or press twice to take it away</title>
    </circle>
  </g>
</template>

<style scoped>
polyline {
  fill: none;
  stroke: var(--harbour);
  stroke-width: 1.5;
  pointer-events: none;
}

circle {
  fill: var(--brass);
  stroke: var(--harbour);
  stroke-width: 1.5;
  cursor: move;
}

.held {
  fill: var(--buoy);
}
</style>
