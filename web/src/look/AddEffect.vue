<script setup lang="ts">
import { computed } from 'vue'
import { effects } from '../gen/catalogue'
import type { Effect } from './useLook'

// All effects that a layer does not have yet, group by group.
const props = defineProps<{ worn: readonly Effect[] }>()
const emit = defineEmits<{ add: [effect: Effect] }>()
const groups = computed(() => {
  const names = ['Light', 'Blur', 'Bend', 'Colour', 'Limits']
  const left = effects.filter((e) => !props.worn.includes(e))
  return names.map((name) => ({ name, list: left.filter((e) => e.group === name) })).filter((g) => g.list.length)
})
</script>

<template>
  <BDropdown
    variant="link"
    size="sm"
    no-caret
    lazy
    teleport-to="body"
    placement="bottom-end"
    toggle-class="plain-toggle add-effect"
    menu-class="effect-menu"
  >
    <template #button-content><i class="bi bi-plus-lg" aria-hidden="true" /> Add an effect</template>
    <template v-for="g in groups" :key="g.name">
      <BDropdownHeader>{{ g.name }}</BDropdownHeader>
      <BDropdownItem v-for="e in g.list" :key="e.name" :data-add-effect="e.name" @click="emit('add', e)">
        <b>{{ e.title }}</b> <small>{{ e.says }}</small>
      </BDropdownItem>
    </template>
  </BDropdown>
</template>

<style>
.effect-menu {
  max-height: min(70vh, 520px);
  overflow: auto;
  width: 340px;
  font-size: 0.85rem;
}

.effect-menu small {
  color: var(--harbour-soft);
}

.effect-menu .dropdown-item {
  white-space: normal;
  padding: 0.15rem 0.9rem;
}
</style>
