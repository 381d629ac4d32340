<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { drag } from '../composables/useDrag'
import type { usePlayer } from '../composables/usePlayer'
import { useSnap } from '../composables/useSnap'
import { useEditor } from '../stores/editor'
import BeatRow from './BeatRow.vue'
import BeatRuler from './BeatRuler.vue'
import TransportBar from './TransportBar.vue'

const props = defineProps<{ player: ReturnType<typeof usePlayer> }>()
const editor = useEditor()
const { line } = useSnap()
const scroller = ref<HTMLElement | null>(null)
const room = useElementSize(scroller)
const zoom = ref(1)
const labels = 190

const scale = computed(() => (Math.max(200, room.width.value - labels - 24) / editor.view.length) * zoom.value)
const width = computed(() => Math.ceil(editor.view.length * scale.value) + 12)

function frameAt(e: PointerEvent) {
  const el = scroller.value as HTMLElement
  return (e.clientX - el.getBoundingClientRect().left + el.scrollLeft - labels) / scale.value
}

// Scrubbing: a press on the ruler puts the playhead there, a drag moves it.
function scrub(e: PointerEvent) {
  props.player.stop()
  editor.go(frameAt(e))
  drag(
    e,
    (m) => void editor.go(frameAt(m)),
    () => undefined
  )
}

// The wheel with Ctrl zooms around the pointer.
function wheel(e: WheelEvent) {
  if (!e.ctrlKey) return
  e.preventDefault()
  const el = scroller.value as HTMLElement
  const at = e.clientX - el.getBoundingClientRect().left - labels
  const frame = (at + el.scrollLeft) / scale.value
  zoom.value = Math.min(16, Math.max(1, zoom.value * Math.exp(-e.deltaY / 300)))
  requestAnimationFrame(() => (el.scrollLeft = frame * scale.value - at))
}

// Dragging a row's grip changes the stacking order.
function stack(e: PointerEvent, layer: string) {
  let to: number | null = null
  drag(
    e,
    (m) => {
      const rows = [...(scroller.value as HTMLElement).querySelectorAll<HTMLElement>('[data-layer]')]
      const over = rows.findIndex((r) => m.clientY < r.getBoundingClientRect().bottom)
      const index = over < 0 ? rows.length - 1 : over
      to = rows.length - 1 - index
    },
    (moved) => {
      if (moved && to !== null) editor.run({ type: 'stackLayer', layer, to })
    }
  )
}

// What is selected in the picture comes into sight here.
watch(
  () => editor.selected,
  async (layer) => {
    await nextTick()
    const row = scroller.value?.querySelector<HTMLElement>(`[data-layer="${layer}"]`)
    row?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  }
)

// While it plays, the playhead stays in sight.
watch(
  () => editor.frame,
  (f) => {
    const el = scroller.value
    if (!el || zoom.value <= 1) return
    const x = f * scale.value - el.scrollLeft
    if (x < 0 || x > room.width.value - labels) el.scrollLeft = f * scale.value - 40
  }
)
</script>

<template>
  <section class="beatline" aria-label="Beatline">
    <TransportBar v-model:zoom="zoom" :player="player" />
    <div ref="scroller" class="scroller" @wheel="wheel">
      <div class="inner" :style="{ width: `${width + labels}px` }">
        <div class="head">
          <div class="corner">Beatline</div>
          <div
            class="rulerbox"
            role="slider"
            tabindex="0"
            aria-label="Playhead"
            :aria-valuenow="editor.frame"
            :aria-valuemin="0"
            :aria-valuemax="editor.view.length - 1"
            data-test="ruler"
            @pointerdown="scrub"
            @keydown.left.prevent="editor.go(editor.frame - 1)"
            @keydown.right.prevent="editor.go(editor.frame + 1)"
          >
            <BeatRuler :scale="scale" :width="width" />
            <span class="flag" :style="{ transform: `translateX(${editor.frame * scale}px)` }" />
          </div>
        </div>
        <BeatRow
          v-for="r in editor.view.rows"
          :key="r.layer"
          :row="r"
          :scale="scale"
          :width="width"
          @stack="stack($event, r.layer)"
        />
        <div
          class="playhead"
          :style="{ transform: `translateX(${labels + editor.frame * scale}px)` }"
          data-test="playhead"
        />
        <div v-if="line" class="snapline" :style="{ left: `${labels + line.frame * scale}px` }">
          <span>{{ line.to }}</span>
        </div>
      </div>
    </div>
  </section>
</template>

<style scoped>
.beatline {
  grid-area: beat;
  display: flex;
  flex-direction: column;
  min-height: 0;
  background: var(--sailcloth);
  border-top: 1px solid var(--line);
}

.scroller {
  flex: 1;
  overflow: auto;
  min-height: 0;
  scrollbar-width: thin;
}

.inner {
  position: relative;
  min-height: 100%;
}

.head {
  display: flex;
  position: sticky;
  top: 0;
  z-index: 5;
  background: var(--sailcloth);
  border-bottom: 1px solid var(--line);
}

.corner {
  position: sticky;
  left: 0;
  z-index: 6;
  flex: none;
  width: 190px;
  background: var(--sailcloth);
  border-right: 1px solid var(--line);
  padding: 0.4rem 0.7rem;
  font: 700 0.95rem 'Bricolage Grotesque';
}

.playhead {
  position: absolute;
  top: 0;
  bottom: 0;
  left: -1px;
  width: 2px;
  background: var(--buoy);
  z-index: 6;
  pointer-events: none;
}

.rulerbox {
  position: relative;
  cursor: col-resize;
  touch-action: none;
}

.flag {
  position: absolute;
  top: 0;
  left: -7px;
  border: 7px solid transparent;
  border-top: 10px solid var(--buoy);
  pointer-events: none;
}

.snapline {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 0;
  border-left: 2px dashed var(--kelp);
  z-index: 7;
  pointer-events: none;
}

.snapline span {
  position: absolute;
  top: 60px;
  left: 5px;
  background: var(--kelp);
  color: #fff;
  font-size: 0.74rem;
  padding: 0 0.4rem;
  border-radius: 6px;
  white-space: nowrap;
}
</style>
