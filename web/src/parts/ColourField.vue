<script setup lang="ts">
import { useStretch } from './useStretch'
import { coloured } from './fields'
import BrandColours from './BrandColours.vue'
import TextField from './TextField.vue'

defineProps<{ label: string; value: string; bare?: boolean; emphasis?: boolean }>()
const emit = defineEmits<{ change: [value: string] }>()
const stretch = useStretch(() => false)

// The browser's own chooser is one stretch, as typing is.
const choose = (event: Event) => stretch.write(() => emit('change', (event.target as HTMLInputElement).value))
</script>

<template>
  <div class="colour">
    <span :class="{ 'visually-hidden': bare }">{{ label }}</span>
    <span class="both">
      <input
        type="color"
        :value="value.slice(0, 7)"
        :aria-label="label"
        @focus="stretch.begin"
        @input="choose"
        @change="stretch.settle"
      />
      <TextField
        :value="value"
        :label="`${label}, as #rrggbb`"
        :check="coloured"
        @change="emit('change', `#${$event.trim().replace('#', '')}`)"
      />
    </span>
    <BrandColours class="brands" :label="label" :emphasis="emphasis" @pick="emit('change', $event)" />
  </div>
</template>

<style scoped>
.colour {
  position: relative;
  display: grid;
  gap: 0.05rem;
  font-size: 0.78rem;
}

.both {
  display: flex;
  gap: 0.3rem;
}

input[type='color'] {
  flex: none;
  width: 30px;
  height: 26px;
  padding: 1px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: #fff;
}

/* They are reached with the pointer or with Tab, and otherwise take no room. */
.brands {
  position: absolute;
  top: 100%;
  left: 0;
  z-index: 5;
  visibility: hidden;
}

.colour:focus-within > .brands {
  visibility: visible;
}
</style>
