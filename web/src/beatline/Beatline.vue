<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, nextTick, onMounted, onUnmounted, ref, watch, type ComputedRef } from 'vue'
import { leftRoom, onBeatline } from './beatline'
import { drag } from '../parts/useDrag'
import { useMarquee } from './useMarquee'
import type { usePlayer } from '../player/usePlayer'
import { useScenes } from './useScenes'
import { useSnap } from './useSnap'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import type { KeyRef, Row } from '../types'
import BeatRow from './BeatRow.vue'
import BeatRuler from './BeatRuler.vue'
import FitScenes from './FitScenes.vue'
import SceneStrip from './SceneStrip.vue'
import SoundRow from './SoundRow.vue'
import TuneRow from './TuneRow.vue'

const props = defineProps<{ player: ReturnType<typeof usePlayer> }>()
const editor = useEditor()
const desk = useDesk()
const { line } = useSnap()
const scenes = useScenes()
const scroller = ref<HTMLElement | null>(null)
const room = useElementSize(scroller)
const { zoom } = storeToRefs(desk)
// Names have what time leaves them: it needs 600 pixels.
const labels = computed(() => Math.round(Math.max(82, Math.min(214, room.width.value - 600 - 2 * leftRoom))))
const folded = ref<Set<string>>(new Set())

// While an end of a scene is dragged, the scale stays as it was, so that the end
// stays under the pointer although the clip's length changes.
const held = ref(0)
const hold = (on: boolean) => (held.value = on ? scale.value : 0)

const scale: ComputedRef<number> = computed(
  () => held.value || (Math.max(200, room.width.value - labels.value - 2 * leftRoom) / editor.view.length) * zoom.value
)
const width = computed(() => Math.ceil(editor.view.length * scale.value) + 2 * leftRoom)

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

const sounds = computed(() => (desk.finding.trim() ? [] : editor.view.sounds))

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

function frameAt(x: number) {
  const el = scroller.value as HTMLElement
  return (x - el.getBoundingClientRect().left + el.scrollLeft - labels.value - leftRoom) / scale.value
}
onMounted(() => {
  const box = () => (scroller.value as HTMLElement).getBoundingClientRect()
  onBeatline.value = { frameAt, scale: () => scale.value, box }
})
onUnmounted(() => (onBeatline.value = null))

// Scrubbing: a press on the ruler puts the playhead there, a drag moves it.
function scrub(e: PointerEvent) {
  props.player.stop()
  editor.go(frameAt(e.clientX))
  drag(
    e,
    (m) => {
      editor.go(frameAt(m.clientX))
      props.player.touch(editor.frame)
    },
    () => undefined
  )
}

// The wheel with Ctrl zooms around the pointer.
function wheel(e: WheelEvent) {
  pressed.layer = ''
  if (!e.ctrlKey) return
  e.preventDefault()
  const el = scroller.value as HTMLElement
  const at = e.clientX - el.getBoundingClientRect().left - labels.value - leftRoom
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

// What is selected in the picture comes into sight here. What is selected here
// stays under the pointer, although rows above it close and open: where there is
// nothing to scroll, room above the rows makes up for it as long as the pointer
// is here.
const lead = ref(0)
let pressed = { layer: '', y: 0, at: 0 } // at counts milliseconds
const rowOf = (layer: string) => scroller.value?.querySelector<HTMLElement>(`[data-layer="${layer}"]`)

function note(e: PointerEvent) {
  const row = (e.target as Element).closest<HTMLElement>('[data-layer]')
  pressed = { layer: row?.dataset.layer ?? '', y: row?.getBoundingClientRect().top ?? 0, at: e.timeStamp }
}

function stay() {
  const el = scroller.value
  const row = rowOf(pressed.layer)
  if (!el || !row) return
  const by = row.getBoundingClientRect().top - pressed.y
  const most = el.scrollTop + by
  if (most < 0) lead.value = Math.round(lead.value - most)
  else lead.value = Math.max(0, Math.round(lead.value - Math.max(0, by)))
  nextTick(() => (el.scrollTop += row.getBoundingClientRect().top - pressed.y))
}

watch(
  () => editor.selected,
  async (layer) => {
    await nextTick()
    if (layer && layer !== pressed.layer) rowOf(layer)?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  }
)
watch(rows, () => pressed.layer && performance.now() - pressed.at < 1000 && stay(), { flush: 'post' })

function left() {
  lead.value = 0
  pressed.layer = ''
}

// While it plays, the playhead stays in sight.
watch(
  () => editor.frame,
  (f) => {
    const el = scroller.value
    if (!el || zoom.value <= 1) return
    const x = f * scale.value - el.scrollLeft
    if (x < 0 || x > room.width.value - labels.value) el.scrollLeft = f * scale.value - 40
  }
)
</script>

<template>
  <section class="beatline" aria-label="Beatline" :style="{ '--heads': `${labels}px` }">
    <div ref="scroller" class="scroller" @wheel="wheel" @pointerdown.capture="note" @pointerleave="left">
      <div class="inner" :style="{ width: `${width + labels}px` }" @pointerdown="marquee">
        <div class="head" @pointerdown.stop>
          <div class="corner">
            <strong>Beatline</strong>
            <button class="plain add" title="Add a scene at the end" aria-label="Add a scene" @click="scenes.add()">
              <i class="bi bi-plus-lg" aria-hidden="true" /> Scene
            </button>
            <FitScenes />
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
        <div :style="{ height: `${lead}px` }" />
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
        <TuneRow
          v-if="editor.view.tune && !desk.finding.trim()"
          :sound="editor.view.tune"
          :scale="scale"
          :width="width"
        />
        <SoundRow v-for="s in sounds" :key="s.id" :sound="s" :scale="scale" :width="width" />
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

.scroller {
  flex: 1;
  overflow: auto;
  min-height: 0;
  scrollbar-width: thin;
  /* What is brought into sight does not lie under the ruler and the labels. */
  scroll-padding: 88px 0 10px calc(var(--heads) + 8px);
}

.inner {
  position: relative;
  user-select: none;
  min-height: 100%;
}

.head {
  display: grid;
  grid-template-columns: var(--heads) auto;
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
  width: var(--heads);
  background: var(--sailcloth);
  border-right: 1px solid var(--line);
  padding: 0.35rem 0.4rem 0.35rem 0.6rem;
  display: grid;
  align-content: space-between;
}

.corner strong {
  font: 700 0.95rem 'Bricolage Grotesque';
}

.corner {
  grid-template-columns: 1fr auto;
}

.corner strong {
  grid-column: 1 / 3;
}

.add {
  justify-self: start;
  padding: 0 0.3rem 0 0;
  font-size: 0.78rem;
}

.over {
  box-shadow: inset 0 2px 0 var(--kelp);
}

.empty {
  padding: 0.8rem 0 0 calc(var(--heads) + 16px);
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
