<script setup lang="ts">
import { useEditor } from '../stores/editor'
import type { Tempo } from '../types'
import NumberField from '../parts/NumberField.vue'

// The clip's beats, and what corrects them where they were found wrongly. Clicks
// on the beats, while it plays, tell.
defineProps<{ tempo: Tempo }>()
const editor = useEditor()

const set = (how: Record<string, number>) => editor.run({ type: 'setTempo', ...how })
</script>

<template>
  <div>
    <div class="pair">
      <NumberField late label="Tempo, beats a minute" :value="tempo.bpm" @change="set({ bpm: $event })" />
      <NumberField late label="Beats in a bar" :value="tempo.perBar" @change="set({ perBar: Math.round($event) })" />
    </div>
    <p class="acts">
      <button class="plain" title="Every other beat; keys stay where they are" @click="set({ times: 0.5 })">
        <i class="bi bi-dash-lg" aria-hidden="true" /> Half the beats
      </button>
      <button class="plain" title="A beat between every two; keys stay where they are" @click="set({ times: 2 })">
        <i class="bi bi-plus-lg" aria-hidden="true" /> Twice the beats
      </button>
      <button class="plain" title="A bar begins at the playhead" @click="set({ barAt: editor.frame })">
        <i class="bi bi-flag" aria-hidden="true" /> A bar begins here
      </button>
    </p>
  </div>
</template>

<style scoped>
.pair {
  margin-top: 0.5rem;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  margin: 0.2rem 0 0;
  font-size: 0.78rem;
}
</style>
