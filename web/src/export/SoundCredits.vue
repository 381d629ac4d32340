<script setup lang="ts">
import { computed, reactive, shallowRef, watch } from 'vue'
import { api } from '../api'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Credits } from '../types'

// What is to be said of those who made what the clip is made of, before it goes out.
const editor = useEditor()
const notices = useNotices()
const credits = shallowRef<Credits>({ lines: [], lacking: [] })
const said = reactive<Record<string, string>>({})

watch(
  () => editor.version,
  async () => {
    credits.value = await editor.ask('credits', null).catch(() => credits.value)
  },
  { immediate: true }
)

const text = computed(() => credits.value.lines.join('\n'))

async function copy() {
  try {
    await navigator.clipboard.writeText(text.value)
    notices.say('The credits are copied')
  } catch {
    notices.say('The browser does not let them be copied: mark the lines and copy them by hand', 'problem')
  }
}

async function say(prop: string) {
  const credit = said[prop]?.trim()
  if (!credit || !(await editor.run({ type: 'setCredit', prop, credit }))) return
  delete said[prop]
  // The next clip that uses it need not be told again. It may have left the shelf.
  const hash = editor.clip?.props.find((p) => p.id === prop)?.hash
  if (hash) await api.creditProp(hash, credit).catch(() => undefined)
}
</script>

<template>
  <div v-if="credits.lines.length || credits.lacking.length" class="credits">
    <form v-for="l in credits.lacking" :key="l.prop" class="lack" @submit.prevent="say(l.prop)">
      <label :for="`credit-${l.prop}`">
        <i class="bi bi-exclamation-triangle" aria-hidden="true" />
        Nobody has said who made “{{ l.name }}” and how it may be used
      </label>
      <input
        :id="`credit-${l.prop}`"
        v-model="said[l.prop]"
        class="form-control form-control-sm"
        placeholder="Its name, who made it, its licence, where it is from"
        maxlength="300"
      />
      <button class="plain" :disabled="!said[l.prop]?.trim()">Say it</button>
    </form>
    <template v-if="credits.lines.length">
      <ul aria-label="Credits">
        <li v-for="c in credits.lines" :key="c">{{ c }}</li>
      </ul>
      <button class="plain" @click="copy"><i class="bi bi-copy" aria-hidden="true" /> Copy the credits</button>
    </template>
  </div>
</template>

<style scoped>
.credits {
  margin: 0 0 0.9rem;
  padding: 0.5rem 0.7rem;
  border-radius: 6px;
  background: var(--sailcloth);
  font-size: 0.82rem;
}

.lack {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.2rem 0.4rem;
  margin-bottom: 0.4rem;
}

.lack label {
  grid-column: 1 / 3;
  color: #9c2f10;
}

ul {
  margin: 0 0 0.2rem;
  padding-left: 1.1rem;
}
</style>
