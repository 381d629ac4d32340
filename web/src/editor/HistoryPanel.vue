<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, type Stretch } from '../api'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import CompareRevision from './CompareRevision.vue'
import StretchRow from './StretchRow.vue'

// The history of the clip by stretches of work, and how one of them looked beside
// how the clip looks now.
const open = defineModel<boolean>({ required: true })
const editor = useEditor()
const list = ref<Stretch[]>([])
const more = ref(false)
const compared = ref(0) // a revision

async function load() {
  try {
    const got = await api.stretches(editor.id, list.value.at(-1)?.first)
    list.value = [...list.value, ...got.stretches]
    more.value = got.more
  } catch (e) {
    useNotices().fail(e)
  }
}

watch(open, async (is) => {
  compared.value = 0
  list.value = []
  if (!is) return
  await editor.quiet()
  await load()
})

async function restore(revision: number) {
  await editor.restore(revision)
  open.value = false
}

async function name(stretch: Stretch, text: string) {
  try {
    await api.nameRevision(editor.id, stretch.last, text)
    stretch.name = text
  } catch (e) {
    useNotices().fail(e)
  }
}
</script>

<template>
  <BModal
    title-tag="h2"
    title-class="h5"
    v-model="open"
    title="Revisions"
    size="xl"
    no-animation
    ok-only
    ok-title="Close"
    scrollable
  >
    <div class="history" :class="{ beside: compared }">
      <div>
        <p>Every change is kept. Going back is a change too, so nothing is lost.</p>
        <ol class="list-unstyled">
          <StretchRow
            v-for="(s, i) in list"
            :key="s.last"
            :stretch="s"
            :now="i === 0"
            :compared="compared === s.last"
            @compare="compared = compared === s.last ? 0 : s.last"
            @restore="restore"
            @name="name(s, $event)"
          />
        </ol>
        <button v-if="more" class="plain" @click="load">Show what was before</button>
      </div>
      <CompareRevision v-if="compared" :key="compared" :revision="compared" @restore="restore(compared)" />
    </div>
  </BModal>
</template>

<style scoped>
.history.beside {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 620px;
  gap: 1.4rem;
}
</style>
