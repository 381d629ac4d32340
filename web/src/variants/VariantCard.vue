<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { languages } from '../gen/catalogue'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { shapeName } from '../words'

// Says that only one variant is worked on, and leads back to all of them.
const editor = useEditor()
const notices = useNotices()
const router = useRouter()
const product = computed(() => editor.clip?.products.find((p) => p.id === editor.variant?.product))
const language = computed(() => languages.find((l) => l.id === editor.variant?.language)?.name)

const back = () => router.push(`/clips/${editor.id}/variants`)
const all = () => editor.workOn(null).catch(notices.fail)
</script>

<template>
  <aside class="card" aria-label="One variant">
    <p>
      Only <strong>{{ product?.name }}</strong>
    </p>
    <p>
      {{ shapeName(editor.variant?.shape ?? '') }}<template v-if="language">, {{ language }}</template>
    </p>
    <p class="note">What you change here changes no other variant.</p>
    <BButton size="sm" variant="outline-primary" @click="back">Back to the variants</BButton>
    <button type="button" class="plain" @click="all">Work on all of them</button>
  </aside>
</template>

<style scoped>
.card {
  grid-area: proofs;
  align-self: start;
  margin: 0.5rem;
  padding: 0.6rem;
  border-radius: 6px;
  background: #dcebe4;
  font-size: 0.82rem;
  display: grid;
  gap: 0.3rem;
}

p {
  margin: 0;
}

.note {
  color: var(--harbour-soft);
}
</style>
