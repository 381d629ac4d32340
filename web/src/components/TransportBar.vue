<script setup lang="ts">
import { computed } from 'vue'
import type { usePlayer } from '../composables/usePlayer'
import { usePlayhead } from '../composables/usePlayhead'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { timecode } from '../words'
import IconButton from './IconButton.vue'
import KeyTools from './KeyTools.vue'
import TimeField from './TimeField.vue'

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

async function goTo(text: string) {
  try {
    await editor.go((await editor.ask('moment', text)).frame)
  } catch (e) {
    useNotices().fail(e)
  }
}

const step = (by: number) => {
  props.player.stop()
  editor.go(editor.frame + by)
}
</script>

<template>
  <div class="transport" role="toolbar" aria-label="Playing">
    <IconButton icon="skip-start-fill" title="To the start (Home)" label="To the start" @click="editor.go(0)" />
    <IconButton icon="chevron-double-left" title="A beat back (B)" label="A beat back" @click="beat(-1)" />
    <IconButton icon="chevron-left" title="A frame back (,)" label="A frame back" @click="step(-1)" />
    <IconButton
      :icon="player.playing.value ? 'pause-fill' : 'play-fill'"
      class="play"
      :title="player.playing.value ? 'Stop (Space)' : 'Play (Space)'"
      :label="player.playing.value ? 'Stop' : 'Play'"
      @click="player.toggle()"
    />
    <IconButton icon="chevron-right" title="A frame on (.)" label="A frame on" @click="step(1)" />
    <IconButton icon="chevron-double-right" title="A beat on (N)" label="A beat on" @click="beat(1)" />
    <IconButton
      :icon="player.muted.value ? 'volume-mute' : 'volume-up'"
      :pressed="player.muted.value"
      title="Mute"
      label="Mute"
      @click="player.toggleSound()"
    />
    <IconButton
      icon="music-note-beamed"
      :pressed="desk.clicks"
      title="Clicks on the beats (C)"
      label="Clicks on the beats"
      @click="desk.clicks = !desk.clicks"
    />
    <span class="time">
      <TimeField
        wide="4.8rem"
        label="Time"
        title="Type a time to go there: 4s05f, b9.3 or a frame"
        :value="timecode(editor.frame, rate)"
        :read="(text) => editor.ask('readMoment', text)"
        @change="goTo"
      />
      <span class="whole">of {{ editor.view.timecode }}</span>
    </span>
    <span class="bar">{{ bar }} · {{ editor.clip?.tempo.bpm.toFixed(1) }} BPM</span>
    <span v-if="player.playing.value" class="bar" data-test="fps">{{ player.fps.value }} fps</span>
    <span class="flex-fill" />
    <KeyTools v-if="editor.keys.length && !player.playing.value" />
    <button v-else class="plain hint" @click="desk.helping = true"><kbd>?</kbd> shortcuts</button>
    <IconButton
      icon="speedometer2"
      :pressed="desk.speed"
      title="Show how fast values change, in open rows"
      label="Curves of speed"
      @click="desk.speed = !desk.speed"
    />
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

.time {
  display: flex;
  align-items: baseline;
  gap: 0.25rem;
}

.time :deep(input) {
  border-color: transparent;
  background: none;
  font-size: 1.05rem;
  font-weight: 700;
  padding: 0 0.3rem;
}

.time :deep(input:hover),
.time :deep(input:focus) {
  border-color: var(--line);
  background: var(--chalk);
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
