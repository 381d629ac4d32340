<script setup lang="ts">
import { computed } from 'vue'
import NumberField from '../parts/NumberField.vue'
import FadeFields from '../settings/FadeFields.vue'
import { useSounds } from '../settings/useSounds'
import { useEditor } from '../stores/editor'

// How the tune sounds under the clip.
const editor = useEditor()
const { track, set } = useSounds()
const own = computed(() => (editor.tune ? track('tune') : undefined))
</script>

<template>
  <section v-if="own" aria-label="How it sounds">
    <h2>How it sounds</h2>
    <div class="pair">
      <NumberField label="Gain" unit="dB" :value="own.gain" @change="set('tune', { gain: $event })" />
      <NumberField label="Left or right" unit="%" :value="own.pan ?? 0" @change="set('tune', { pan: $event })" />
      <FadeFields :own="own" />
    </div>
  </section>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.2rem 0.6rem;
}
</style>
