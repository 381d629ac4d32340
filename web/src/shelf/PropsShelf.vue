<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { onMounted, ref, watch } from 'vue'
import { useNotices } from '../stores/notices'
import { useDesk } from '../stores/desk'
import { kindIcon, offeredKinds } from '../words'
import PieceShelf from './PieceShelf.vue'
import ShelfFootage from './ShelfFootage.vue'
import ShelfFonts from './ShelfFonts.vue'
import ShelfTables from './ShelfTables.vue'
import ShelfPictures from './ShelfPictures.vue'
import StockShelf from './StockShelf.vue'
import ShelfTunes from './ShelfTunes.vue'
import { useCarry } from './useCarry'
import { usePropIntake } from './usePropIntake'
import { useShelf } from './useShelf'

const intake = usePropIntake()
const carry = useCarry()
const shelf = useShelf()
const { all, search, found, pictures, tunes, fonts, tables, unused, footage } = shelf
const picker = ref<HTMLInputElement | null>(null)
const panel = ref<HTMLElement | null>(null)

async function picked(event: Event) {
  const input = event.target as HTMLInputElement
  const files = [...(input.files ?? [])]
  input.value = ''
  await intake.take(files)
}

// Files that are let go over the shelf stay on it.
useEventListener(panel, 'drop', (e: DragEvent) => {
  const files = [...(e.dataTransfer?.files ?? [])]
  if (!files.length) return
  e.preventDefault()
  intake.bring(files).catch(useNotices().fail)
})

onMounted(shelf.load)
watch(intake.busy, (n) => n === 0 && shelf.load())

const desk = useDesk()
const sources = [
  { id: 'own', name: 'Yours' },
  { id: 'stock', name: 'Stock' }
] as const
const sketch = (way: 'hand' | 'points') => (desk.sketching = way)
</script>

<template>
  <div ref="panel">
    <div class="sources" role="group" aria-label="Where props come from">
      <button
        v-for="s in sources"
        :key="s.id"
        class="plain"
        :class="{ on: desk.source === s.id }"
        :aria-pressed="desk.source === s.id"
        @click="desk.source = s.id"
      >
        {{ s.name }}
      </button>
    </div>
    <StockShelf v-if="desk.source === 'stock'" />
    <template v-else>
      <BButton variant="outline-primary" size="sm" class="w-100" @click="picker?.click()">
        <i class="bi bi-plus-lg" aria-hidden="true" /> Bring in cut-outs, footage, drawings, tunes, fonts, tables of
        colours
      </BButton>
      <input
        ref="picker"
        type="file"
        multiple
        hidden
        aria-label="Files to bring in"
        accept=".mp4,.mov,.webm,.svg,.png,.webp,.jpg,.jpeg,.gif,.ora,.wav,.mp3,.ogg,.flac,.m4a,.ttf,.otf,.woff2,.cube"
        @change="picked"
      />
      <label class="at-once">
        <input v-model="intake.atOnce.value" type="checkbox" /> use a single file at once
        <span class="hint">several stay on the shelf, and so does what you drop here</span>
      </label>
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
        <button class="plain kind" title="A line or a blob, drawn by hand in the picture" @click="sketch('hand')">
          <i class="bi bi-pencil" aria-hidden="true" /> Draw
        </button>
        <button class="plain kind" title="A path, point by point in the picture" @click="sketch('points')">
          <i class="bi bi-vector-pen" aria-hidden="true" /> Points
        </button>
      </div>
      <h2>Ready pieces</h2>
      <PieceShelf />
      <div class="head">
        <h2>Cut-outs</h2>
        <input
          v-if="all.length > 6"
          v-model="search"
          type="search"
          placeholder="Find on the shelf"
          aria-label="Find on the shelf"
        />
      </div>
      <p v-if="!found.length && search" class="hint">Nothing on the shelf is called “{{ search }}”.</p>
      <p v-else-if="!pictures.length && !search" class="hint">Product pictures without their background go here.</p>
      <ShelfPictures :items="pictures" @remove="shelf.remove([$event])" />
      <template v-if="footage.length">
        <h2>Footage</h2>
        <ShelfFootage :items="footage" @remove="shelf.remove([$event])" />
      </template>
      <h2>Tunes</h2>
      <p v-if="!tunes.length && !search" class="hint">A tune gives the clip its beats.</p>
      <ShelfTunes :items="tunes" @remove="shelf.remove([$event])" />
      <template v-if="tables.length">
        <h2>Tables of colours</h2>
        <ShelfTables :items="tables" @remove="shelf.remove([$event])" />
      </template>
      <template v-if="fonts.length">
        <h2>Fonts</h2>
        <ShelfFonts :items="fonts" @remove="shelf.remove([$event])" />
      </template>
      <button v-if="unused.length > 1 && !search" class="plain hint" @click="shelf.remove(unused)">
        Take the {{ unused.length }} that no clip uses from the shelf
      </button>
    </template>
  </div>
</template>

<style scoped>
.sources {
  display: flex;
  gap: 0.2rem;
  margin-bottom: 0.5rem;
}

.sources button {
  border: 1px solid var(--line);
  border-radius: 999px;
  padding: 0.1rem 0.8rem;
  font-size: 0.84rem;
}

.sources .on {
  background: var(--harbour);
  color: var(--chalk);
}

.hint {
  color: var(--harbour-soft);
  font-size: 0.78rem;
  margin: 0.2rem 0 0;
}

.at-once {
  display: block;
  margin-top: 0.35rem;
  font-size: 0.82rem;
}

.at-once .hint {
  margin-left: 0.4rem;
}

.head {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 0.6rem;
}

.head input {
  width: 11rem;
  border: 1px solid var(--line);
  border-radius: 6px;
  padding: 0.1rem 0.5rem;
  font-size: 0.82rem;
}

.kinds {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
  gap: 0.25rem;
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
</style>
