<script setup lang="ts">
import { computed, ref } from 'vue'
import { languages } from '../gen/catalogue'
import { useNotices } from '../stores/notices'
import { columnOf } from './columns'
import type { Range } from './useRange'

// Which columns are seen, and further ones: fields of the products' own, and what they are called
// in other languages.
const props = defineProps<{ range: Range }>()
const notices = useNotices()
const field = ref('')
const language = ref('')
const all = computed(() => props.range.all.value.filter((id) => id !== 'name').map(columnOf))

function add() {
  const id = field.value.trim()
  if (!id) return
  if (!/^[A-Za-z0-9_-]{1,40}$/.test(id))
    return notices.say(`A field’s name has letters, digits, - or _: “${id}” is none`, 'problem')
  props.range.show(id, true)
  field.value = ''
}

function speak() {
  if (!language.value) return
  for (const f of ['name', 'line']) props.range.show(`${f}@${language.value}`, true)
  language.value = ''
}
</script>

<template>
  <BDropdown size="sm" variant="outline-primary" text="Columns" lazy teleport-to="body" auto-close="outside">
    <div class="menu" data-offer>
      <label v-for="c in all" :key="c.id">
        <input
          type="checkbox"
          :checked="range.shown.value.includes(c.id)"
          @change="range.show(c.id, ($event.target as HTMLInputElement).checked)"
        />
        {{ c.name }}
      </label>
      <form class="more" @submit.prevent="add">
        <input
          v-model="field"
          class="form-control form-control-sm"
          placeholder="A field of your own"
          aria-label="Name of a field of your own"
          maxlength="40"
        />
        <button class="plain" type="submit" :disabled="!field.trim()">Add</button>
      </form>
      <form class="more" @submit.prevent="speak">
        <select v-model="language" class="form-select form-select-sm" aria-label="Names in another language">
          <option value="">Names in another language…</option>
          <option v-for="l in languages" :key="l.id" :value="l.id">{{ l.name }}</option>
        </select>
        <button class="plain" type="submit" :disabled="!language">Add</button>
      </form>
    </div>
  </BDropdown>
</template>

<style scoped>
.menu {
  width: 17rem;
  max-height: 60vh;
  overflow: auto;
  padding: 0.3rem 0.8rem;
}

.menu label {
  display: flex;
  gap: 0.5rem;
  padding: 0.1rem 0;
}

.more {
  display: flex;
  gap: 0.4rem;
  margin-top: 0.4rem;
}
</style>
