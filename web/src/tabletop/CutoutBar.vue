<script setup lang="ts">
import { computed, onMounted, shallowRef } from 'vue'
import { api } from '../api'
import { useEditor } from '../stores/editor'
import { useToBench } from '../bench/useToBench'
import { usePropIntake } from '../shelf/usePropIntake'
import type { Cutout, Layer, Prop } from '../types'
import ColourDot from '../parts/ColourDot.vue'
import IconButton from '../parts/IconButton.vue'

// What a cut-out needs most: another picture, an outline, its shadow.
const props = defineProps<{ layer: Layer; cutout: Cutout }>()
const editor = useEditor()
const intake = usePropIntake()
const toBench = useToBench()
const shelf = shallowRef<Prop[]>([])

onMounted(async () => {
  const all = await api.props().catch(() => [])
  shelf.value = all.map((s) => s.prop).filter((p) => p.picture)
})

const outline = computed(() => props.layer.values?.outline?.[0] ?? 0)
const outlined = computed(() => outline.value > 0 || !!props.layer.tracks.outline)
function setOutline(width: number) {
  editor.run({ type: 'setValue', layer: props.layer.id, property: 'outline', frame: editor.frame, value: [width] })
}

const shadowed = computed(() => !props.layer.shadow?.none)
const setShadow = () =>
  editor.run({
    type: 'setLayer',
    layer: props.layer.id,
    set: {
      shadow: shadowed.value ? { none: true, direction: 145, distance: 30, softness: 14, strength: 40 } : null
    }
  })

const shown = computed(() => editor.clip?.props.find((x) => x.id === props.cutout.prop))
const isShown = (p: Prop) => shown.value?.hash === p.hash
</script>

<template>
  <span class="cutout">
    <BDropdown
      :variant="null"
      size="sm"
      no-caret
      strategy="fixed"
      teleport-to="body"
      toggle-class="plain swap"
      title="Show another picture; its motion stays"
    >
      <template #button-content><i class="bi bi-arrow-left-right" aria-hidden="true" /> Swap</template>
      <div class="pictures" data-offer>
        <BDropdownItemButton
          v-for="p in shelf"
          :key="p.hash"
          :active="isShown(p)"
          :data-swap="p.name"
          @click="intake.swap(p)"
        >
          <img :src="`/api/files/${p.hash}/small`" alt="" loading="lazy" />{{ p.name }}
        </BDropdownItemButton>
        <BDropdownText v-if="!shelf.length">No other cut-out is on the shelf.</BDropdownText>
      </div>
    </BDropdown>
    <IconButton
      v-if="shown"
      icon="scissors"
      label="Open it on the Bench"
      title="Cut it out, or mend its edge, on the Bench"
      @click="toBench.go([shown], layer.id)"
    />
    <IconButton
      icon="bounding-box-circles"
      label="Outline"
      :pressed="outlined"
      :disabled="!!layer.tracks.outline"
      :title="layer.tracks.outline ? 'The outline has keys; they are under Keys' : 'Outline'"
      @click="setOutline(outlined ? 0 : 14)"
    />
    <ColourDot
      brands="plain"
      v-if="outlined"
      label="Outline colour"
      :value="cutout.outline ?? '#ffffff'"
      @change="editor.run({ type: 'setLayer', layer: layer.id, set: { cutout: { outline: $event } } })"
    />
    <IconButton icon="shadows" label="Shadow" title="Shadow" :pressed="shadowed" @click="setShadow" />
  </span>
</template>

<style scoped>
.cutout {
  display: flex;
  align-items: center;
}

.pictures {
  max-height: 17rem;
  overflow: auto;
}

.pictures img {
  width: 34px;
  height: 34px;
  object-fit: contain;
  margin-right: 0.5rem;
}
</style>
