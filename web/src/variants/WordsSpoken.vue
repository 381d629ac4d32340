<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { languages } from '../gen/catalogue'
import { useEditor } from '../stores/editor'
import type { Layer } from '../types'
import ChoiceField from '../parts/ChoiceField.vue'
import TextField from '../parts/TextField.vue'

// The clip's texts in another language, beside those in its own.
const open = defineModel<boolean>({ required: true })
const props = defineProps<{ spoken: string[] }>()
const editor = useEditor()
const others = computed(() => props.spoken.filter((l) => l && l !== (editor.clip?.language || 'en')))
const language = ref('')
watch([open, others], () => others.value.includes(language.value) || (language.value = others.value[0] ?? ''), {
  immediate: true
})
const nameOf = (id: string) => languages.find((l) => l.id === id)?.name ?? id
const texts = computed(() => (editor.clip?.layers ?? []).filter((l) => l.words?.text.trim()))
// What is nothing but fields says the same in every language.
const needs = (l: Layer) => /\p{L}/u.test((l.words?.text ?? '').replace(/\{[^{}]*\}/g, ''))
const left = computed(() => texts.value.filter((l) => needs(l) && !l.words?.texts?.[language.value]).length)

const set = (layer: string, text: string) =>
  editor.run({ type: 'setLayer', layer, set: { words: { texts: { [language.value]: text } } } })
</script>

<template>
  <BModal v-model="open" title-tag="h2" title-class="h5" title="Texts in other languages" size="lg" no-footer>
    <ChoiceField
      v-if="others.length > 1"
      label="Language"
      :value="language"
      :options="others.map((id) => ({ id, name: nameOf(id) }))"
      @change="language = $event"
    />
    <p class="left" role="status">
      {{
        left
          ? `${left} of ${texts.length} texts are not in ${nameOf(language)} yet`
          : `All texts are in ${nameOf(language)}`
      }}
    </p>
    <ul class="list-unstyled">
      <li v-for="l in texts" :key="l.id">
        <p>
          <small>{{ l.name }}</small>
          <span>{{ l.words?.text }}</span>
        </p>
        <TextField
          :rows="2"
          :label="`${l.name} in ${nameOf(language)}`"
          :value="l.words?.texts?.[language] ?? ''"
          :placeholder="needs(l) ? nameOf(language) : 'The same in every language'"
          @change="set(l.id, $event)"
        />
      </li>
    </ul>
  </BModal>
</template>

<style scoped>
.left {
  color: var(--harbour-soft);
  margin: 0.3rem 0 0.6rem;
}

ul {
  max-height: 60vh;
  overflow: auto;
  margin: 0;
}

li {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.8rem;
  padding: 0.4rem 0;
  border-top: 1px solid var(--line);
}

p {
  margin: 0;
}

small {
  display: block;
  color: var(--harbour-soft);
}

span {
  white-space: pre-line;
}
</style>
