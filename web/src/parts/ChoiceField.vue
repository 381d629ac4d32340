<script setup lang="ts" generic="T extends string">
const props = defineProps<{
  label: string
  value: T
  options: readonly { readonly id: T; readonly name: string }[]
  bare?: boolean
}>()
const emit = defineEmits<{ change: [value: T] }>()

// The choice is shown when it has been taken; one that is refused is not.
function choose(event: Event) {
  const select = event.target as HTMLSelectElement
  const wanted = select.value as T
  select.value = props.value
  emit('change', wanted)
}
</script>

<template>
  <label class="choice">
    <span :class="{ 'visually-hidden': bare }">{{ label }}</span>
    <select class="form-select form-select-sm" :value="value" :aria-label="label" @change="choose">
      <option v-for="o in options" :key="o.id" :value="o.id">{{ o.name }}</option>
    </select>
  </label>
</template>

<style scoped>
.choice {
  display: grid;
  gap: 0.05rem;
  font-size: 0.78rem;
  min-width: 0;
}

select {
  font-size: 0.82rem;
  padding-top: 0.12rem;
  padding-bottom: 0.12rem;
  min-height: 0;
}
</style>
