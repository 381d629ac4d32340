<script setup lang="ts">
// A number with bounds that is seen while it is dragged.
defineProps<{ label: string; value: number; min: number; max: number; step: number; unit?: string }>()
const emit = defineEmits<{ change: [value: number]; settle: [] }>()
const said = (e: Event) => Number((e.target as HTMLInputElement).value)
</script>

<template>
  <label class="slider">
    <span class="name">{{ label }}</span>
    <span class="value">{{ value }}{{ unit ? ` ${unit}` : '' }}</span>
    <input
      type="range"
      :value="value"
      :min="min"
      :max="max"
      :step="step"
      :aria-label="label"
      @input="emit('change', said($event))"
      @change="emit('settle')"
    />
  </label>
</template>

<style scoped>
.slider {
  display: grid;
  grid-template-columns: 1fr auto;
  font-size: 0.8rem;
  line-height: 1.3;
}

.value {
  color: var(--harbour-soft);
}

input {
  grid-column: 1 / 3;
  width: 100%;
  min-height: 24px;
  margin: 0;
  accent-color: var(--kelp);
}
</style>
