<script setup lang="ts">
import { computed } from 'vue'
import { useEditor } from '../../stores/editor'
import type { Changed, Cutout, Layer } from '../../types'
import ChoiceField from '../../parts/ChoiceField.vue'
import ColourField from '../../parts/ColourField.vue'
import NumberField from '../../parts/NumberField.vue'
import FootageSettings from '../FootageSettings.vue'
import KeyingSettings from '../KeyingSettings.vue'
import CoverSettings from '../CoverSettings.vue'
import MatchingSettings from '../MatchingSettings.vue'
import { productSlot } from '../../words'

const props = defineProps<{ layer: Layer; content: Cutout }>()
const emit = defineEmits<{ set: [values: Changed<Layer>] }>()
const editor = useEditor()

// Pictures that a cut-out can be swapped for; motion, shadow and place stay.
const pictures = computed(() => [
  { id: productSlot, name: 'The product of its scene or clip' },
  ...(editor.clip?.props.filter((p) => p.picture).map((p) => ({ id: p.id, name: p.name })) ?? [])
])
const empty = computed(
  () => props.content.prop === productSlot && !editor.view.rows.find((r) => r.layer === props.layer.id)?.shows
)
const footage = computed(() => {
  const shows = editor.clip?.props.find((p) => p.id === props.content.prop)
  return shows?.footage ? shows : null
})
const outline = computed(() => props.layer.values?.outline?.[0] ?? 0)
</script>

<template>
  <div>
    <ChoiceField
      :label="content.covering ? 'Picture' : 'Product shown'"
      :value="content.prop"
      :options="pictures"
      @change="editor.run({ type: 'swapPicture', layer: layer.id, prop: $event })"
    />
    <p v-if="empty" class="says">Its scene has no product yet, so nothing shows here. Choose one for the scene.</p>
    <FootageSettings v-if="footage" :layer="layer" :prop="footage" :runs="content.runs ?? {}" />
    <CoverSettings
      v-if="content.covering"
      :layer="layer"
      :covering="content.covering"
      @change="emit('set', { cutout: { covering: $event } })"
    />
    <div v-else class="pair">
      <NumberField
        label="Outline"
        :value="outline"
        :disabled="!!layer.tracks.outline"
        @change="
          editor.run({ type: 'setValue', layer: layer.id, property: 'outline', frame: editor.frame, value: [$event] })
        "
      />
      <ColourField
        v-if="outline || layer.tracks.outline"
        label="Outline colour"
        :value="content.outline ?? '#ffffff'"
        @change="emit('set', { cutout: { outline: $event } })"
      />
    </div>
    <KeyingSettings :layer="layer" />
    <MatchingSettings :layer="layer.id" />
  </div>
</template>

<style scoped>
.pair {
  margin-top: 0.5rem;
}
</style>
