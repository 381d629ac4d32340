<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { api } from '../api'
import { useCarry } from './useCarry'
import { usePropIntake } from './usePropIntake'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Prop } from '../types'
import { kindIcon, offeredKinds } from '../words'

const editor = useEditor()
const intake = usePropIntake()
const carry = useCarry()
const picker = ref<HTMLInputElement | null>(null)
const shelf = ref<Prop[]>([])

const pictures = computed(() => shelf.value.filter((p) => p.kind === 'cutout'))
const tunes = computed(() => shelf.value.filter((p) => p.kind === 'tune'))
const tuneHash = computed(() => editor.clip?.props.find((p) => p.id === editor.tune?.prop)?.hash)

async function load() {
  try {
    shelf.value = await api.props()
  } catch (e) {
    useNotices().fail(e)
  }
}

async function picked(event: Event) {
  const input = event.target as HTMLInputElement
  const files = [...(input.files ?? [])]
  input.value = ''
  await intake.take(files)
}

onMounted(load)
watch(intake.busy, (n) => {
  if (n === 0) load()
})
</script>

<template>
  <div>
    <BButton
      variant="outline-primary"
      size="sm"
      class="w-100"
      :disabled="intake.busy.value > 0"
      @click="picker?.click()"
    >
      <i class="bi bi-plus-lg" aria-hidden="true" />
      {{ intake.busy.value ? 'Reading the file…' : 'Bring in a cut-out or a tune' }}
    </BButton>
    <input
      ref="picker"
      type="file"
      multiple
      hidden
      aria-label="Files to bring in"
      accept=".png,.webp,.jpg,.jpeg,.gif,.wav,.mp3,.ogg,.flac,.m4a"
      @change="picked"
    />
    <p class="hint">or drop files anywhere on the page</p>
    <h2>Put on the Tabletop</h2>
    <div class="kinds">
      <button
        v-for="k in offeredKinds"
        :key="k.id"
        class="plain kind"
        :title="k.says"
        draggable="true"
        @dragstart="carry.carry($event, { kind: k.id })"
        @click="carry.add(k.id)"
      >
        <i :class="kindIcon(k.id)" aria-hidden="true" /> {{ k.name }}
      </button>
    </div>
    <h2>Cut-outs</h2>
    <p v-if="!pictures.length" class="hint">Product pictures without their background go here.</p>
    <ul class="list-unstyled pictures">
      <li v-for="p in pictures" :key="p.hash">
        <button
          class="plain"
          draggable="true"
          :aria-label="`Place ${p.name}`"
          :title="`Place ${p.name}, or drag it to its place in the picture`"
          @dragstart="carry.carry($event, { prop: p })"
          @click="intake.use(p)"
        >
          <img :src="`/api/files/${p.hash}`" alt="" loading="lazy" />
          <span>{{ p.name }}</span>
        </button>
        <button
          v-if="editor.layer?.cutout"
          class="plain swap"
          :aria-label="`Swap ${editor.layer.name} for ${p.name}`"
          :title="`Show ${p.name} instead in ${editor.layer.name}; its motion stays`"
          @click="intake.swap(p)"
        >
          <i class="bi bi-arrow-left-right" aria-hidden="true" /> swap
        </button>
      </li>
    </ul>
    <h2>Tunes</h2>
    <p v-if="!tunes.length" class="hint">A tune gives the clip its beats.</p>
    <ul class="list-unstyled">
      <li v-for="p in tunes" :key="p.hash" class="tune">
        <button
          class="plain"
          :class="{ on: p.hash === tuneHash }"
          :title="`Lay ${p.name} under the clip`"
          @click="intake.use(p)"
        >
          <i class="bi bi-music-note-beamed" aria-hidden="true" />
          <span>{{ p.name }}</span>
          <small
            >{{ p.sound?.steady ? `${p.sound.tempo.bpm.toFixed(0)} BPM` : 'no beat' }} ·
            {{ p.sound?.seconds.toFixed(0) }} s</small
          >
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.hint {
  color: var(--harbour-soft);
  font-size: 0.78rem;
  margin: 0.2rem 0 0;
}

.kinds {
  display: grid;
  grid-template-columns: repeat(5, 1fr);
  gap: 0.25rem;
}

.pictures {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 0.35rem;
}

.kind {
  border: 1px solid var(--line);
  font-size: 0.74rem;
  padding: 0.2rem 0;
}

.kind i {
  display: block;
  font-size: 1.05rem;
}

.pictures button {
  display: grid;
  justify-items: center;
  width: 100%;
  padding: 0.25rem 0.1rem;
}

.swap {
  font-size: 0.72rem;
  color: var(--harbour-soft);
}

.pictures img {
  height: 60px;
  max-width: 100%;
  object-fit: contain;
}

.pictures span {
  font-size: 0.74rem;
  line-height: 1.15;
}

.tune button {
  display: flex;
  gap: 0.45rem;
  align-items: baseline;
  width: 100%;
  text-align: left;
}

.tune span {
  flex: 1;
}

.tune small {
  white-space: nowrap;
}
</style>
