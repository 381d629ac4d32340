<script setup lang="ts">
import TextField from './TextField.vue'

defineProps<{ label: string; value: string; bare?: boolean }>()
const emit = defineEmits<{ change: [value: string] }>()

function typed(event: Event) {
  const input = event.target as HTMLInputElement
  emit('change', input.value.trim())
}
</script>

<template>
  <div class="colour">
    <span :class="{ 'visually-hidden': bare }">{{ label }}</span>
    <span class="both">
      <input type="color" :value="value.slice(0, 7)" :aria-label="label" @change="typed" />
      <TextField :value="value" :label="`${label}, as #rrggbb`" @change="emit('change', $event.trim())" />
    </span>
  </div>
</template>

<style scoped>
.colour {
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

.form-control {
  font-size: 0.8rem;
  padding: 0.12rem 0.35rem;
  min-height: 0;
}
</style>
