<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, nextTick, ref, watch, type ComputedRef } from 'vue'
import { leftRoom } from '../beatline'
import { drag } from '../composables/useDrag'
import { useMarquee } from '../composables/useMarquee'
import type { usePlayer } from '../composables/usePlayer'
import { useSnap } from '../composables/useSnap'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import type { KeyRef, Row } from '../types'
import BeatRow from './BeatRow.vue'
import BeatRuler from './BeatRuler.vue'
import SceneStrip from './SceneStrip.vue'
import TransportBar from './TransportBar.vue'

const props = defineProps<{ player: ReturnType<typeof usePlayer> }>()
const editor = useEditor()
const desk = useDesk()
const { line } = useSnap()
const scroller = ref<HTMLElement | null>(null)
const room = useElementSize(scroller)
const zoom = ref(1)
const labels = 214
const folded = ref<Set<string>>(new Set())

// While an end of a scene is dragged, the scale stays as it was, so that the end
// stays under the pointer although the clip's length changes.
const held = ref(0)
const hold = (on: boolean) => (held.value = on ? scale.value : 0)

const scale: ComputedRef<number> = computed(
  () => held.value || (Math.max(200, room.width.value - labels - leftRoom - 40) / editor.view.length) * zoom.value
)
const width = computed(() => Math.ceil(editor.view.length * scale.value) + leftRoom + 28)

// Rows of folded groups are left out, and those that are not looked for.
const rows = computed(() => {
  const out: Row[] = []
  let below = Infinity
  const wanted = desk.finding.trim().toLowerCase()
  for (const r of editor.view.rows) {
    if (r.scene && r.scene !== editor.scene) continue
    // The scene itself stands in the strip; it has a row when there is more of it.
    if (r.layer === editor.scene && !r.tracks.length && editor.selected !== r.layer) continue
    if (r.depth > below) continue
    below = folded.value.has(r.layer) ? r.depth : Infinity
    const layer = editor.layers.get(r.layer)
    if (wanted && !`${layer?.name ?? 'light'} ${layer?.label ?? ''}`.toLowerCase().includes(wanted)) continue
    out.push(r)
  }
  return out
})

const none: KeyRef[] = []
const keysByLayer = computed(() => {
  const by = new Map<string, KeyRef[]>()
  for (const k of editor.keys) by.set(k.layer, [...(by.get(k.layer) ?? []), k])
  return by
})

function fold(layer: string) {
  const next = new Set(folded.value)
  if (!next.delete(layer)) next.add(layer)
  folded.value = next
}

const { box, start: marquee } = useMarquee(scroller)

function pressEmpty(e: PointerEvent, layer: string) {
  marquee(e, () => layer !== '@light' && editor.select(layer, e.shiftKey))
}

function frameAt(e: PointerEvent) {
  const el = scroller.value as HTMLElement
  return (e.clientX - el.getBoundingClientRect().left + el.scrollLeft - labels - leftRoom) / scale.value
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
  const at = e.clientX - el.getBoundingClientRect().left - labels - leftRoom
  const frame = (at + el.scrollLeft) / scale.value
  zoom.value = Math.min(32, Math.max(1, zoom.value * Math.exp(-e.deltaY / 300)))
  requestAnimationFrame(() => (el.scrollLeft = frame * scale.value - at))
}

// Dragging a row's grip changes the stacking order: the layer goes just in front
// of the one on whose row it is let go, into that one's group; below all rows it
// goes behind everything.
const over = ref('')
function stack(e: PointerEvent, layer: string) {
  if (layer === '@light') return
  let behindAll = false
  drag(
    e,
    (m) => {
      const all = [...(scroller.value as HTMLElement).querySelectorAll<HTMLElement>('[data-layer]')]
      const at = all.find((r) => {
        const b = r.getBoundingClientRect()
        return m.clientY >= b.top && m.clientY < b.bottom
      })
      over.value = at?.dataset.layer ?? ''
      const last = all.at(-1)?.getBoundingClientRect()
      behindAll = !at && !!last && m.clientY > last.bottom
    },
    (moved) => {
      const to = over.value
      over.value = ''
      if (moved && behindAll) editor.run({ type: 'stackLayer', layer, to: 0 })
      else if (moved && to && to !== layer && to !== '@light') editor.run({ type: 'stackLayer', layer, above: to })
    }
  )
}

