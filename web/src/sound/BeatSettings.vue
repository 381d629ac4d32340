<script setup lang="ts">
import { computed, ref } from 'vue'
import { useEditor } from '../stores/editor'
import type { Command } from '../types'
import { enoughTaps, tapped } from '../player/useTaps'
import TempoSettings from '../settings/TempoSettings.vue'
import type { Tune } from './useTune'
import type { TunePlayer } from './useTunePlayer'

// Whether the beats are where they are heard, and what brings them there.
const props = defineProps<{ of: Tune; player: TunePlayer }>()
const correcting = defineModel<boolean>('correcting', { required: true })
const editor = useEditor()
const heard = computed(() => editor.clip?.props.find((p) => p.id === props.of.tune.value?.prop)?.sound ?? undefined)
const kept = computed(() => !!props.of.tune.value?.kept)
const taps = ref<number[]>([])

const set = (how: Omit<Extract<Command, { type: 'setTempo' }>, 'type'>) => editor.run({ type: 'setTempo', ...how })

const tap = () => (taps.value = tapped(taps.value, props.player.at.value, 1))

async function count() {
  await set({ tapped: taps.value })
  taps.value = []
}
</script>

<template>
  <section v-if="editor.clip" aria-label="Beats">
    <h2>Beats</h2>
    <label class="lock">
      <input type="checkbox" :checked="kept" @change="set({ kept: !kept })" />
      They are right: keep them from being changed
    </label>
    <template v-if="!kept">
      <TempoSettings :tempo="editor.clip.tempo" :heard="heard">
        <button class="plain" title="A bar begins at the playhead" @click="set({ bar: player.at.value })">
          <i class="bi bi-flag" aria-hidden="true" /> A bar begins here
        </button>
        <button
          class="plain"
          title="While it plays, once on each beat, for a bar or two"
          :disabled="!player.playing.value"
          @pointerdown="tap"
        >
          <i class="bi bi-hand-index" aria-hidden="true" /> Tap along
        </button>
        <button class="plain" title="One even count through all of it" @click="set({ even: true })">
          <i class="bi bi-distribute-horizontal" aria-hidden="true" /> Even them out
        </button>
        <button
          class="plain"
          :aria-pressed="correcting"
          :class="{ on: correcting }"
          title="Each beat gets a knob in the tune; see it closer to have room"
          @click="correcting = !correcting"
        >
          <i class="bi bi-arrows-move" aria-hidden="true" /> Drag beats
        </button>
      </TempoSettings>
      <p v-if="taps.length" class="acts" role="status">
        <span
          >{{ taps.length === 1 ? 'One tap' : `${taps.length} taps`
          }}{{ taps.length < enoughTaps ? ' of four' : '' }}</span
        >
        <button v-if="taps.length >= enoughTaps" class="plain" @click="count">
          <i class="bi bi-check2" aria-hidden="true" /> Count by them
        </button>
        <button class="plain" @click="taps = []">Forget them</button>
      </p>
      <p class="acts">
        <button
          class="plain"
          :disabled="of.hearing.value"
          title="Find its beats, sections and hits anew"
          @click="of.hear()"
        >
          <i class="bi bi-ear" aria-hidden="true" /> {{ of.hearing.value ? 'Listening…' : 'Listen to it again' }}
        </button>
      </p>
    </template>
  </section>
</template>

<style scoped>
section :deep(.pair) {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 0.6rem;
}

.lock,
.acts {
  font-size: 0.8rem;
}

.acts {
  display: flex;
  gap: 0.4rem;
  align-items: baseline;
  margin: 0.1rem 0 0;
}

.on {
  background: var(--harbour);
  color: var(--chalk);
}
</style>
