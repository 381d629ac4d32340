<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, type Revision } from '../api'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'

const open = defineModel<boolean>({ required: true })
const editor = useEditor()
const list = ref<Revision[]>([])
const more = ref(false)

async function load() {
  try {
    const got = await api.revisions(editor.id, list.value.at(-1)?.revision)
    list.value = [...list.value, ...got.revisions]
    more.value = got.more
  } catch (e) {
    useNotices().fail(e)
  }
}

watch(open, (is) => {
  if (!is) return
  list.value = []
  load()
})

async function restore(revision: number) {
  await editor.restore(revision)
  open.value = false
}
</script>

<template>
  <BModal title-tag="h2" title-class="h5" v-model="open" title="Revisions" ok-only ok-title="Close" scrollable>
    <p>Every change is kept. Going back to a revision is a change too, so nothing is lost.</p>
    <ol class="list-unstyled">
      <li v-for="(r, i) in list" :key="r.revision">
        <span class="n">{{ r.revision }}</span>
        <span class="flex-fill">{{ r.change }}</span>
        <time :datetime="r.at">{{
          new Date(r.at).toLocaleTimeString('en', { hour: '2-digit', minute: '2-digit' })
        }}</time>
        <em v-if="i === 0">now</em>
        <button v-else class="plain" :aria-label="`Go back to revision ${r.revision}`" @click="restore(r.revision)">
          Go back
        </button>
      </li>
    </ol>
    <button v-if="more" class="plain" @click="load">Show earlier revisions</button>
  </BModal>
</template>

<style scoped>
li {
  display: flex;
  gap: 0.8rem;
  align-items: center;
  padding: 0.2rem 0;
  border-bottom: 1px solid var(--line);
}

.n {
  width: 3rem;
  color: var(--harbour-soft);
}

time {
  color: var(--harbour-soft);
}

li > :last-child {
  width: 4.6rem;
}

em {
  text-align: center;
  color: var(--kelp-deep);
}
</style>
