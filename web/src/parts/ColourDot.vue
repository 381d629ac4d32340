<script setup lang="ts">
import BrandColours from './BrandColours.vue'
import { useStretch } from './useStretch'

// A colour as a dot that opens the browser's chooser: one stretch, as typing is. The brands'
// colours are offered beside it while the pointer or the focus is on it.
defineProps<{ label: string; value: string; brands?: '' | 'plain' | 'emphasis' }>()
const emit = defineEmits<{ change: [value: string] }>()
const stretch = useStretch(() => false)
const choose = (e: Event) => stretch.write(() => emit('change', (e.target as HTMLInputElement).value))
</script>

<template>
  <span class="with">
    <input
      type="color"
      class="dot"
      :value="value.slice(0, 7)"
      :aria-label="label"
      :title="label"
      @focus="stretch.begin"
      @input="choose"
      @change="stretch.settle"
    />
    <BrandColours
      v-if="brands"
      class="brands"
      :label="label"
      :emphasis="brands === 'emphasis'"
      @pick="emit('change', $event)"
    />
  </span>
</template>

<style scoped>
.dot {
  flex: none;
  width: 26px;
  height: 26px;
  padding: 3px;
  border: 0;
  background: none;
  border-radius: 6px;
}

.with {
  position: relative;
  flex: none;
  display: flex;
}

.brands {
  position: absolute;
  bottom: 100%;
  left: -4px;
  z-index: 5;
  width: max-content;
  visibility: hidden;
}

.with:is(:hover, :focus-within) > .brands {
  visibility: visible;
}

.dot::-webkit-color-swatch {
  border: 1px solid rgba(23, 63, 71, 0.4);
  border-radius: 50%;
}
</style>