function resize(e: PointerEvent) {
  const from = (e.currentTarget as HTMLElement).parentElement?.clientHeight ?? 260
  drag(
    e,
    (_, __, dy) => (desk.beatHeight = Math.max(170, Math.min(window.innerHeight - 300, from - dy))),
    () => undefined
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
    <div class="edge" title="Drag to make the Beatline higher" @pointerdown="resize" @dblclick="desk.beatHeight = 0" />
    <TransportBar v-model:zoom="zoom" :player="player" />
    <div ref="scroller" class="scroller" @wheel="wheel">
      <div class="inner" :style="{ width: `${width + labels}px` }" @pointerdown="marquee">
        <div class="head" @pointerdown.stop>
          <div class="corner">
            <strong>Beatline</strong>
            <input
              id="find-layer"
              v-model="desk.finding"
              type="search"
              placeholder="Find a layer"
              aria-label="Find a layer by its name"
              @keydown.esc="desk.finding = ''"
            />
          </div>
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
            <span class="flag" :style="{ transform: `translateX(${leftRoom + editor.frame * scale}px)` }" />
          </div>
          <SceneStrip class="strip" :scale="scale" :width="width" @hold="hold" />
        </div>
        <BeatRow
          v-for="r in rows"
          :key="r.layer"
          :row="r"
          :scale="scale"
          :width="width"
          :open="r.tracks.length > 0 && editor.open_.includes(r.layer)"
          :folded="folded.has(r.layer)"
          :keys="keysByLayer.get(r.layer) ?? none"
          :class="{ over: over === r.layer }"
          @stack="stack($event, r.layer)"
          @fold="fold(r.layer)"
          @marquee="pressEmpty($event, r.layer)"
        />
        <p v-if="!rows.length" class="empty">
          {{ desk.finding ? `No layer is called “${desk.finding}”.` : 'Bring in a cut-out under Props to begin.' }}
        </p>
        <div
          class="playhead"
          :style="{ transform: `translateX(${labels + leftRoom + editor.frame * scale}px)` }"
          data-test="playhead"
        />
        <div v-if="line" class="snapline" :style="{ left: `${labels + leftRoom + line.frame * scale}px` }">
          <span>{{ line.to }}</span>
        </div>
        <div v-if="box" class="marquee" :style="box" />
      </div>
    </div>
  </section>
</template>

<style scoped>
.beatline {
  grid-area: beat;
  position: relative;
  display: flex;
  flex-direction: column;
  min-height: 0;
  background: var(--sailcloth);
  border-top: 1px solid var(--line);
}

.edge {
  position: absolute;
  top: -4px;
  left: 0;
  right: 0;
  height: 7px;
  cursor: ns-resize;
  z-index: 8;
  touch-action: none;
}

.scroller {
  flex: 1;
  overflow: auto;
  min-height: 0;
  scrollbar-width: thin;
  /* What is brought into sight does not lie under the ruler and the labels. */
  scroll-padding: 88px 0 10px 222px;
}

.inner {
  position: relative;
  user-select: none;
  min-height: 100%;
}

.head {
  display: grid;
  grid-template-columns: 214px auto;
  position: sticky;
  top: 0;
  z-index: 5;
  background: var(--sailcloth);
  border-bottom: 1px solid var(--line);
}

.strip {
  grid-column: 2;
}

.corner {
  grid-row: 1 / 3;
  position: sticky;
  left: 0;
  z-index: 7;
  flex: none;
  width: 214px;
  background: var(--sailcloth);
  border-right: 1px solid var(--line);
  padding: 0.35rem 0.6rem;
  display: grid;
  align-content: space-between;
}

.corner strong {
  font: 700 0.95rem 'Bricolage Grotesque';
}

.corner input {
  width: 100%;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--chalk);
  color: inherit;
  font-size: 0.78rem;
  padding: 0.1rem 0.4rem;
}

.over {
  box-shadow: inset 0 2px 0 var(--kelp);
}

.empty {
  padding: 0.8rem 0 0 230px;
  color: var(--harbour-soft);
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
  top: 84px;
  left: 5px;
  background: var(--kelp);
  color: #fff;
  font-size: 0.74rem;
  padding: 0 0.4rem;
  border-radius: 6px;
  white-space: nowrap;
}

.marquee {
  position: absolute;
  border: 1px solid var(--kelp);
  background: rgba(44, 122, 104, 0.14);
  pointer-events: none;
  z-index: 7;
}
</style>
