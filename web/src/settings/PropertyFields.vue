<script setup lang="ts">
import { computed } from 'vue'
import { properties } from '../gen/catalogue'
import { hexOf, numbersOf } from '../parts/colour'
import ColourField from '../parts/ColourField.vue'
import NumberField from '../parts/NumberField.vue'
import type { Layer } from '../types'
import { useValues } from './useValues'

// Properties of a layer as they are at the playhead, each with a field for each of its
// numbers, under their own names or those given.
const props = defineProps<{ layer: Layer; names: readonly string[]; labels?: Readonly<Record<string, string[]>> }>()
const { all, set } = useValues(() => props.layer)

const list = computed(() =>
  props.names.flatMap((name) => {
    const p = properties.find((p) => p.name === name)
    if (!p) return []
    const usual = Array.from({ length: p.dims }, () => p.neutral)
    const value = all(name, usual)
    const labels =
      props.labels?.[name] ?? (p.dims > 1 && !p.colour ? p.parts.map((part) => `${p.title} ${part}`) : [p.title])
    return [{ name, value, labels, unit: p.unit || undefined, colour: p.colour }]
  })
)
const changed = (value: readonly number[], i: number, to: number) => value.map((v, k) => (k === i ? to : v))
</script>

<template>
  <template v-for="p in list" :key="p.name">
    <ColourField
      v-if="p.colour"
      class="wide"
      :label="p.labels[0]"
      :value="hexOf([...p.value])"
      @change="set(p.name, ...numbersOf($event, p.value[3] || 255))"
    />
    <template v-else>
      <NumberField
        v-for="(label, i) in p.labels"
        :key="label"
        :label="label"
        :unit="p.unit"
        :value="p.value[i]"
        @change="set(p.name, ...changed(p.value, i, $event))"
      />
    </template>
  </template>
</template>
