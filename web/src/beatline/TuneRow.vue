<script setup lang="ts">
import { computed, ref } from 'vue'
import { leftRoom } from './beatline'
import GainLine from './GainLine.vue'
import IconButton from '../parts/IconButton.vue'
import { useSounds } from '../settings/useSounds'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import type { Level, ViewSound } from '../types'

// The tune on the Beatline: how loud it is, and the keys of its gain. A double press sets one.
const props = defineProps<{ sound: ViewSound; scale: number; width: number }>()
const editor = useEditor()
const desk = useDesk()
const { track, set } = useSounds()
const line = ref<InstanceType<typeof GainLine> | null>(null)

const height = 36
const x = (frame: number) => leftRoom + frame * props.scale
const wave = computed(() => {
  const w = editor.view.wave
  const at = (l: Level, sign: number) =>
    `${x(l.frame).toFixed(1)},${(height / 2 + sign * Math.max(0.4, l.peak * (height / 2 - 2))).toFixed(1)}`
  return [...w.map((l) => at(l, -1)), ...[...w].reverse().map((l) => at(l, 1))].join(' ')
})
</script>

<template>
  <div class="tune-row" :class="{ muted: sound.silent }" data-tune>
    <div class="label">
      <i class="bi bi-music-note-beamed" aria-hidden="true" />
      <RouterLink class="name" :to="`/clips/${editor.id}/sound`" :title="`${sound.name}: to the Sound view`">{{
        sound.name
      }}</RouterLink>
      <IconButton
        :icon="sound.muted ? 'volume-mute' : 'volume-up'"
        :pressed="sound.muted"
        label="Mute the tune"
        @click="set('tune', { muted: !track('tune')?.muted })"
      />
    </div>
    <svg :width="width" :height="height" @dblclick="line?.add" @pointerdown="desk.panel = 'clip'">
      <polygon :points="wave" />
      <GainLine ref="line" :sound="sound" :scale="scale" :height="height" />
      <title>How loud the tune is: press twice to set a key of its gain</title>
    </svg>
  </div>
</template>

<style scoped>
.tune-row {
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
  padding: 0 4px 0 7px;
  background: var(--sailcloth);
  border-right: 1px solid var(--line);
  font-size: 0.82rem;
}

.name {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  line-height: 24px;
  color: inherit;
  text-decoration: none;
  white-space: nowrap;
  text-overflow: ellipsis;
}

.name:hover {
  text-decoration: underline;
}

polygon {
  fill: rgba(23, 63, 71, 0.22);
}

.muted svg {
  opacity: 0.4;
}
</style>
