<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useStill } from '../composables/useStill'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { kindOf, listed, propertyName, shapeName } from '../words'
import Ghosts from './Ghosts.vue'
import Handles from './Handles.vue'
import IconButton from './IconButton.vue'

// The switches stand above the picture, or upright beside it.
const props = defineProps<{ playing: boolean; upright?: boolean }>()
const editor = useEditor()
const desk = useDesk()
const area = ref<HTMLElement | null>(null)
const canvas = ref<HTMLCanvasElement | null>(null)
const room = useElementSize(area)

// The largest picture of the shape that fits the room.
const fit = computed(() => {
  const s = editor.shapeNow
  if (!s || !room.width.value) return { w: 0, h: 0 }
  const k = Math.min((room.width.value - 12) / s.w, (room.height.value - 12) / s.h)
  return { w: Math.max(2, Math.floor(s.w * k)), h: Math.max(2, Math.floor(s.h * k)) }
})

const size = computed(() => {
  const k = Math.min(window.devicePixelRatio || 1, 2)
  return { w: Math.round(fit.value.w * k), h: Math.round(fit.value.h * k) }
})

const drawn = useStill(canvas, 0, () => ({
  shape: editor.shape,
  ...size.value,
  frame: editor.frame,
  active: !props.playing,
  version: editor.version
}))

const switches = [
  { id: 'path', name: 'Show the way it goes', key: 'P', icon: 'signpost-split' },
  { id: 'ghosts', name: 'Show the frames before and after', key: 'G', icon: 'back' },
  { id: 'guides', name: 'Catch on guides', key: 'U', icon: 'magnet' }
] as const

// The properties of the chosen layer that a drag may concern and that have keys.
const keyed = computed(() =>
  ['position', 'scale', 'rotation'].filter((p) => (editor.layer?.tracks[p]?.length ?? 0) > 0)
)

// What a drag would change is said.
const target = computed(() => {
  const l = editor.layer
  if (!l || kindOf(l.kind)?.fills) return ''
  if (l.locked) return `${l.name} is locked`
  const where = editor.shape === editor.home ? '' : ` in ${shapeName(editor.shape)} alone`
  if (!keyed.value.length) return `Dragging moves where it rests${where}`
  if (desk.target === 'rest') return `Dragging moves the whole motion${where}; its path stays as it is`
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
  return `Dragging here ${says.join(' and ')}`
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
  <main
    id="tabletop"
    class="tabletop"
    :class="{ upright }"
    tabindex="-1"
    aria-label="Tabletop"
    @pointermove="point"
    @pointerleave="pointed = ''"
  >
    <div ref="area" class="stage">
      <div class="frame" :style="{ width: `${fit.w}px`, height: `${fit.h}px` }">
        <canvas
          ref="canvas"
          :style="{ width: `${fit.w}px`, height: `${fit.h}px` }"
          role="img"
          :aria-label="`Frame ${editor.frame}`"
        />
        <img v-if="!drawn" class="kept" :src="`/api/clips/${editor.id}/poster.png`" alt="" />
        <Ghosts v-if="desk.ghosts && editor.layer && !playing" :w="fit.w" :h="fit.h" />
        <Handles v-if="!playing" :w="fit.w" :h="fit.h" />
      </div>
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
  </main>
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
}

.tabletop.upright {
  flex-direction: row;
}

.tabletop:focus-visible {
  outline-offset: -2px;
}

.stage {
  flex: 1;
  min-width: 0;
  min-height: 0;
  display: grid;
  place-items: center;
  overflow: hidden;
}

.frame {
  position: relative;
  box-shadow: 0 4px 18px rgba(0, 0, 0, 0.32);
}

canvas {
  display: block;
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
  display: flex;
  border-radius: 6px;
  margin-right: 0.4rem;
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
