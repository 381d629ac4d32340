<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, type ClipSummary } from '../api'
import ChoiceField from '../parts/ChoiceField.vue'
import IconButton from '../parts/IconButton.vue'
import NewClip from './NewClip.vue'
import SessionsPanel from '../editor/SessionsPanel.vue'
import { useDoor } from '../stores/door'
import { useNotices } from '../stores/notices'
import { shapeName, shapeRatio } from '../words'

const router = useRouter()
const notices = useNotices()
const door = useDoor()
const listing = ref(false)
const clips = ref<ClipSummary[] | null>(null)
const creating = ref(false)
const deleting = ref<ClipSummary | null>(null)
const picker = ref<HTMLInputElement | null>(null)

const search = ref('')
const sort = ref('changed')
const total = ref(0)
const orders = [
  { id: 'changed', name: 'Last changed' },
  { id: 'name', name: 'By name' },
  { id: 'length', name: 'Longest first' }
]
let asked = 0
const away = ref(false) // the server does not answer; this is what the browser keeps

// load reads the list anew, as far as it was seen, or goes on with it.
async function load(more = false) {
  const mine = ++asked
  const seen = clips.value ?? []
  try {
    let list = more ? seen : []
    const wanted = more ? seen.length + 1 : Math.max(1, seen.length)
    do {
      const { said: got, kept } = await api.clips(search.value, sort.value, list.length)
      if (mine !== asked) return
      away.value = kept
      total.value = got.total
      list = [...list, ...got.clips]
      if (!got.clips.length) break
    } while (list.length < Math.min(wanted, total.value))
    clips.value = list
  } catch (e) {
    if (mine !== asked) return
    notices.fail(e)
    clips.value ??= []
  }
}

function find() {
  clips.value = clips.value && []
  load()
}

watchDebounced(search, find, { debounce: 200 })

async function importBundle(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  try {
    const { id } = await api.importBundle(file)
    router.push(`/clips/${id}`)
  } catch (e) {
    notices.fail(e)
  }
}

async function remove() {
  const clip = deleting.value
  deleting.value = null
  if (!clip) return
  try {
    await api.remove(clip.id)
  } catch (e) {
    notices.fail(e)
  }
  await load()
}

function when(iso: string) {
  return new Date(iso).toLocaleDateString('en', { day: 'numeric', month: 'long', hour: '2-digit', minute: '2-digit' })
}

onMounted(() => load())
</script>

<template>
  <div class="clips">
    <header>
      <img src="/icon.svg" width="34" height="34" alt="" />
      <h1>Clips</h1>
      <span class="flex-fill" />
      <BButton v-if="door.closed" variant="outline-primary" @click="listing = true">Who is signed in</BButton>
      <BButton variant="outline-primary" @click="picker?.click()">Import a bundle</BButton>
      <BButton class="btn-act" :variant="null" @click="creating = true">New clip</BButton>
      <input ref="picker" type="file" accept=".zip" hidden aria-label="Bundle to import" @change="importBundle" />
    </header>
    <main tabindex="-1">
      <div v-if="search || sort !== 'changed' || total > 1" class="find">
        <input
          v-model="search"
          type="search"
          placeholder="Find a clip by its name"
          aria-label="Find a clip by its name"
        />
        <ChoiceField
          bare
          label="Order of the clips"
          :value="sort"
          :options="orders"
          @change="((sort = $event), find())"
        />
        <span>{{ total === 1 ? '1 clip' : `${total} clips` }}</span>
      </div>
      <p v-if="away" class="away" role="status">
        Billow’s server does not answer. These are the clips that this browser keeps; those that were open here can be
        worked on, and what you do is sent when it is back.
        <button class="plain" @click="load()">Try again</button>
      </p>
      <p v-if="clips && !clips.length && search" class="hint">No clip is called “{{ search }}”.</p>
      <p v-else-if="clips && !clips.length" class="nothing card-chalk">
        No clips yet. Begin with a shape and a length; products and a tune come next.
        <BButton class="btn-act" :variant="null" @click="creating = true">New clip</BButton>
      </p>
      <ul v-if="clips" class="list-unstyled">
        <li v-for="c in clips" :key="c.id" class="clip card-chalk">
          <RouterLink :to="`/clips/${c.id}`" :aria-label="`Open ${c.name}`">
            <span class="poster">
              <img :src="`/api/clips/${c.id}/poster.png?r=${c.revision}`" :alt="`Poster frame of ${c.name}`" />
            </span>
            <strong>{{ c.name }}</strong>
          </RouterLink>
          <div class="facts">
            <span>{{ shapeName(c.shape.id) }} {{ shapeRatio(c.shape.id) }} · {{ c.length }} · {{ c.rate }} fps</span>
            <IconButton icon="trash3" :label="`Delete ${c.name}`" title="Delete" @click="deleting = c" />
          </div>
          <div class="facts">Changed {{ when(c.updated) }}</div>
        </li>
      </ul>
      <BButton v-if="clips && clips.length < total" variant="outline-primary" @click="load(true)">
        Show {{ Math.min(40, total - clips.length) }} more
      </BButton>
    </main>
    <NewClip v-model="creating" />
    <SessionsPanel v-model="listing" />
    <BModal
      title-tag="h2"
      title-class="h5"
      :model-value="deleting !== null"
      title="Delete this clip?"
      ok-title="Delete the clip"
      ok-variant="danger"
      cancel-title="Keep it"
      @ok="remove"
      @hidden="deleting = null"
    >
      “{{ deleting?.name }}” goes with all its revisions and exports. This cannot be undone.
    </BModal>
  </div>
</template>

<style scoped>
.clips {
  height: 100%;
  overflow: auto;
}

header {
  display: flex;
  align-items: center;
  gap: 0.75rem;
  padding: 1.2rem 2rem 0.6rem;
}

h1 {
  margin: 0;
  font-size: 1.9rem;
}

main {
  padding: 0.8rem 2rem 2rem;
}

ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(232px, 1fr));
  gap: 1.2rem;
}

.find {
  display: flex;
  gap: 0.6rem;
  align-items: center;
  margin-bottom: 1rem;
  color: var(--harbour-soft);
  font-size: 0.82rem;
}

.find input {
  width: 17rem;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--chalk);
  color: inherit;
  padding: 0.25rem 0.6rem;
}

.hint {
  color: var(--harbour-soft);
}

.away {
  max-width: 44rem;
  padding: 0.5rem 0.8rem;
  border-radius: 6px;
  background: #f6e7c8;
}

.clip {
  padding: 0.7rem 0.7rem 0.6rem;
}

.clip a {
  color: inherit;
  text-decoration: none;
}

.poster {
  display: flex;
  align-items: center;
  justify-content: center;
  height: 340px;
  padding: 14px;
  background: #828282;
  border-radius: 6px;
  overflow: hidden;
  margin-bottom: 0.6rem;
}

.poster img {
  max-width: 100%;
  max-height: 100%;
  box-shadow: 0 2px 10px rgba(0, 0, 0, 0.3);
}

strong {
  font-size: 1.05rem;
}

.facts {
  display: flex;
  align-items: center;
  justify-content: space-between;
  color: var(--harbour-soft);
  font-size: 0.8rem;
}

.nothing {
  max-width: 36rem;
  padding: 1.5rem;
  display: grid;
  gap: 1rem;
  justify-items: start;
}
</style>
