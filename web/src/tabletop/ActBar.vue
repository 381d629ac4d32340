<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { useElementSize } from '@vueuse/core'
import { useActs } from '../editor/useActs'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { useMenu } from '../stores/menu'
import { useWriting } from '../stores/writing'
import IconButton from '../parts/IconButton.vue'
import CutoutBar from './CutoutBar.vue'
import WordsBar from './WordsBar.vue'
import { useSight } from './useSight'
import { dragging } from './useTabletop'

// What is needed most for what is chosen, beside it in the picture. It keeps out
// of a drag's way.
const editor = useEditor()
const desk = useDesk()
const writing = useWriting()
const menu = useMenu()
const sight = useSight()
const { stack, removeLayers } = useActs()
const bar = ref<HTMLElement | null>(null)
const own = useElementSize(bar, undefined, { box: 'border-box' })
const gap = 26 // to what is chosen: handles stand between

const layer = computed(() => editor.layer)
const shown = computed(() => layer.value && !dragging.value && !editor.playing)

// The bounds of what is chosen, in the room's pixels.
const bounds = computed(() => {
  const places = editor.chosen.map((l) => editor.placeOf(l)).filter((p) => !!p)
  if (!places.length || !sight.size.value.w) return null
  const { w, h } = sight.size.value
  const unit = Math.min(w, h) / 1000
  const points = places.flatMap((p) => p.corners)
  const x = points.map((p) => p[0] * unit + w / 2 + sight.at.value.x)
  const y = points.map((p) => p[1] * unit + h / 2 + sight.at.value.y)
  return { x0: Math.min(...x), x1: Math.max(...x), y0: Math.min(...y), y1: Math.max(...y) }
})

// Above it where there is room, or beneath; over its upper part if it is too large.
const place = computed(() => {
  const b = bounds.value
  if (!b) return null
  const { w, h } = { w: own.width.value, h: own.height.value }
  const room = sight.room
  let y = b.y0 - gap - h
  if (y < 4) y = b.y1 + gap
  if (y + h > room.h - 4) y = Math.max(4, b.y0 + 10)
  const x = Math.max(4, Math.min((b.x0 + b.x1) / 2 - w / 2, room.w - w - 4))
  return { left: `${Math.round(x)}px`, top: `${Math.round(Math.max(4, Math.min(y, room.h - h - 4)))}px` }
})

const several = computed(() => editor.chosen.length > 1)

// The moves are beside the picture, in which they show themselves.
async function moves() {
  desk.alone = false
  desk.panel = 'motion'
  await nextTick()
  document.querySelector<HTMLElement>('[data-move-kind]')?.scrollIntoView({ block: 'nearest' })
}

function more(e: MouseEvent) {
  const box = (e.currentTarget as HTMLElement).getBoundingClientRect()
  menu.open(box.left, box.bottom + 4)
}
</script>

<template>
  <div
    v-if="shown && place"
    ref="bar"
    class="bar"
    role="toolbar"
    data-offer
    :aria-label="several ? `${editor.chosen.length} layers` : layer?.name"
    :style="place"
    @pointerdown.stop
    @dblclick.stop
  >
    <WordsBar v-if="layer?.words && !several" :layer="layer" :words="writing.words ?? layer.words" />
    <CutoutBar v-else-if="layer?.cutout && !several" :layer="layer" :cutout="layer.cutout" />
    <span v-if="!writing.layer" class="acts">
      <button class="plain" title="Moves: ready motions, from the playhead on" @click="moves">
        <i class="bi bi-wind" aria-hidden="true" /> Moves
      </button>
      <IconButton
        icon="layer-forward"
        label="A step to the front"
        title="A step to the front (Shift PgUp)"
        @click="stack(1)"
      />
      <IconButton
        icon="layer-backward"
        label="A step to the back"
        title="A step to the back (Shift PgDn)"
        @click="stack(-1)"
      />
      <IconButton
        v-if="!several"
        icon="copy"
        label="Duplicate"
        title="Duplicate (Ctrl D)"
        @click="editor.copyLayer(editor.selected)"
      />
      <IconButton icon="trash3" label="Delete" title="Delete (Del)" @click="removeLayers()" />
      <IconButton icon="three-dots" label="More to do with it" title="More (or the right button)" @click="more" />
    </span>
  </div>
</template>

<style scoped>
.bar {
  position: absolute;
  z-index: 20;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.1rem;
  max-width: calc(100% - 8px);
  width: max-content;
  padding: 2px 4px;
  border-radius: 6px;
  background: var(--chalk);
  color: var(--harbour);
  box-shadow: 0 2px 8px rgba(0, 0, 0, 0.32);
  font-size: 0.8rem;
}

.acts {
  display: flex;
  align-items: center;
}

.bar :deep(.plain) {
  min-width: 26px;
  min-height: 26px;
  padding: 0.1rem 0.3rem;
}
</style>
