<script setup lang="ts">
import type { Shelved } from '../api'
import { useToBench } from '../bench/useToBench'
import { useEditor } from '../stores/editor'
import { useBrands } from '../stores/brands'
import PropMore from './PropMore.vue'
import { useCarry } from './useCarry'
import { usePropIntake } from './usePropIntake'

defineProps<{ items: Shelved[] }>()
const emit = defineEmits<{ remove: [item: Shelved] }>()
const editor = useEditor()
const intake = usePropIntake()
const carry = useCarry()
const toBench = useToBench()
const brands = useBrands()
</script>

<template>
  <ul class="list-unstyled pictures">
    <li v-for="s in items" :key="s.prop.hash">
      <button
        class="plain place"
        draggable="true"
        :aria-label="`Place ${s.prop.name}${s.opaque ? ' with its background' : ''}`"
        :title="`Place ${s.prop.name}, or drag it to its place in the picture`"
        @dragstart="carry.carry($event, { prop: s.prop })"
        @click="intake.use(s.prop)"
      >
        <img :src="`/api/files/${s.prop.hash}/small`" alt="" loading="lazy" />
        <span>{{ s.prop.name }}</span>
        <small v-if="brands.logos.get(s.prop.hash)">{{ brands.logos.get(s.prop.hash) }}</small>
        <small v-if="s.opaque" title="No pixel of it is transparent: it covers what lies behind it, like a photo">
          <i class="bi bi-image" aria-hidden="true" /> with its background
        </small>
      </button>
      <button
        v-if="editor.layer?.cutout"
        class="plain swap"
        :aria-label="`Swap ${editor.layer.name} for ${s.prop.name}`"
        :title="`Show ${s.prop.name} instead in ${editor.layer.name}; its motion stays`"
        @click="intake.swap(s.prop)"
      >
        <i class="bi bi-arrow-left-right" aria-hidden="true" /> swap
      </button>
      <PropMore
        class="about"
        :item="s"
        @bench="toBench.go([s.prop])"
        @lay="intake.use(s.prop, undefined, 'photo')"
        @apart="intake.takeApart(s.prop)"
        @remove="emit('remove', s)"
      />
    </li>
  </ul>
</template>

<style scoped>
.pictures {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
  gap: 0.35rem;
}

li {
  position: relative;
}

.place {
  display: grid;
  justify-items: center;
  width: 100%;
  padding: 0.25rem 0.1rem;
}

img {
  height: 60px;
  max-width: 100%;
  object-fit: contain;
}

.place span {
  font-size: 0.74rem;
  line-height: 1.15;
}

.place small {
  font-size: 0.68rem;
  color: var(--brass-deep);
}

.swap {
  display: block;
  margin: 0 auto;
  font-size: 0.72rem;
  color: var(--harbour-soft);
}

.about {
  position: absolute;
  top: 0;
  right: 0;
  opacity: 0;
}

li:hover .about,
li:focus-within .about {
  opacity: 1;
}
</style>
