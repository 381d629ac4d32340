<script setup lang="ts">
import type { Shelved } from '../api'
import PropMore from './PropMore.vue'
import { usePropIntake } from './usePropIntake'

// Tables of colours, which give the chosen layer their look.
defineProps<{ items: Shelved[] }>()
const emit = defineEmits<{ remove: [item: Shelved] }>()
const intake = usePropIntake()
</script>

<template>
  <ul class="list-unstyled">
    <li v-for="s in items" :key="s.prop.hash">
      <button class="plain" :title="`Give the chosen layer the look of ${s.prop.name}`" @click="intake.use(s.prop)">
        <i class="bi bi-palette2" aria-hidden="true" /> {{ s.prop.name }}
        <small>{{ s.prop.table?.size }} points a side</small>
      </button>
      <PropMore :item="s" @remove="emit('remove', s)" />
    </li>
  </ul>
</template>

<style scoped>
li {
  display: flex;
  align-items: center;
}

button {
  flex: 1;
  text-align: left;
}

small {
  color: var(--harbour-soft);
}
</style>
