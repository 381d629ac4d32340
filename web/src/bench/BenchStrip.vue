<script setup lang="ts">
import { ref } from 'vue'
import type { PhotoCut } from '../api'
import { usePhotos } from './usePhotos'
import { useBenched } from '../stores/bench'
import { useNotices } from '../stores/notices'

// The photos on the Bench: those that wait, those that were cut, those that need a look.
defineProps<{ open: string }>()
const emit = defineEmits<{ choose: [id: string] }>()
const bench = useBenched()
const notices = useNotices()
const photos = usePhotos()
const picker = ref<HTMLInputElement | null>(null)

const accepted = '.png,.jpg,.jpeg,.webp,.gif,.mp4,.mov,.webm,.mkv,.avi'

async function picked(e: Event) {
  const input = e.target as HTMLInputElement
  const files = [...(input.files ?? [])]
  input.value = ''
  const laid = await photos.bring(files).catch(notices.fail)
  if (laid?.length) emit('choose', laid[0].id)
}

defineExpose({ pick: () => picker.value?.click() })

function state(c: PhotoCut) {
  const going = bench.going[c.id]
  if (going) return { text: `being cut… ${Math.round(100 * going.share)} %`, icon: 'hourglass-split', tone: '' }
  if (bench.making.includes(c.id)) return { text: 'being cut…', icon: 'hourglass-split', tone: '' }
  if (!c.result) return { text: 'not cut yet', icon: 'image', tone: '' }
  if (c.needsLook) return { text: 'needs a look', icon: 'eye', tone: 'look' }
  if (c.changed) return { text: 'changed since', icon: 'pencil', tone: 'look' }
  return { text: 'cut out', icon: 'check2', tone: 'done' }
}

async function remove(c: PhotoCut) {
  await bench.remove(c)
  if (bench.cuts.length) emit('choose', bench.cuts[0].id)
}
</script>

<template>
  <div class="strip">
    <div class="acts">
      <BButton variant="outline-primary" size="sm" @click="picker?.click()">
        <i class="bi bi-plus-lg" aria-hidden="true" /> Bring in photos, footage
      </BButton>
      <input
        ref="picker"
        type="file"
        multiple
        hidden
        :accept="accepted"
        aria-label="Photos and footage for the Bench"
        @change="picked"
      />
      <BButton v-if="bench.uncut.length > 1" variant="primary" size="sm" @click="bench.makeAll(bench.uncut)">
        Cut out all {{ bench.uncut.length }}
      </BButton>
      <span v-else-if="bench.making.length" class="hint" role="status">{{ bench.making.length }} being cut…</span>
    </div>
    <ul class="list-unstyled" aria-label="Photos on the Bench">
      <li v-for="c in bench.cuts" :key="c.id">
        <button
          class="plain one"
          :class="{ here: c.id === open }"
          :aria-current="c.id === open ? 'true' : undefined"
          :title="c.name"
          @click="emit('choose', c.id)"
        >
          <img :src="`/api/files/${c.result ?? c.photo}/small`" alt="" loading="lazy" />
          <span class="name">{{ c.name }}</span>
          <span class="state" :class="state(c).tone">
            <i :class="`bi bi-${state(c).icon}`" aria-hidden="true" /> {{ state(c).text }}
          </span>
        </button>
        <button
          class="plain off"
          :aria-label="`Take ${c.name} off the Bench`"
          title="Take it off the Bench"
          @click="remove(c)"
        >
          <i class="bi bi-x" aria-hidden="true" />
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.strip {
  display: flex;
  gap: 0.7rem;
  padding: 0.4rem 0.9rem;
  border-top: 1px solid var(--line);
  min-width: 0;
}

.acts {
  display: grid;
  align-content: center;
  gap: 0.3rem;
  flex-shrink: 0;
}

ul {
  display: flex;
  gap: 0.3rem;
  margin: 0;
  overflow-x: auto;
  min-width: 0;
}

li {
  position: relative;
  flex-shrink: 0;
}

.one {
  display: grid;
  grid-template: 'img name' 1fr 'img state' 1fr / 52px 6.4rem;
  column-gap: 0.4rem;
  align-items: center;
  text-align: left;
  padding: 0.2rem 0.3rem;
  border: 1px solid transparent;
}

.one.here {
  background: var(--chalk);
  border-color: var(--line);
  box-shadow: inset 0 -2px var(--kelp);
}

img {
  grid-area: img;
  width: 52px;
  height: 52px;
  object-fit: contain;
}

.name {
  align-self: end;
  font-size: 0.8rem;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.state,
.hint {
  align-self: start;
  font-size: 0.74rem;
  color: var(--harbour-soft);
}

.state.look {
  color: var(--brass-deep);
  font-weight: 700;
}

.state.done {
  color: var(--kelp-deep);
}

.off {
  position: absolute;
  top: 0;
  right: 0;
  opacity: 0;
}

li:hover .off,
.off:focus-visible {
  opacity: 1;
}
</style>
