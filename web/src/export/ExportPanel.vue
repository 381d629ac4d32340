<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { api } from '../api'
import SoundCredits from './SoundCredits.vue'
import { useLayeredFile } from './useLayeredFile'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { ExportPart } from '../types'
import { shapeName, shapeRatio } from '../words'

const layered = useLayeredFile()
const open = defineModel<boolean>({ required: true })
const editor = useEditor()
const notices = useNotices()
// The shapes that were chosen last for this clip; all of them at first.
const remembered = useLocalStorage<Record<string, string[]>>('billow-export-shapes', {})
const chosen = computed({
  get: () => remembered.value[editor.id] ?? shapes.value.map((s) => s.id),
  set: (list) => (remembered.value = { ...remembered.value, [editor.id]: list })
})
const quick = ref(false)
const silent = ref(false)
const parts = ref<ExportPart[]>([])
let events: EventSource | null = null

watch(open, (is) => {
  if (!is) return stop()
  events = new EventSource(`/api/clips/${editor.id}/exports/events`)
  events.onmessage = (e) => (parts.value = JSON.parse(e.data) as ExportPart[])
})

function stop() {
  events?.close()
  events = null
}

onBeforeUnmount(stop)

const shapes = computed(() => editor.clip?.shapes ?? [])
const sound = computed(() => {
  if (silent.value) return 'without sound'
  const name = editor.clip?.props.find((p) => p.id === editor.tune?.prop)?.name
  return name ? `with “${name}”` : 'without sound'
})
const wanted = computed(() => shapes.value.filter((s) => chosen.value.includes(s.id)).map((s) => s.id))
const groups = computed(() => {
  const byId = new Map<string, ExportPart[]>()
  for (const p of parts.value) byId.set(p.export, [...(byId.get(p.export) ?? []), p])
  return [...byId.entries()].slice(0, 4)
})

async function start() {
  try {
    await editor.outbox?.delivered()
    await api.export(editor.id, wanted.value, quick.value, silent.value)
  } catch (e) {
    notices.fail(e)
  }
}

const sounds = computed(() => editor.clip?.sounds?.length ?? 0)

// A file is made of what the server has: it waits for what is on its way.
async function settled(e: Event) {
  const link = e.currentTarget as HTMLAnchorElement
  if (!editor.outbox?.waiting.value) return
  e.preventDefault()
  await editor.outbox.delivered().catch(notices.fail)
  link.click()
}

const unfinished = (list: ExportPart[]) => list.some((p) => p.state === 'waiting' || p.state === 'running')

function left(p: ExportPart) {
  if (p.done < 3) return 'starting'
  const s = Math.ceil((p.elapsed / p.done) * (p.total - p.done))
  return s < 1 ? 'finishing' : `${s} s left`
}
</script>

<template>
  <BModal title-tag="h2" title-class="h5" v-model="open" title="Export" no-footer size="lg">
    <div class="shapes" role="group" aria-label="Shapes to export">
      <label v-for="s in shapes" :key="s.id" class="card-chalk shape">
        <input v-model="chosen" type="checkbox" :value="s.id" />
        <span class="outline" :style="{ aspectRatio: `${s.w}/${s.h}` }" />
        <strong>{{ shapeName(s.id) }}</strong>
        <small>{{ shapeRatio(s.id) }} {{ s.w }} × {{ s.h }}</small>
      </label>
    </div>
    <div class="go">
      <label class="quick" title="Made in less than half the time and smaller, for you to watch; not for posting">
        <input v-model="quick" type="checkbox" /> Quick look
      </label>
      <label v-if="sounds" class="quick"><input v-model="silent" type="checkbox" /> Without sound</label>
      <span>{{
        quick ? `Made faster, ${sound}; to be watched, not posted` : `MP4 ${sound}, and the poster frame as PNG`
      }}</span>
      <BButton class="btn-act" :variant="null" :disabled="!wanted.length" data-test="start-export" @click="start">
        Export {{ wanted.length }} {{ wanted.length === 1 ? 'shape' : 'shapes' }}
      </BButton>
    </div>
    <p v-if="sounds" class="alone">
      The sound by itself:
      <a :href="`/api/clips/${editor.id}/sound.wav`" download @click="settled">WAV</a>,
      <a :href="`/api/clips/${editor.id}/stems.zip`" download @click="settled">each sound as a WAV of its own</a>
    </p>
    <p class="alone">
      What is seen now, layer by layer, for programs that paint:
      <button class="plain" @click="layered.download()">OpenRaster</button>
    </p>
    <SoundCredits />
    <p v-if="!groups.length" class="none">Exports appear here. You may leave the page meanwhile.</p>
    <section v-for="[id, list] in groups" :key="id" class="group" :data-export="id">
      <h2>
        {{ new Date(list[0].created).toLocaleTimeString('en', { hour: '2-digit', minute: '2-digit' }) }}
        <small v-if="list[0].quick">quick look</small>
        <button v-if="unfinished(list)" class="plain" @click="api.cancel(id).catch(notices.fail)">Cancel</button>
      </h2>
      <div v-for="p in list" :key="p.shape" class="part" :data-shape="p.shape" :data-state="p.state">
        <strong>{{ shapeName(p.shape) }}</strong>
        <template v-if="p.state === 'running'">
          <progress :value="p.done" :max="p.total" :aria-label="`Progress of ${shapeName(p.shape)}`" />
          <span>{{ Math.floor((100 * p.done) / p.total) }}%, {{ left(p) }}</span>
        </template>
        <span v-else-if="p.state === 'waiting'" class="wide">Waiting for its turn</span>
        <span v-else-if="p.state === 'cancelled'" class="wide">Cancelled</span>
        <span v-else-if="p.state === 'failed'" class="wide wrong" role="alert">{{ p.error }}</span>
        <span v-else class="wide done">
          <i class="bi bi-check2" aria-hidden="true" /> Done
          <a :href="`/api/exports/${id}/${p.shape}.mp4`" download>Download the MP4</a>
          <a :href="`/api/exports/${id}/${p.shape}.png`" download>Poster PNG</a>
        </span>
      </div>
    </section>
  </BModal>
</template>

<style scoped>
.shapes {
  display: flex;
  gap: 0.7rem;
}

.shape {
  flex: 1;
  display: grid;
  justify-items: center;
  gap: 0.1rem;
  padding: 0.6rem;
  border: 1px solid var(--line);
  cursor: pointer;
}

.shape input {
  justify-self: start;
  accent-color: var(--kelp);
}

.outline {
  height: 44px;
  border: 2px solid var(--harbour);
  border-radius: 3px;
}

.go {
  display: flex;
  justify-content: space-between;
  align-items: center;
  margin: 0.9rem 0;
}

.alone {
  margin: -0.3rem 0 0.7rem;
  font-size: 0.85rem;
}

.none {
  color: var(--harbour-soft);
}

h2 {
  font-size: 0.85rem;
  display: flex;
  justify-content: space-between;
  border-top: 1px solid var(--line);
  padding-top: 0.5rem;
}

.part {
  display: grid;
  grid-template-columns: 90px 1fr 130px;
  gap: 0.8rem;
  align-items: center;
  padding: 0.15rem 0;
}

.wide {
  grid-column: 2 / 4;
}

.wide a {
  margin-left: 0.9rem;
  color: var(--harbour);
}

.done {
  color: var(--kelp-deep);
}

.wrong {
  color: #9c2f10;
}

progress {
  width: 100%;
  height: 8px;
  accent-color: var(--kelp);
}
</style>
