<script setup lang="ts">
import { computed } from 'vue'
import type { usePlayer } from '../composables/usePlayer'
import { usePlayhead } from '../composables/usePlayhead'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { timecode } from '../words'
import KeyTools from './KeyTools.vue'

const props = defineProps<{ player: ReturnType<typeof usePlayer> }>()
const zoom = defineModel<number>('zoom', { required: true })
const editor = useEditor()
const desk = useDesk()
const { beat } = usePlayhead()
const rate = computed(() => editor.clip?.rate ?? 30)

const bar = computed(() => {
  const b = editor.view.beats.filter((x) => x.frame <= editor.frame).at(-1)
  return b ? `bar ${b.bar} beat ${b.in}` : 'before the first beat'
})

const step = (by: number) => {
  props.player.stop()
  editor.go(editor.frame + by)
}
</script>

<template>
  <div class="transport" role="toolbar" aria-label="Playing">
    <button class="plain" title="To the start (Home)" aria-label="To the start" @click="editor.go(0)">
      <i class="bi bi-skip-start-fill" />
    </button>
    <button class="plain" title="A beat back (B)" aria-label="A beat back" @click="beat(-1)">
      <i class="bi bi-chevron-double-left" />
    </button>
    <button class="plain" title="A frame back (,)" aria-label="A frame back" @click="step(-1)">
      <i class="bi bi-chevron-left" />
    </button>
    <button
      class="plain play"
      :title="player.playing.value ? 'Stop (Space)' : 'Play (Space)'"
      :aria-label="player.playing.value ? 'Stop' : 'Play'"
      @click="player.toggle()"
    >
      <i :class="player.playing.value ? 'bi bi-pause-fill' : 'bi bi-play-fill'" />
    </button>
    <button class="plain" title="A frame on (.)" aria-label="A frame on" @click="step(1)">
      <i class="bi bi-chevron-right" />
    </button>
    <button class="plain" title="A beat on (N)" aria-label="A beat on" @click="beat(1)">
      <i class="bi bi-chevron-double-right" />
    </button>
    <button
      class="plain"
      :class="{ on: player.muted.value }"
      :aria-pressed="player.muted.value"
      title="Mute"
      aria-label="Mute"
      @click="player.toggleSound()"
    >
      <i :class="player.muted.value ? 'bi bi-volume-mute' : 'bi bi-volume-up'" />
    </button>
    <output class="time" data-test="time">
      <b>{{ timecode(editor.frame, rate) }}</b> <span class="whole">of {{ editor.view.timecode }}</span>
    </output>
    <span class="bar">{{ bar }} · {{ editor.clip?.tempo.bpm.toFixed(1) }} BPM</span>
    <span v-if="player.playing.value" class="bar" data-test="fps">{{ player.fps.value }} fps</span>
    <span class="flex-fill" />
    <KeyTools v-if="editor.keys.length && !player.playing.value" />
    <button v-else class="plain hint" @click="desk.helping = true"><kbd>?</kbd> shortcuts</button>
    <button
      class="plain"
      :class="{ on: desk.speed }"
      :aria-pressed="desk.speed"
      title="Show how fast values change, in open rows"
      aria-label="Curves of speed"
      @click="desk.speed = !desk.speed"
    >
      <i class="bi bi-speedometer2" />
    </button>
    <label class="zoom">
      <i class="bi bi-zoom-in" aria-hidden="true" />
      <input v-model.number="zoom" type="range" min="1" max="32" step="0.25" aria-label="Zoom of the Beatline" />
    </label>
  </div>
</template>

<style scoped>
.transport {
  display: flex;
  align-items: center;
  gap: 0.1rem;
  height: 36px;
  padding: 0 0.7rem;
  border-bottom: 1px solid var(--line);
}

.play {
  font-size: 1.35rem;
  line-height: 1;
  color: var(--buoy-deep);
}

.time {
  margin-left: 0.7rem;
}

.time b {
  font-size: 1.05rem;
}

.bar,
.hint {
  margin-left: 0.9rem;
  color: var(--harbour-soft);
  font-size: 0.8rem;
}

.zoom {
  display: flex;
  gap: 0.3rem;
  align-items: center;
  margin-left: 0.9rem;
}

.zoom input {
  width: 84px;
  accent-color: var(--harbour);
}

.time,
.bar,
.hint {
  white-space: nowrap;
}

@media (max-width: 1100px) {
  .transport:has(.tools) .bar,
  .transport:has(.tools) .whole {
    display: none;
  }
}
</style>
