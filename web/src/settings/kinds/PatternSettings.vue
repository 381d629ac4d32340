<script setup lang="ts">
import type { Changed, Layer, Pattern } from '../../types'
import ChoiceField from '../../parts/ChoiceField.vue'
import ColourField from '../../parts/ColourField.vue'
import PropertyFields from '../PropertyFields.vue'

// A grid of small figures: which, how large, how far apart. All its numbers can have keys.
defineProps<{ layer: Layer; content: Pattern }>()
const emit = defineEmits<{ set: [values: Changed<Layer>] }>()
const forms = [
  { id: 'disc', name: 'Discs' },
  { id: 'card', name: 'Cards' },
  { id: 'burst', name: 'Bursts' },
  { id: 'cross', name: 'Crosses' }
] as const
const labels = { eachSize: ['Size'], moved: ['All right', 'All down'] }
const set = (pattern: Changed<Pattern>) => emit('set', { pattern })
</script>

<template>
  <div>
    <div class="three">
      <ChoiceField label="Figures" :value="content.form" :options="forms" @change="set({ form: $event })" />
      <PropertyFields :layer="layer" :names="['apart', 'eachSize', 'aside', 'eachTurn', 'moved']" :labels="labels" />
    </div>
    <ColourField label="Colour" :value="content.fill" @change="set({ fill: $event })" />
  </div>
</template>
