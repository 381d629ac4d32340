<script setup lang="ts">
import { watchEffect } from 'vue'
import type { Shelved } from '../api'
import { useFontLooks } from '../parts/useFontLooks'
import { useOwnFonts } from '../stores/ownFonts'
import PropMore from './PropMore.vue'
import { usePropIntake } from './usePropIntake'

// A person's own fonts, each written in itself, and what its maker allows.
const props = defineProps<{ items: Shelved[] }>()
const emit = defineEmits<{ remove: [item: Shelved] }>()
const intake = usePropIntake()
const own = useOwnFonts()
const looks = useFontLooks()
watchEffect(() => props.items.forEach((s) => looks.show(s.prop.id, s.prop.hash)))
</script>

<template>
  <ul class="list-unstyled">
    <li v-for="s in items" :key="s.prop.hash">
      <button class="plain" :title="`Set the chosen words in ${s.prop.name}`" @click="intake.use(s.prop)">
        <span :style="looks.look(s.prop.id)">{{ s.prop.name }}</span>
        <small>{{ own.says(s.prop) }}</small>
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
  display: grid;
  flex: 1;
  text-align: left;
}

span {
  font-size: 1.15rem;
}
</style>
