<script setup lang="ts">
import { fits } from '../gen/catalogue'
import ChoiceField from '../parts/ChoiceField.vue'
import NumberField from '../parts/NumberField.vue'
import type { Changed, Covering, Layer } from '../types'
import PropertyFields from './PropertyFields.vue'
import { useValues } from './useValues'

// How a picture covers the frame. The place of interest is dragged in the picture, too.
const props = defineProps<{ layer: Layer; covering: Covering }>()
const emit = defineEmits<{ change: [values: Changed<Covering>] }>()
const { now } = useValues(() => props.layer)
const set = (values: Changed<Covering>) => emit('change', values)
</script>

<template>
  <div>
    <div class="pair">
      <ChoiceField label="The picture" :value="covering.fit" :options="fits" @change="set({ fit: $event })" />
      <NumberField
        v-if="covering.fit === 'tile'"
        label="A tile is wide"
        :value="covering.side"
        @change="set({ side: $event })"
      />
      <PropertyFields :layer="layer" :names="['zoom', 'pan']" />
    </div>
    <template v-if="covering.fit !== 'tile'">
      <h2>Place of interest</h2>
      <div class="three">
        <NumberField
          label="Right of its middle"
          unit="%"
          hint="Stays in sight in every shape; the picture is zoomed about it"
          :value="covering.x"
          @change="set({ x: $event })"
        />
        <NumberField label="Below its middle" unit="%" :value="covering.y" @change="set({ y: $event })" />
      </div>
    </template>
    <h2>Tint and blur</h2>
    <div class="pair">
      <PropertyFields :layer="layer" :names="now('tint') > 0 ? ['tint', 'tintColour', 'blur'] : ['tint', 'blur']" />
    </div>
  </div>
</template>
