<script setup lang="ts">
import { computed, onMounted } from 'vue'
import { useBrands } from '../stores/brands'

// The colours of all brands, as dots beside a field that takes one. They show while it has
// the focus, which the pointer does not take from it.
// Emphasis takes what stands out first.
const props = defineProps<{ label: string; emphasis?: boolean }>()
const emit = defineEmits<{ pick: [colour: string] }>()
const brands = useBrands()
const offered = computed(() => (props.emphasis ? brands.accents : brands.colours))
onMounted(brands.load)
</script>

<template>
  <span v-if="offered.length" class="brand" data-offer role="group" :aria-label="`Brand colours for ${label}`">
    <button
      v-for="(c, i) in offered"
      :key="i"
      type="button"
      :style="{ background: c.colour }"
      :title="`${c.of}: ${c.colour}`"
      :aria-label="`${label}: ${c.colour} of ${c.of}`"
      @click="emit('pick', c.colour)"
    />
  </span>
</template>

<style scoped>
.brand {
  display: flex;
  flex-wrap: wrap;
  gap: 3px;
  padding: 4px;
  border-radius: 6px;
  background: var(--chalk);
  box-shadow: 0 2px 10px rgb(23 63 71 / 25%);
}

button {
  width: 18px;
  height: 18px;
  padding: 0;
  border: 1px solid rgb(23 63 71 / 35%);
  border-radius: 50%;
}
</style>
