<script setup lang="ts">
import { useElementSize, watchDebounced, watchImmediate } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { useStill } from './useStill'
import { useDrop } from './useDrop'
import { useGlimpse } from './useGlimpse'
import { useSight } from './useSight'
import { drag } from '../parts/useDrag'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { kindOf, listed, propertyName, shapeName } from '../words'
import ActBar from './ActBar.vue'
import BeatPulse from './BeatPulse.vue'
import DropTarget from './DropTarget.vue'
import Ghosts from './Ghosts.vue'
import Handles from './Handles.vue'
import IconButton from '../parts/IconButton.vue'
import SightBar from './SightBar.vue'
import KeyPicker from './KeyPicker.vue'
import Sketch from './Sketch.vue'
import Writing from './Writing.vue'

// The switches stand above the picture, or upright beside it.
const props = defineProps<{ playing: boolean; upright?: boolean }>()
const editor = useEditor()
const desk = useDesk()
const area = ref<HTMLElement | null>(null)
const canvas = ref<HTMLCanvasElement | null>(null)
const room = useElementSize(area)
const sight = useSight()
watchImmediate([room.width, room.height], ([w, h]) => Object.assign(sight.room, { w, h }))
watch(() => editor.shape, sight.fit)

const fit = sight.size
const frameStyle = computed(() => ({
  width: `${fit.value.w}px`,
  height: `${fit.value.h}px`,
  left: `${sight.at.value.x}px`,
  top: `${sight.at.value.y}px`
}))

// The picture has no more pixels than its export, which is what it shows.
const size = computed(() => {
  const k = Math.min(window.devicePixelRatio || 1, 2)
  const s = editor.shapeNow ?? fit.value
  return { w: Math.round(Math.min(fit.value.w * k, s.w)), h: Math.round(Math.min(fit.value.h * k, s.h)) }
})

const glimpse = useGlimpse()
glimpse.onto(() => ({ canvas: canvas.value, ...size.value }))

const drawn = useStill(canvas, 0, () => ({
  shape: editor.shape,
  ...size.value,
  frame: editor.frame,
  active: !props.playing && !glimpse.on.value,
  version: editor.version
}))

// With Ctrl the wheel zooms about the pointer; without, it moves a picture that is
// larger than its room.
function wheel(e: WheelEvent) {
  const box = (area.value as HTMLElement).getBoundingClientRect()
  const x = e.clientX - box.left - box.width / 2
  const y = e.clientY - box.top - box.height / 2
  if (e.ctrlKey || e.metaKey) sight.zoomBy(Math.exp(-e.deltaY * 0.002), x, y)
  else if (e.shiftKey) sight.pan(-e.deltaY, 0)
  else sight.pan(-e.deltaX, -e.deltaY)
  if (!sight.fitted.value || e.ctrlKey || e.metaKey) e.preventDefault()
}

const dropped = useDrop((e) => {
  const box = (area.value as HTMLElement).getBoundingClientRect()
  const { w, h } = fit.value
  const unit = Math.min(w, h) / 1000
  return [
    (e.clientX - box.left - sight.at.value.x - w / 2) / unit,
    (e.clientY - box.top - sight.at.value.y - h / 2) / unit
  ]
})
const { over, swaps } = dropped

// Shadows in a loud colour and mattes are for the eye alone.
const loud = (on: boolean) => seen(() => editor.drawing().shadows(on))
async function seen(otherwise: () => Promise<void>) {
  await otherwise()
  editor.version++
  editor.proofed = editor.version
}
watch(
  () => desk.shadows,
  (on) => loud(on).catch(useNotices().fail)
)
watch(
  () => [desk.matte, desk.asCame] as const,
  ([matte, came]) =>
    seen(() => editor.drawing().lookAs(matte || came, matte ? 'matte' : 'came')).catch(useNotices().fail)
)
onBeforeUnmount(() => ((desk.shadows = false), (desk.matte = desk.asCame = desk.keying = '')))

// The middle button takes the picture along.
function grab(e: PointerEvent) {
  if (e.button !== 1) return
  e.stopPropagation()
  let x = 0
  let y = 0
  drag(
    e,
    (_, dx, dy) => {
      sight.pan(dx - x, dy - y)
      x = dx
      y = dy
    },
    () => undefined
  )
}

