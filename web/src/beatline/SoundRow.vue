<script setup lang="ts">
import { computed, ref } from 'vue'
import { leftRoom } from './beatline'
import { drag } from '../parts/useDrag'
import { useSounds } from '../settings/useSounds'
import { useSnap } from './useSnap'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import type { Command, Level, Moment, ViewSound } from '../types'
import GainLine from './GainLine.vue'
import IconButton from '../parts/IconButton.vue'

// A sound beside the tune on the Beatline. A drag moves it in time; it catches on beats,
// to which it is bound then.
const props = defineProps<{ sound: ViewSound; scale: number; width: number }>()
const editor = useEditor()
const desk = useDesk()
const { snap, clear } = useSnap()
const { track, changed, set, remove } = useSounds()
const dragging = ref(false)

const height = 22
const x = (frame: number) => leftRoom + frame * props.scale
const wave = computed(() => {
  const w = props.sound.wave
  if (!w.length) return ''
  const at = (l: Level, sign: number) =>
    `${x(l.frame).toFixed(1)},${(height / 2 + sign * Math.max(0.4, l.peak * (height / 2 - 3))).toFixed(1)}`
  return [...w.map((l) => at(l, -1)), ...[...w].reverse().map((l) => at(l, 1))].join(' ')
})

function press(e: PointerEvent) {
  if (e.button !== 0) return
  e.stopPropagation()
  choose()
  const from = props.sound.from // what is shown moves along with the drag
  let command: Command | null = null
  dragging.value = true
  drag(
    e,
    (m, dx) => {
      const raw = from + dx / props.scale
      const hit = snap(raw, 9 / props.scale, () => false, m.ctrlKey || m.metaKey)
      const frame = Math.max(0, Math.min(editor.view.length - 1, hit ? hit.frame : Math.round(raw)))
      const at: Moment = hit?.beat !== undefined ? { beat: hit.beat } : frame
      command = changed(props.sound.id, { at })
      if (command) editor.show(command)
    },
    (moved) => {
      clear()
      dragging.value = false
      if (moved && command) editor.run(command)
      else editor.revert()
    }
  )
}

function choose() {
  desk.sound = props.sound.id
  desk.panel = 'clip'
}
</script>

<template>
  <div class="sound-row" :class="{ selected: desk.sound === sound.id, muted: sound.silent }" :data-sound="sound.id">
    <div class="label">
      <i class="bi bi-soundwave" aria-hidden="true" />
      <button class="plain name" :title="`${sound.name} at ${sound.when}`" @click="choose">{{ sound.name }}</button>
      <IconButton
        :icon="sound.muted ? 'volume-mute' : 'volume-up'"
        class="quiet"
        :pressed="sound.muted"
        :label="`Mute ${sound.name}`"
        @click="set(sound.id, { muted: !track(sound.id)?.muted })"
      />
      <IconButton
        icon="trash"
        class="quiet"
        :label="`Take ${sound.name} away`"
        title="Take it away"
        @click="remove(sound.id)"
      />
    </div>
    <svg :width="width" :height="height">
      <g class="bar" :class="{ dragging }" @pointerdown="press">
        <title>Drag to let {{ sound.name }} begin elsewhere</title>
        <rect
          :x="x(sound.from)"
          y="1"
          :width="Math.max(4, (sound.to - sound.from) * scale)"
          :height="height - 2"
          rx="4"
        />
        <polygon :points="wave" />
      </g>
      <GainLine :sound="sound" :scale="scale" :height="height" />
    </svg>
  </div>
</template>

<style scoped>
.sound-row {
  display: flex;
  contain: content;
  border-bottom: 1px solid rgba(23, 63, 71, 0.08);
}

.label {
  position: sticky;
  left: 0;
  z-index: 3;
  display: flex;
  flex: none;
  gap: 0.35rem;
  align-items: center;
  width: var(--heads);
  container-type: inline-size;
  padding: 0 4px 0 7px;
  background: var(--sailcloth);
  border-right: 1px solid var(--line);
  font-size: 0.82rem;
}

@container (max-width: 140px) {
  .quiet {
    display: none;
  }
}

.label:hover,
.label:focus-within {
  width: max(var(--heads), 200px);
  margin-right: min(0px, var(--heads) - 200px);
}

.name {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-align: left;
  white-space: nowrap;
  text-overflow: ellipsis;
}

.selected .label {
  background: var(--chalk);
  box-shadow: inset 3px 0 0 var(--brass);
}

.selected .name {
  font-weight: 700;
}

.bar {
  cursor: grab;
}

.bar rect {
  fill: rgba(200, 146, 46, 0.28);
}

.bar polygon {
  fill: var(--brass-deep);
  opacity: 0.75;
}

.dragging {
  cursor: grabbing;
}

.muted svg {
  opacity: 0.4;
}
</style>
