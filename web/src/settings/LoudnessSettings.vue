<script setup lang="ts">
import { loudnessTargets } from '../gen/catalogue'
import ChoiceField from '../parts/ChoiceField.vue'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'

// How loud all sounds are together, and how loud they were when they last played.
defineProps<{ loudness: number }>()
const editor = useEditor()
const desk = useDesk()

const level = (v: number) => v.toFixed(1).replace('-', '−')

const targets = loudnessTargets.map((t) => ({ id: String(t.lufs), name: t.name as string }))
</script>

<template>
  <div class="loudness">
    <ChoiceField
      label="Loudness of the clip"
      :value="String(loudness)"
      :options="
        targets.some((t) => t.id === String(loudness))
          ? targets
          : [...targets, { id: String(loudness), name: `${loudness} LUFS` }]
      "
      @change="editor.run({ type: 'setClip', loudness: Number($event) })"
    />
    <p v-if="desk.loudness && !desk.loudness.silent" class="hint reading">
      Played at {{ level(desk.loudness.lufs) }} LUFS, peaks reach {{ level(desk.loudness.peak) }} dB<template
        v-if="desk.loudness.taken > 0.05"
        >; at the loudest {{ desk.loudness.taken.toFixed(1) }} dB are taken off</template
      >.
    </p>
  </div>
</template>

<style scoped>
.loudness {
  margin-top: 0.5rem;
}

.reading {
  margin: 0.3rem 0 0;
  color: var(--harbour-soft);
  font-size: 0.78rem;
}
</style>
