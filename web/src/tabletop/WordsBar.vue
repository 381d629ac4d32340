<script setup lang="ts">
import { computed } from 'vue'
import { useEditor } from '../stores/editor'
import { useWriting } from '../stores/writing'
import type { Layer, Words } from '../types'
import { productSlot } from '../words'
import ColourDot from '../parts/ColourDot.vue'
import IconButton from '../parts/IconButton.vue'
import { alignWords } from './alignWords'

// What words need most: in the selected letters while they are written, else in
// all of them.
const props = defineProps<{ layer: Layer; words: Words }>()
const editor = useEditor()
const writing = useWriting()
const inside = computed(() => writing.layer === props.layer.id)
const set = (words: Partial<Words>) => editor.run({ type: 'setLayer', layer: props.layer.id, set: { words } })

const aligns = [
  { id: 'left', name: 'Lines begin at the left', icon: 'text-left' },
  { id: 'centre', name: 'Lines stand in the middle', icon: 'text-center' },
  { id: 'right', name: 'Lines end at the right', icon: 'text-right' }
] as const
const align = computed(() => aligns.find((a) => a.id === props.words.align) ?? aligns[1])
const next = () => alignWords(props.layer.id, aligns[(aligns.indexOf(align.value) + 1) % aligns.length].id)

// The size of the selected letters is a share of all; that of all is their rest's.
const rest = computed(() => props.layer.rests?.[editor.shape] ?? props.layer.rest)
const size = computed(() => (inside.value ? (writing.look?.size ?? 100) : rest.value.size))
function grow(factor: number) {
  const to = Math.max(1, Math.round(size.value * factor))
  if (inside.value) return writing.style({ size: Math.max(10, Math.min(1000, Math.round(to / 5) * 5)) })
  return editor.run({ type: 'setRest', layer: props.layer.id, shape: editor.shape, set: { size: to } })
}

const fill = computed(() => (inside.value ? (writing.look?.fill ?? props.words.fill) : props.words.fill))

const products = computed(() => [
  { id: '', name: 'No product' },
  { id: productSlot, name: 'The one of its scene or clip' },
  ...(editor.clip?.products.map((p) => ({ id: p.id, name: p.name })) ?? [])
])
const speaks = computed(() => props.words.text.includes('{') || !!props.words.product)
</script>

<template>
  <span class="words">
    <IconButton icon="dash-lg" :label="inside ? 'Letters smaller' : 'Smaller'" title="Smaller" @click="grow(1 / 1.1)" />
    <span class="size" :title="inside ? 'Size of these letters, of all' : 'Size'">
      {{ Math.round(size) }}{{ inside ? '%' : '' }}
    </span>
    <IconButton icon="plus-lg" :label="inside ? 'Letters larger' : 'Larger'" title="Larger" @click="grow(1.1)" />
    <ColourDot
      v-if="inside || !words.gradient"
      :label="inside ? 'Colour of these letters' : 'Colour'"
      :value="fill"
      :brands="inside ? 'emphasis' : 'plain'"
      @change="inside ? writing.style({ fill: $event }) : set({ fill: $event })"
    />
    <template v-if="inside">
      <IconButton
        v-if="writing.look?.bolder || writing.look?.bold"
        icon="type-bold"
        label="Bold"
        :pressed="writing.look?.bold ?? false"
        title="Bold (Ctrl B)"
        @click="writing.style({ bold: !writing.look?.bold })"
      />
      <button
        class="plain emphasis"
        :class="{ on: writing.look?.emphasis }"
        :aria-pressed="writing.look?.emphasis ?? false"
        title="Emphasis: the words' second colour and font (Ctrl E)"
        @click="writing.style({ emphasis: !writing.look?.emphasis })"
      >
        Emphasis
      </button>
      <IconButton
        icon="type-strikethrough"
        label="Struck out"
        title="Struck out"
        :pressed="writing.look?.struck ?? false"
        @click="writing.style({ struck: !writing.look?.struck })"
      />
      <IconButton icon="check-lg" label="Done" title="Done (Ctrl Enter)" @click="writing.end()" />
    </template>
    <template v-else>
      <IconButton
        icon="pencil"
        label="Write in it"
        title="Write in it (Enter, or double-click)"
        @click="writing.begin(layer)"
      />
      <IconButton :icon="align.icon" :label="align.name" :title="`${align.name}; press for the next`" @click="next" />
      <select
        v-if="speaks"
        class="form-select form-select-sm"
        aria-label="Product that the words speak of"
        title="Product that the words speak of"
        :value="words.product ?? ''"
        @change="set({ product: ($event.target as HTMLSelectElement).value })"
      >
        <option v-for="p in products" :key="p.id" :value="p.id">{{ p.name }}</option>
      </select>
    </template>
  </span>
</template>

<style scoped>
.words {
  display: flex;
  align-items: center;
  gap: 0.1rem;
}

.size {
  min-width: 2.1rem;
  text-align: center;
  font-size: 0.78rem;
}

.emphasis {
  font-size: 0.78rem;
}

select {
  width: 7.2rem;
  font-size: 0.78rem;
  padding: 0.1rem 1.4rem 0.1rem 0.35rem;
  background-position: right 0.3rem center;
  min-height: 0;
}
</style>
