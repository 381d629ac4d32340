<script setup lang="ts">
import { computed } from 'vue'
import { useEditor } from '../stores/editor'
import { listed } from '../words'
import RetimingText from './RetimingText.vue'
import type { Cut } from './useCut'

// What a cut would do to the clip, before it is taken.
const props = defineProps<{ cut: Cut; steady: boolean }>()
const editor = useEditor()
const clip = computed(() => editor.view.length / (editor.clip?.rate ?? 30)) // seconds
const { stay, fits } = props.cut
const parts = computed(() => listed(props.cut.parts.value.map((p) => `${(p.to - p.from).toFixed(1)} s`)))
</script>

<template>
  <section class="outcome" aria-label="Before it is cut" role="status">
    <h2>Before it is cut</h2>
    <p>
      {{ cut.parts.value.length === 1 ? 'One part' : `${cut.parts.value.length} parts` }} of {{ parts
      }}{{ cut.tail.value ? `, and ${cut.tail.value.toFixed(1)} s to die away` : '' }}:
      <strong>{{ cut.seconds.value.toFixed(1) }} s</strong> are heard{{
        !fits && cut.seconds.value > clip + 0.05 ? `, but for what the clip of ${clip.toFixed(1)} s has no room` : ''
      }}.
    </p>
    <fieldset v-if="steady">
      <legend>Keys on beats</legend>
      <label><input v-model="stay" type="radio" name="keys" :value="false" /> go with the music</label>
      <label><input v-model="stay" type="radio" name="keys" :value="true" /> stay at their times</label>
    </fieldset>
    <label><input v-model="fits" type="checkbox" /> the clip becomes as long as this</label>
    <RetimingText v-if="cut.outcome.value" :change="cut.outcome.value" />
    <p v-if="cut.refused.value" class="wrong">{{ cut.refused.value }}</p>
    <BButton class="btn-act" :variant="null" size="sm" :disabled="!cut.outcome.value" @click="cut.take()"
      >Cut it so</BButton
    >
    <button class="plain" @click="cut.leave()">Leave it as it is</button>
  </section>
</template>

<style scoped>
.outcome {
  position: sticky;
  top: 0;
  z-index: 2;
  padding: 0.6rem 0.7rem;
  border-radius: 6px;
  background: var(--chalk);
  box-shadow: var(--shade);
  font-size: 0.82rem;
}

.outcome p {
  margin: 0 0 0.35rem;
}

fieldset {
  margin: 0 0 0.2rem;
}

label {
  min-height: 24px;
}

fieldset label {
  margin-right: 0.8rem;
}

legend {
  margin: 0;
  font-size: inherit;
}

.wrong {
  color: #9c2f10;
}
</style>
