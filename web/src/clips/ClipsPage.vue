<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, type ClipSummary } from '../api'
import ChoiceField from '../parts/ChoiceField.vue'
import AnotherProduct from './AnotherProduct.vue'
import ClipCard from './ClipCard.vue'
import NewClip from './NewClip.vue'
import StarterTiles from './StarterTiles.vue'
import { useClipList } from './useClipList'
import BrandPanel from '../brand/BrandPanel.vue'
import SessionsPanel from '../editor/SessionsPanel.vue'
import { useDoor } from '../stores/door'
import { useNotices } from '../stores/notices'

const router = useRouter()
const notices = useNotices()
const door = useDoor()
const listing = ref(false)
const branding = ref(false)
const creating = ref(false)
const another = ref<ClipSummary | null>(null)
const picker = ref<HTMLInputElement | null>(null)

const { clips, search, sort, deleted, total, gone, away, load, find, showDeleted } = useClipList()
const orders = [
  { id: 'changed', name: 'Last changed' },
  { id: 'name', name: 'By name' },
  { id: 'length', name: 'Longest first' }
]

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

// doing does something with a clip and shows what has become of the list.
async function doing(what: () => Promise<unknown>) {
  try {
    await what()
  } catch (e) {
    notices.fail(e)
  }
  await load()
}

const duplicate = (c: ClipSummary) => doing(() => api.copy(c.id, `${c.name}, again`.slice(0, 120), []))
const takeBack = (c: ClipSummary) => doing(() => api.returnClip(c.id))

const remove = (c: ClipSummary) =>
  doing(async () => {
    await api.remove(c.id)
    notices.say(`${c.name} is deleted`, 'done', { label: 'Take it back', run: () => takeBack(c) })
  })

onMounted(() => load())
</script>

<template>
  <div class="clips">
    <header>
      <img src="/icon.svg" width="34" height="34" alt="" />
      <h1>Clips</h1>
      <span class="flex-fill" />
      <BButton v-if="door.closed" variant="outline-primary" @click="listing = true">Who is signed in</BButton>
      <BButton variant="outline-primary" @click="branding = true">Brand</BButton>
      <BButton variant="outline-primary" @click="picker?.click()">Import a bundle</BButton>
      <BButton class="btn-act" :variant="null" @click="creating = true">New clip</BButton>
      <input ref="picker" type="file" accept=".zip" hidden aria-label="Bundle to import" @change="importBundle" />
    </header>
    <main tabindex="-1">
      <h2 v-if="deleted" class="deleted">
        Deleted clips
        <BButton size="sm" variant="outline-primary" @click="showDeleted(false)">Back to the clips</BButton>
      </h2>
      <p v-if="deleted" class="hint">A clip can be taken back for about a month.</p>
      <div v-else-if="search || sort !== 'changed' || total > 1 || gone" class="find">
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
        <span class="flex-fill" />
        <button v-if="gone" class="plain" @click="showDeleted(true)">
          <i class="bi bi-trash3" aria-hidden="true" /> {{ gone }} deleted
        </button>
      </div>
      <p v-if="away" class="away" role="status">
        Billow’s server does not answer. These are the clips that this browser keeps; those that were open here can be
        worked on, and what you do is sent when it is back.
        <button class="plain" @click="load()">Try again</button>
      </p>
      <p v-if="clips && !clips.length && search" class="hint">No clip is called “{{ search }}”.</p>
      <p v-else-if="clips && !clips.length && !deleted" class="nothing card-chalk">
        No clips yet. Begin with a shape and a length; products and a tune come next.
        <BButton class="btn-act" :variant="null" @click="creating = true">New clip</BButton>
      </p>
      <ul v-if="clips" class="list-unstyled">
        <li v-for="c in clips" :key="c.id">
          <ClipCard
            :clip="c"
            :deleted="deleted"
            @duplicate="duplicate(c)"
            @another="another = c"
            @remove="remove(c)"
            @take-back="takeBack(c)"
          />
        </li>
      </ul>
      <BButton v-if="clips && clips.length < total" variant="outline-primary" @click="load(true)">
        Show {{ Math.min(40, total - clips.length) }} more
      </BButton>
      <StarterTiles v-if="clips && !deleted && !search" />
    </main>
    <NewClip v-model="creating" />
    <BrandPanel v-model="branding" />
    <SessionsPanel v-model="listing" />
    <AnotherProduct :clip="another" @done="another = null" />
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

.deleted {
  display: flex;
  gap: 1rem;
  align-items: center;
  font-size: 1.2rem;
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

.nothing {
  max-width: 36rem;
  padding: 1.5rem;
  display: grid;
  gap: 1rem;
  justify-items: start;
}
</style>
