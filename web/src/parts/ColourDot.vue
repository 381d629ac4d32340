<script setup lang="ts">
import { useStretch } from './useStretch'

// A colour as a dot that opens the browser's chooser: one stretch, as typing is.
defineProps<{ label: string; value: string }>()
const emit = defineEmits<{ change: [value: string] }>()
const stretch = useStretch(() => false)
const choose = (e: Event) => stretch.write(() => emit('change', (e.target as HTMLInputElement).value))
</script>

<template>
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

.dot::-webkit-color-swatch {
  border: 1px solid rgba(23, 63, 71, 0.4);
  border-radius: 50%;
}
</style>
