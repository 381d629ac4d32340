<script setup lang="ts">
import { hexOf, numbersOf } from '../parts/colour'
import ColourField from '../parts/ColourField.vue'
import IconButton from '../parts/IconButton.vue'
import NumberField from '../parts/NumberField.vue'
import { useEditor } from '../stores/editor'
import type { Layer, Line } from '../types'
import { useValues } from './useValues'

// The outlines that a figure has beside its own. Each lies beneath those before it.
const props = defineProps<{ layer: Layer; lines: readonly Line[] }>()
const editor = useEditor()
const { now, all, set } = useValues(() => props.layer)

const colour = (l: Line) => {
  const v = all(`lineColour${l.id}`, [])
  return v.length ? hexOf([...v]) : l.colour
}
</script>

<template>
  <div>
    <div v-for="(l, i) in lines" :key="l.id" class="line">
      <ColourField
        class="tone"
        :label="`Colour of outline ${i + 2}`"
        :value="colour(l)"
        @change="set(`lineColour${l.id}`, ...numbersOf($event))"
      />
      <NumberField label="Width" :value="now(`lineWidth${l.id}`, l.width)" @change="set(`lineWidth${l.id}`, $event)" />
      <NumberField
        label="Distance"
        hint="From the figure's own outline outwards; below 0 inwards"
        :value="now(`lineApart${l.id}`, l.apart)"
        @change="set(`lineApart${l.id}`, $event)"
      />
      <IconButton
        icon="x-lg"
        :label="`Delete outline ${i + 2}`"
        title="Delete this outline"
        @click="editor.run({ type: 'removeLine', layer: layer.id, number: l.id })"
      />
    </div>
    <button v-if="lines.length < 8" class="plain add" @click="editor.run({ type: 'addLine', layer: layer.id })">
      <i class="bi bi-plus-lg" aria-hidden="true" /> Another outline
    </button>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) auto;
  gap: 0.4rem;
  align-items: end;
  margin-top: 0.4rem;
}

.tone {
  grid-column: 1 / -1;
}

.add {
  margin-top: 0.4rem;
  font-size: 0.82rem;
}
</style>