// What is to be seen is said to those who do not see it.
const told = ref('')
watchDebounced(
  () => [editor.frame, editor.shape, editor.version, props.playing],
  async () => {
    if (props.playing || !editor.clip) return
    told.value = await editor.ask('told', { shape: editor.shape, frame: editor.frame }).catch(() => '')
  },
  { debounce: 300, immediate: true }
)

const switches = [
  { id: 'path', name: 'Show its path', key: 'P', icon: 'signpost-split' },
  { id: 'ghosts', name: 'Show the frames before and after', key: 'G', icon: 'back' },
  { id: 'guides', name: 'Catch on guides', key: 'U', icon: 'magnet' },
  { id: 'safe', name: 'Show the safe area', key: 'E', icon: 'bounding-box' },
  { id: 'shadows', name: 'Show shadows in a loud colour', key: 'D', icon: 'shadows' }
] as const

// The properties of the chosen layer that a drag may concern and that have keys.
const keyed = computed(() =>
  ['position', 'x', 'y', 'scale', 'rotation'].filter((p) => (editor.layer?.tracks[p]?.length ?? 0) > 0)
)

// What a drag would change is said.
const target = computed(() => {
  const l = editor.layer
  if (!l || kindOf(l.kind)?.fills) return ''
  if (l.locked) return `${l.name} is locked`
  const where = editor.shape === editor.home ? '' : ` in ${shapeName(editor.shape)} alone`
  if (!keyed.value.length) return `A drag moves it${where || ', here and in the other shapes'}`
  if (desk.target === 'rest') return `A drag moves it with its whole path${where}`
  const row = editor.view.rows.find((r) => r.layer === l.id)
  const here = (p: string) =>
    row?.tracks.find((t) => t.property === p)?.beads.some((b) => b.frame === editor.frame) ?? false
  const keysOf = (properties: string[]) => {
    const names = properties.map((p) => propertyName(p).toLowerCase())
    return `${listed(names)} ${names[1] ? 'keys' : 'key'}`
  }
  const there = keyed.value.filter(here)
  const missing = keyed.value.filter((p) => !here(p))
  const says = []
  if (there.length) says.push(`changes the ${keysOf(there)}`)
  if (missing.length) says.push(`adds ${missing[1] ? '' : 'a '}${keysOf(missing)}`)
  return `A drag ${says.join(' and ')}`
})

// It is said while the pointer is here, in the half where the pointer is not.
const pointed = ref<'' | 'above' | 'below'>('')
function point(e: PointerEvent) {
  const box = (e.currentTarget as HTMLElement).getBoundingClientRect()
  pointed.value = e.clientY > box.top + box.height / 2 ? 'above' : 'below'
}

defineExpose({ canvas, size })
</script>

<template>
  <section
    id="tabletop"
    class="tabletop"
    :class="{ upright }"
    tabindex="-1"
    aria-label="Tabletop"
    @pointermove="point"
    @pointerleave="pointed = ''"
  >
    <div
      ref="area"
      class="stage"
      @wheel="wheel"
      @pointerdown.capture="grab"
      @dragover="dropped.hover"
      @dragleave="dropped.leave"
      @drop="dropped.drop"
    >
      <BeatPulse v-if="desk.pulses" />
      <div class="frame" :style="frameStyle">
        <canvas
          ref="canvas"
          :class="{ pixels: sight.scale.value >= 2 }"
          :style="{ width: `${fit.w}px`, height: `${fit.h}px` }"
          role="img"
          :aria-label="told || `Frame ${editor.frame}`"
        />
        <img v-if="!drawn" class="kept" :src="`/api/clips/${editor.id}/poster.jpg`" alt="" />
        <Ghosts v-if="desk.ghosts && editor.layer && !playing" :w="fit.w" :h="fit.h" />
        <Handles v-if="!playing && !glimpse.on.value" :w="fit.w" :h="fit.h" />
        <DropTarget v-if="over" :place="over" :swaps="swaps" :w="fit.w" :h="fit.h" />
        <KeyPicker v-if="desk.keying && !playing" :w="fit.w" :h="fit.h" />
        <Sketch v-if="desk.sketching && !playing" :key="desk.sketching" :w="fit.w" :h="fit.h" :way="desk.sketching" />
        <Writing v-if="!playing" :w="fit.w" :h="fit.h" />
      </div>
      <ActBar v-if="!playing && !desk.sketching && !desk.keying" />
    </div>
    <div class="switches" role="toolbar" aria-label="Tabletop">
      <div v-if="keyed.length" class="target-switch" role="radiogroup" aria-label="What a drag changes">
        <button
          class="plain"
          role="radio"
          :aria-checked="desk.target === 'rest'"
          :class="{ on: desk.target === 'rest' }"
          title="A drag moves the whole motion (W)"
          @click="desk.target = 'rest'"
        >
          Whole motion
        </button>
        <button
          class="plain"
          role="radio"
          :aria-checked="desk.target === 'key'"
          :class="{ on: desk.target === 'key' }"
          title="A drag changes or makes the keys at the playhead (W)"
          @click="desk.target = 'key'"
        >
          Key here
        </button>
      </div>
      <span class="flex-fill" />
      <SightBar :upright="upright" />
      <IconButton
        icon="fullscreen"
        label="Show the picture alone"
        :pressed="desk.alone"
        title="Show the picture alone (T)"
        @click="desk.alone = !desk.alone"
      />
      <IconButton
        v-for="s in switches"
        :key="s.id"
        :icon="s.icon"
        :label="s.name"
        :pressed="desk[s.id]"
        :title="`${s.name} (${s.key})`"
        @click="desk[s.id] = !desk[s.id]"
      />
    </div>
    <p v-if="target && pointed && !playing" class="target" :class="pointed">{{ target }}</p>
  </section>
