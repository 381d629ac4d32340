<script setup lang="ts">
import type { Shelved } from '../api'
import { useToBench } from '../bench/useToBench'
import { useEditor } from '../stores/editor'
import FootageStrip from '../parts/FootageStrip.vue'
import PropMore from './PropMore.vue'
import { useCarry } from './useCarry'
import { usePropIntake } from './usePropIntake'

// Footage on the shelf: its picture moves as the pointer moves over it.
defineProps<{ items: Shelved[] }>()
const emit = defineEmits<{ remove: [item: Shelved] }>()
const editor = useEditor()
const intake = usePropIntake()
const carry = useCarry()
const toBench = useToBench()
</script>

<template>
  <ul class="list-unstyled footage">
    <li v-for="s in items" :key="s.prop.hash">
      <button
        class="plain place"
        draggable="true"
        :aria-label="`Place ${s.prop.name}`"
        :title="`Place ${s.prop.name}, or drag it to its place in the picture`"
        @dragstart="carry.carry($event, { prop: s.prop })"
        @click="intake.use(s.prop)"
      >
        <FootageStrip v-if="s.prop.picture" :hash="s.prop.hash" :w="s.prop.picture.w" :h="s.prop.picture.h" />
        <span>{{ s.prop.name }}</span>
        <small>{{ s.prop.footage?.seconds.toFixed(1) }} s</small>
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
        @put="intake.use(s.prop, undefined, 'cutout')"
        @remove="emit('remove', s)"
      />
    </li>
  </ul>
</template>

<style scoped>
.footage {
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

.place span {
  font-size: 0.74rem;
  line-height: 1.15;
}

.place small {
  font-size: 0.68rem;
  color: var(--harbour-soft);
  font-variant-numeric: tabular-nums;
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
