<script setup lang="ts">
import { computed } from 'vue'
import { useEditor } from '../stores/editor'
import { alignWords } from '../tabletop/alignWords'
import type { Changed, Layer, Words } from '../types'
import ChoiceField from '../parts/ChoiceField.vue'
import NumberField from '../parts/NumberField.vue'
import { useChoices } from './useChoices'
import { useValues } from './useValues'

// How lines of words stand: in a box, beside a window, on an arch or along a figure.
const props = defineProps<{ layer: Layer; content: Words }>()
const emit = defineEmits<{ set: [values: Changed<Words>] }>()
const editor = useEditor()
const { now, set: setValue } = useValues(() => props.layer)
const set = (values: Changed<Words>) => emit('set', values)

const choices = useChoices(() => props.layer.id)
const none = { id: '', name: 'None' }
const fit = computed(() => props.content.fit)
const setFit = (values: Partial<NonNullable<Words['fit']>>) =>
  set({ fit: { height: 400, smallest: 50, largest: 300, ...fit.value, ...values } })
</script>

<template>
  <div>
    <div class="three">
      <ChoiceField
        label="Lines stand"
        :value="content.align"
        :options="[
          { id: 'left', name: 'Left' },
          { id: 'centre', name: 'Centre' },
          { id: 'right', name: 'Right' }
        ]"
        @change="alignWords(layer.id, $event)"
      />
      <NumberField label="Break at" :value="content.width" @change="set({ width: $event })" />
      <NumberField label="Line spacing" unit="%" :value="content.lineSpacing" @change="set({ lineSpacing: $event })" />
    </div>
    <div class="checks">
      <label class="check" title="Lines that break by themselves are about as long as each other">
        <input
          type="checkbox"
          aria-label="Balanced lines"
          :checked="content.balanced ?? false"
          :disabled="!content.width"
          @change="set({ balanced: !content.balanced })"
        />
        Balanced lines
      </label>
      <label class="check" title="Larger letters or smaller ones make each line as wide as “Break at”">
        <input
          type="checkbox"
          aria-label="Each line as wide as the box"
          :checked="content.filling ?? false"
          :disabled="!content.width"
          @change="set({ filling: !content.filling })"
        />
        Each line as wide as the box
      </label>
      <label class="check" title="Words are as large as they can be in a box, whatever they say">
        <input
          type="checkbox"
          aria-label="As large as the box allows"
          :checked="!!fit"
          :disabled="!content.width"
          @change="fit ? set({ fit: null }) : setFit({})"
        />
        As large as the box allows
      </label>
    </div>
    <div v-if="fit && content.width" class="three">
      <NumberField label="Box height" :value="fit.height" @change="setFit({ height: $event })" />
      <NumberField
        label="Smallest"
        unit="%"
        hint="In percent of the words’ size"
        :value="fit.smallest"
        @change="setFit({ smallest: Math.min(100, Math.max(10, $event)) })"
      />
      <NumberField
        label="Largest"
        unit="%"
        hint="In percent of the words’ size"
        :value="fit.largest"
        @change="setFit({ largest: Math.min(1000, Math.max(100, $event)) })"
      />
    </div>
    <div class="three spaced">
      <NumberField
        v-if="!content.along"
        label="Arch"
        unit="°"
        hint="How much of a circle lines span; it can have keys"
        :value="now('arch')"
        @change="setValue('arch', $event)"
      />
      <ChoiceField
        v-if="choices.figures.length"
        label="Along a figure"
        :value="content.along ?? ''"
        :options="[none, ...choices.figures]"
        @change="editor.run({ type: 'runAlong', layer: layer.id, figure: $event || undefined })"
      />
      <NumberField
        v-if="content.along"
        label="Moved along"
        unit="%"
        hint="With keys, words run along it"
        :value="now('along')"
        @change="setValue('along', $event)"
      />
      <ChoiceField
        v-if="content.width && !content.along && choices.windows.length"
        label="Keeps away from"
        :value="content.beside?.layer ?? ''"
        :options="[none, ...choices.windows]"
        @change="set({ beside: $event ? { layer: $event, gap: content.beside?.gap ?? 40 } : null })"
      />
      <NumberField
        v-if="content.beside"
        label="By"
        :value="content.beside.gap"
        @change="set({ beside: { layer: content.beside.layer, gap: Math.max(0, $event) } })"
      />
    </div>
  </div>
</template>

<style scoped>
.checks {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.9rem;
  margin: 0.4rem 0;
}

.spaced {
  margin: 0.4rem 0;
}

label {
  font-size: 0.78rem;
}
</style>
