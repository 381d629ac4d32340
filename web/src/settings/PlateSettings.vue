<script setup lang="ts">
import type { Changed, Plate, Words } from '../types'
import ChoiceField from '../parts/ChoiceField.vue'
import ColourField from '../parts/ColourField.vue'
import NumberField from '../parts/NumberField.vue'

// The shape behind words, which may pass part by part.
const props = defineProps<{ plate?: Plate | null; passes?: boolean }>()
const emit = defineEmits<{ set: [values: Changed<Words>] }>()
const set = (values: Partial<Plate>) => props.plate && emit('set', { plate: { ...props.plate, ...values } })
const kinds = [
  { id: '', name: 'None' },
  { id: 'pill', name: 'Pill' },
  { id: 'card', name: 'Card' },
  { id: 'lines', name: 'Behind each line' },
  { id: 'disc', name: 'Disc' },
  { id: 'burst', name: 'Burst' }
] as const
const choose = (kind: (typeof kinds)[number]['id']) =>
  emit('set', { plate: kind ? { fill: '#dd4f28', room: kind === 'lines' ? 25 : 55, ...props.plate, kind } : null })
</script>

<template>
  <div>
    <div class="three">
      <ChoiceField label="Plate" :value="plate?.kind ?? ''" :options="kinds" @change="choose" />
      <NumberField v-if="plate" label="Room" unit="%" :value="plate.room" @change="set({ room: $event })" />
      <NumberField
        v-if="plate?.kind === 'card' || plate?.kind === 'lines'"
        label="Corners"
        unit="%"
        hint="Their radius in percent of the words’ size"
        :value="plate.round ?? (plate.kind === 'lines' ? 12 : 20)"
        @change="set({ round: Math.max(0, $event) })"
      />
      <NumberField
        v-if="plate?.kind === 'disc' || plate?.kind === 'burst'"
        label="Across"
        unit="%"
        :value="plate.size ?? 0"
        hint="So wide whatever is written, in percent of the words’ size; 0 goes by the words"
        @change="set({ size: Math.max(0, $event) })"
      />
    </div>
    <label v-if="plate && plate.kind !== 'lines' && passes" class="check">
      <input type="checkbox" :checked="plate.follows ?? false" @change="set({ follows: !plate.follows })" />
      Comes and goes with its words
    </label>
    <ColourField v-if="plate" label="Plate colour" :value="plate.fill" @change="set({ fill: $event })" />
  </div>
</template>
