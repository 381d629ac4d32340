<script setup lang="ts">
import type { Changed, Grain, Layer } from '../../types'
import NumberField from '../../parts/NumberField.vue'
import PropertyFields from '../PropertyFields.vue'

// Fine noise over what is beneath.
defineProps<{ layer: Layer; content: Grain }>()
const emit = defineEmits<{ set: [values: Changed<Layer>] }>()
const set = (grain: Changed<Grain>) => emit('set', { grain })
</script>

<template>
  <div>
    <h2>Grain</h2>
    <div class="pair">
      <PropertyFields :layer="layer" :names="['grain']" :labels="{ grain: ['Strength'] }" />
      <NumberField label="Size" :step="0.5" :value="content.size" @change="set({ size: $event })" />
      <NumberField
        label="Changes a second"
        hint="0 stands still, which takes least room in a file"
        :value="content.changes ?? 0"
        @change="set({ changes: $event })"
      />
      <NumberField label="Seed" :value="content.seed ?? 0" @change="set({ seed: Math.round($event) })" />
    </div>
  </div>
</template>
