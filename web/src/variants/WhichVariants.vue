<script setup lang="ts">
import { computed, ref } from 'vue'
import { languages } from '../gen/catalogue'
import { useEditor } from '../stores/editor'
import { shapeName } from '../words'
import TextField from '../parts/TextField.vue'
import WordsSpoken from './WordsSpoken.vue'
import type { Variants } from './useVariants'

// Of which products, shapes and languages there are variants, and how their files are called.
const props = defineProps<{ variants: Variants }>()
const editor = useEditor()
const finding = ref('')
const translating = ref(false)
const products = computed(() => editor.clip?.products ?? [])
const found = computed(() => {
  const text = finding.value.trim().toLowerCase()
  return text ? products.value.filter((p) => p.name.toLowerCase().includes(text)) : products.value
})
const chosen = computed(() => new Set(props.variants.wanted.value?.products ?? []))
const shapes = computed(() => editor.clip?.shapes ?? [])
const spoken = computed(() => props.variants.languages.value)
const nameOf = (id: string) => languages.find((l) => l.id === (id || editor.clip?.language || 'en'))?.name ?? id
const set = (values: { products?: string[]; shapes?: string[]; languages?: string[]; files?: string }) =>
  editor.run({ type: 'setVariants', ...values })

// In the order of the range, whichever was chosen first.
const choose = (ids: Set<string>) => set({ products: products.value.map((p) => p.id).filter((id) => ids.has(id)) })

function toggle(id: string) {
  const ids = new Set(chosen.value)
  if (!ids.delete(id)) ids.add(id)
  choose(ids)
}

function shape(id: string) {
  const now = props.variants.shapes.value.map((s) => s.id)
  const next = shapes.value.map((s) => s.id).filter((s) => (s === id ? !now.includes(s) : now.includes(s)))
  if (next.length) set({ shapes: next })
}

function speak(e: Event) {
  const select = e.target as HTMLSelectElement
  const id = select.value
  select.value = '+'
  if (!spoken.value.includes(id)) set({ languages: [...spoken.value, id] })
}

function silence(id: string) {
  const left = spoken.value.filter((l) => l !== id)
  set({ languages: left.length ? left : [''] })
}
</script>

<template>
  <BDropdown size="sm" variant="outline-primary" lazy teleport-to="body" auto-close="outside">
    <template #button-content>{{ chosen.size }} of {{ products.length }} products</template>
    <div class="menu" data-offer>
      <input
        v-if="products.length > 8"
        v-model="finding"
        class="form-control form-control-sm"
        type="search"
        placeholder="Find a product"
        aria-label="Find a product for the variants"
      />
      <p class="many">
        <button type="button" class="plain" @click="choose(new Set([...chosen, ...found.map((p) => p.id)]))">
          All {{ finding ? 'that were found' : '' }}
        </button>
        <button type="button" class="plain" @click="choose(new Set())">None</button>
      </p>
      <label v-for="p in found.slice(0, 300)" :key="p.id">
        <input type="checkbox" :checked="chosen.has(p.id)" @change="toggle(p.id)" /> {{ p.name }}
      </label>
    </div>
  </BDropdown>
  <BDropdown size="sm" variant="outline-primary" lazy teleport-to="body" auto-close="outside">
    <template #button-content>{{ variants.shapes.value.map((s) => shapeName(s.id)).join(', ') }}</template>
    <div class="menu" data-offer>
      <label v-for="s in shapes" :key="s.id">
        <input type="checkbox" :checked="variants.shapes.value.includes(s)" @change="shape(s.id)" />
        {{ shapeName(s.id) }}
      </label>
      <p class="note">Further shapes are added to the clip under Tabletop, in its settings.</p>
    </div>
  </BDropdown>
  <BDropdown size="sm" variant="outline-primary" lazy teleport-to="body" auto-close="outside">
    <template #button-content>{{ spoken.map(nameOf).join(', ') }}</template>
    <div class="menu" data-offer>
      <p v-for="l in spoken" :key="l" class="spoken">
        {{ nameOf(l) }}<template v-if="!l">, the clip’s own</template>
        <button
          v-if="spoken.length > 1"
          type="button"
          class="plain"
          :aria-label="`No variants in ${nameOf(l)}`"
          @click="silence(l)"
        >
          <i class="bi bi-x-lg" aria-hidden="true" />
        </button>
      </p>
      <select class="form-select form-select-sm" aria-label="Another language for the variants" @change="speak">
        <option value="+">Another language…</option>
        <option v-if="!spoken.includes('')" value="">{{ nameOf('') }}, the clip’s own</option>
        <option v-for="l in languages.filter((l) => !spoken.includes(l.id))" :key="l.id" :value="l.id">
          {{ l.name }}
        </option>
      </select>
      <button
        v-if="spoken.some((l) => l)"
        type="button"
        class="btn btn-sm btn-outline-primary translate"
        @click="translating = true"
      >
        Texts in other languages…
      </button>
      <p class="note">
        Prices take that language’s form. What products are called there is said in the range, under Columns.
      </p>
    </div>
  </BDropdown>
  <WordsSpoken v-model="translating" :spoken="spoken" />
  <label class="files" title="{name}, {shape}, {language}, {price}, {id} and the products’ own fields">
    Files
    <TextField
      label="How files are called"
      whole
      :value="variants.wanted.value?.files || '{name}-{shape}'"
      @change="set({ files: $event })"
    />
  </label>
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

.many,
.spoken {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  margin: 0.2rem 0;
}

.translate {
  margin-top: 0.5rem;
}

.note {
  margin: 0.5rem 0 0;
  font-size: 0.78rem;
  color: var(--harbour-soft);
}

.files {
  display: flex;
  align-items: center;
  gap: 0.4rem;
  font-size: 0.82rem;
  width: 13.5rem;
}
</style>
