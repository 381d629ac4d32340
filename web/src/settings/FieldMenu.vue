<script setup lang="ts">
import { ref, watch } from 'vue'
import { useEditor } from '../stores/editor'
import type { Product } from '../types'

// What words can show of a product, with what that is now.
const props = defineProps<{ product?: Product }>()
const emit = defineEmits<{ put: [field: string] }>()
const editor = useEditor()
const says = ref<Record<string, string>>({})

const always = [
  { id: 'name', name: 'Name' },
  { id: 'first', name: 'First half of the name' },
  { id: 'second', name: 'Second half of the name' },
  { id: 'line', name: 'Highlight' },
  { id: 'price', name: 'Price' },
  { id: 'old', name: 'Old price' },
  { id: 'percent', name: 'Percentage off' },
  { id: 'saving', name: 'What is saved' },
  { id: 'lowest', name: 'Lowest price of 30 days' },
  { id: 'deal', name: 'Deal' },
  { id: 'dealeach', name: 'Each, in the deal' },
  { id: 'contents', name: 'Contents' },
  { id: 'base', name: 'Base price' },
  { id: 'web', name: 'Web address' }
]

watch(
  () => [props.product, editor.clip?.language],
  async () => {
    const id = props.product?.id
    says.value = id ? ((await editor.ask('filledFields', id).catch(() => ({}))) as Record<string, string>) : {}
  },
  { immediate: true }
)
</script>

<template>
  <BDropdown size="sm" variant="link" toggle-class="plain-toggle" lazy teleport-to="body">
    <template #button-content><span>Put in a price or a name</span></template>
    <BDropdownItem v-for="f in always" :key="f.id" @click="emit('put', f.id)">
      <span class="field">{{ f.name }}</span> <small>{{ says[f.id] }}</small>
    </BDropdownItem>
    <BDropdownItem v-for="(text, name) in product?.fields ?? {}" :key="name" @click="emit('put', String(name))">
      <span class="field">{{ name }}</span> <small>{{ text }}</small>
    </BDropdownItem>
  </BDropdown>
</template>

<style scoped>
.field {
  display: inline-block;
  min-width: 11rem;
}

small {
  color: var(--harbour-soft);
}
</style>
