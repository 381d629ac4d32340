<script setup lang="ts">
import type { Changed, Layer, Pattern } from '../../types'
import ChoiceField from '../../parts/ChoiceField.vue'
import ColourField from '../../parts/ColourField.vue'
import NumberField from '../../parts/NumberField.vue'

// A grid of small figures: which, how large, how far apart.
defineProps<{ layer: Layer; content: Pattern }>()
const emit = defineEmits<{ set: [values: Changed<Layer>] }>()
const forms = [
  { id: 'disc', name: 'Discs' },
  { id: 'card', name: 'Cards' },
  { id: 'burst', name: 'Bursts' },
  { id: 'cross', name: 'Crosses' }
] as const
const set = (pattern: Changed<Pattern>) => emit('set', { pattern })
</script>

<template>
  <div>
    <div class="pair">
      <ChoiceField label="Figures" :value="content.form" :options="forms" @change="set({ form: $event })" />
      <NumberField label="Apart" :value="content.apart" @change="set({ apart: $event })" />
      <NumberField label="Size" unit="%" :value="content.size" @change="set({ size: $event })" />
      <NumberField
        label="Rows aside"
        unit="%"
        hint="Every other row is moved so far"
        :value="content.shift"
        @change="set({ shift: $event })"
      />
    </div>
    <ColourField label="Colour" :value="content.fill" @change="set({ fill: $event })" />
  </div>
</template>