</template>

<style scoped>
.tabletop {
  grid-area: table;
  position: relative;
  display: flex;
  flex-direction: column-reverse;
  min-width: 0;
  min-height: 0;
  background: #828282;
  container-type: inline-size;
}

.tabletop.upright {
  flex-direction: row;
}

.tabletop:focus-visible {
  outline-offset: -2px;
}

.stage {
  position: relative;
  flex: 1;
  min-width: 0;
  min-height: 0;
  overflow: hidden;
}

.frame {
  position: absolute;
  box-shadow: 0 4px 18px rgba(0, 0, 0, 0.32);
}

canvas {
  display: block;
}

canvas.pixels {
  image-rendering: pixelated;
}

/* Until there is the true picture. */
.kept {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  object-fit: cover;
}

.switches {
  flex: none;
  display: flex;
  gap: 0.2rem;
  align-items: center;
  height: 34px;
  padding: 0 6px;
  color: #fff;
  font-size: 0.78rem;
}

.upright .switches {
  flex-direction: column;
  width: 34px;
  height: auto;
  padding: 6px 0;
}

.switches .plain {
  background: var(--chalk);
  color: var(--harbour);
}

.switches .plain.on {
  background: var(--harbour);
  color: #fff;
}

.upright .target-switch .plain {
  writing-mode: vertical-rl;
  padding: 0.4rem 0.15rem;
}

.upright .target-switch {
  flex-direction: column;
  margin: 0 0 0.4rem;
}

.target-switch {
  white-space: nowrap;
  display: flex;
  border-radius: 6px;
  margin-right: 0.4rem;
}

/* In a small window all of them stand beside each other still. */
@container (max-width: 355px) {
  .switches {
    gap: 0.1rem;
    padding: 0 4px;
  }

  .target-switch {
    margin-right: 0;
  }

  .target-switch .plain {
    padding-inline: 0.3rem;
    font-size: 0.72rem;
  }

  /* How large the picture is seen has keys, too. */
  .switches :deep(.sight) {
    display: none;
  }
}

.target-switch .plain:first-child {
  border-radius: 6px 0 0 6px;
}

.upright .target-switch .plain:first-child {
  border-radius: 6px 6px 0 0;
}

.upright .target-switch .plain:last-child {
  border-radius: 0 0 6px 6px;
}

.target-switch .plain:last-child {
  border-radius: 0 6px 6px 0;
}

.target-switch .plain:last-child.on {
  background: #f0b94f;
  color: var(--harbour);
}

.target {
  position: absolute;
  left: 50%;
  bottom: 8px;
  transform: translateX(-50%);
  pointer-events: none;
  margin: 0;
  font-size: 0.75rem;
  color: #fff;
  background: rgba(23, 63, 71, 0.86);
  padding: 0.05rem 0.5rem;
  border-radius: 6px;
  white-space: nowrap;
}

.target.above {
  top: 42px;
  bottom: auto;
}
</style>
