<script setup lang="ts">
import { computed } from 'vue'
import type { usePlayer } from './usePlayer'
import { usePlayhead } from './usePlayhead'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { timecode } from '../words'
import LandGrip from './LandGrip.vue'
import LoudnessMeter from './LoudnessMeter.vue'
import IconButton from '../parts/IconButton.vue'
import TimeField from '../parts/TimeField.vue'

const props = defineProps<{ player: ReturnType<typeof usePlayer> }>()
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
    <IconButton
      icon="record-circle"
      :pressed="desk.pulses"
      title="Beats pulse at the Tabletop’s edge"
      label="Pulses on the beats"
      @click="desk.pulses = !desk.pulses"
    />
    <LoudnessMeter v-if="player.playing.value" />
    <LandGrip />
    <span class="time">
      <TimeField
        wide="4.3rem"
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
  </div>
</template>

<style scoped>
.transport {
  grid-area: play;
  container-type: inline-size;
  display: flex;
  align-items: center;
  gap: 0.1rem;
  height: 36px;
  padding: 0 0.6rem;
  white-space: nowrap;
  overflow: hidden;
}

.play {
  font-size: 1.35rem;
  line-height: 1;
  color: var(--buoy-deep);
}

.time {
  display: flex;
  align-items: baseline;
  gap: 0.25rem;
  margin-left: 0.3rem;
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

.bar {
  margin-left: 0.7rem;
  color: var(--harbour-soft);
  font-size: 0.8rem;
}

/* What is said twice goes where there is little room: the ruler has it, too. */
@container (max-width: 520px) {
  .bar:not([data-test]) {
    display: none;
  }
}

@container (max-width: 400px) {
  .whole {
    display: none;
  }
}
</style>
