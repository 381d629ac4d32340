<script setup lang="ts">
import { computed } from 'vue'
import { useEditor } from '../../stores/editor'
import type { Card, Changed, Hole, Layer } from '../../types'
import ChoiceField from '../../parts/ChoiceField.vue'
import ColourField from '../../parts/ColourField.vue'
import NumberField from '../../parts/NumberField.vue'

const props = defineProps<{ layer: Layer; content: Card }>()
const emit = defineEmits<{ set: [values: Changed<Layer>] }>()
const editor = useEditor()
const values = computed(() => editor.layer?.values ?? {})

const set = (v: Partial<Card>) => emit('set', { card: v })
const setHole = (v: Partial<Hole>) => emit('set', { card: { hole: { ...props.content.hole, ...v } } })

function value(property: string, v: number) {
  editor.run({ type: 'setValue', layer: editor.selected, property, frame: editor.frame, value: [v] })
}
</script>

<template>
  <div>
    <h2>Card</h2>
    <div class="three">
      <ChoiceField
        label="Form"
        :value="content.form"
        :options="[
          { id: 'card', name: 'Card' },
          { id: 'disc', name: 'Disc' },
          { id: 'burst', name: 'Burst' },
          { id: 'line', name: 'Line' }
        ]"
        @change="set({ form: $event })"
      />
      <NumberField
        v-if="!content.fills"
        label="Wide by high"
        :step="0.1"
        :value="content.aspect"
        @change="set({ aspect: $event })"
      />
      <NumberField
        label="Corners"
        :value="values.corner?.[0] ?? 0"
        :disabled="!!editor.layer?.tracks.corner"
        @change="value('corner', $event)"
      />
      <NumberField
        label="Outline"
        :value="values.outline?.[0] ?? 0"
        :disabled="!!editor.layer?.tracks.outline"
        @change="value('outline', $event)"
      />
      <label class="check"
        ><input type="checkbox" :checked="content.fills ?? false" @change="set({ fills: !content.fills })" />
        Fills</label
      >
      <label class="check">
        <input
          type="checkbox"
          :checked="!!content.hole"
          @change="
            emit('set', {
              card: { hole: content.hole ? null : { form: 'disc', x: 0, y: 0, size: 300, aspect: 1, corner: 24 } }
            })
          "
        />
        Window
      </label>
    </div>
    <div class="pair spaced">
      <ColourField label="Colour" :value="content.fill" @change="set({ fill: $event })" />
      <ColourField label="Outline colour" :value="content.outline" @change="set({ outline: $event })" />
    </div>
    <template v-if="content.hole">
      <h2>Window</h2>
      <div class="three">
        <ChoiceField
          label="Form"
          :value="content.hole.form"
          :options="[
            { id: 'disc', name: 'Round' },
            { id: 'card', name: 'Square' }
          ]"
          @change="setHole({ form: $event })"
        />
        <NumberField label="Width" :value="content.hole.size" @change="setHole({ size: $event })" />
        <NumberField
          label="Wide by high"
          :step="0.1"
          :value="content.hole.aspect"
          @change="setHole({ aspect: $event })"
        />
      </div>
    </template>
  </div>
</template>

<style scoped>
.spaced {
  margin-top: 0.4rem;
}
</style>
