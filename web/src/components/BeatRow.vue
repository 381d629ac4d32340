<script setup lang="ts">
import { computed } from 'vue'
import { drag } from '../composables/useDrag'
import { useSnap, type Snapped } from '../composables/useSnap'
import { useEditor } from '../stores/editor'
import type { Bead, Command, KeyRef, Row, Track } from '../types'
import { propertyName, timecode } from '../words'

// One layer on the Beatline: its span as a bar, its keys as beads on the real
// curve. The row of the selected layer opens into a lane for each property.
const props = defineProps<{ row: Row; scale: number; width: number }>()
const emit = defineEmits<{ stack: [event: PointerEvent] }>()
const editor = useEditor()
const { snap, clear } = useSnap()

const layer = computed(() => editor.clip?.layers.find((l) => l.id === props.row.layer))
const open = computed(() => editor.selected === props.row.layer && props.row.tracks.length > 0)
const lanes = computed(() => (open.value ? props.row.tracks : props.row.tracks.slice(0, 1)))
const laneHeight = computed(() => (open.value ? 27 : 24))
const height = computed(() => (open.value ? 12 : 4) + Math.max(1, lanes.value.length) * laneHeight.value)

const icon = computed(
  () =>
    ({ cutout: 'bi bi-box-seam', words: 'bi bi-fonts', badge: 'bi bi-patch-check', backdrop: 'bi bi-image' })[
      layer.value?.kind ?? 'cutout'
    ]
)

const x = (frame: number) => frame * props.scale
const top = (i: number) => (open.value ? 10 : 2) + i * laneHeight.value
const y = (i: number, h: number) => top(i) + 5 + (1 - h) * (laneHeight.value - 10)
const path = (t: Track, i: number) =>
  'M' + t.string.map((p) => `${x(p.frame).toFixed(1)} ${y(i, p.height).toFixed(1)}`).join('L')

// Beads of the other properties of a closed row stand on its lower edge.
const others = computed(() => {
  if (open.value) return []
  const first = new Set(props.row.tracks[0]?.beads.map((b) => b.frame))
  return [...new Set(props.row.tracks.slice(1).flatMap((t) => t.beads.map((b) => b.frame)))].filter(
    (f) => !first.has(f)
  )
})

const isSelected = (property: string, frame: number) =>
  editor.keys.some((k) => k.layer === props.row.layer && k.property === property && k.frame === frame)

function pressBead(e: PointerEvent, track: Track, bead: Bead) {
  if (e.button !== 0) return
  e.stopPropagation()
  const me: KeyRef = { layer: props.row.layer, property: track.property, frame: bead.frame }
  if (editor.selected !== props.row.layer) editor.select(props.row.layer)
  const already = isSelected(track.property, bead.frame)
  if (e.shiftKey)
    editor.keys = already ? editor.keys.filter((k) => JSON.stringify(k) !== JSON.stringify(me)) : [...editor.keys, me]
  else if (!already) editor.keys = [me]
  const moving = editor.keys.length ? [...editor.keys] : [me]
  const own = (l: string, p: string, f: number) =>
    moving.some((k) => k.layer === l && k.property === p && k.frame === f)
  let command: Command | null = null
  let by = 0
  drag(
    e,
    (m, dx) => {
      const raw = bead.frame + dx / props.scale
      const hit = snap(raw, 9 / props.scale, own, m.altKey)
      by = (hit ? hit.frame : Math.round(raw)) - bead.frame
      command = by === 0 && hit?.beat === undefined ? null : moveTo(moving, me, by, hit)
      if (command) editor.show(command)
      else editor.revert()
    },
    async (moved) => {
      clear()
      if (!moved) return void editor.go(bead.frame)
      if (!command) return editor.revert()
      const done = await editor.run(command)
      if (done) editor.keys = moving.map((k) => ({ ...k, frame: k.frame + by }))
    }
  )
}

// One key that was caught by a beat is bound to it; several keep their moments.
function moveTo(keys: KeyRef[], me: KeyRef, by: number, hit: Snapped | null): Command {
  if (keys.length === 1 && hit?.beat !== undefined) return { type: 'bindKey', key: me, to: { beat: hit.beat } }
  return { type: 'moveKeys', keys, by }
}

function pressBar(e: PointerEvent, part: 'whole' | 'from' | 'to') {
  if (e.button !== 0) return
  e.stopPropagation()
  editor.select(props.row.layer)
  const edge = part === 'to' ? props.row.to : props.row.from
  const own = (l: string) => l === props.row.layer
  let command: Command | null = null
  drag(
    e,
    (m, dx) => {
      const raw = edge + dx / props.scale
      const hit = snap(raw, 9 / props.scale, own, m.altKey)
      const by = (hit ? hit.frame : Math.round(raw)) - edge
      command = by ? { type: 'shiftLayer', layer: props.row.layer, by, part } : null
      if (command) editor.show(command)
    },
    (moved) => {
      clear()
      if (moved && command) editor.run(command)
      else if (command) editor.revert()
    }
  )
}

// Keys can be moved from the keyboard too.
function keyBead(e: KeyboardEvent, track: Track, bead: Bead) {
  const me: KeyRef = { layer: props.row.layer, property: track.property, frame: bead.frame }
  const by = { ArrowLeft: -1, ArrowRight: 1 }[e.key]
  if (by) {
    e.preventDefault()
    e.stopPropagation()
    editor.run({ type: 'moveKeys', keys: [me], by: by * (e.shiftKey ? 10 : 1) })
  } else if (e.key === 'Enter') {
    editor.keys = [me]
    editor.go(bead.frame)
  }
}

function toggleShown() {
  editor.run({ type: 'setLayer', layer: props.row.layer, set: { hidden: !layer.value?.hidden } })
}
</script>

<template>
  <div
    class="row-line"
    :class="{ selected: editor.selected === row.layer, hiddenlayer: layer?.hidden }"
    :data-layer="row.layer"
  >
    <div class="label" :style="{ height: `${height}px` }">
      <div class="title">
        <button
          class="plain grip"
          :aria-label="`Move ${layer?.name} in the stack`"
          title="Drag up or down: nearer or farther"
          @pointerdown="emit('stack', $event)"
        >
          <i :class="icon" />
        </button>
        <button class="plain name" :title="layer?.name" @click="editor.select(row.layer)">{{ layer?.name }}</button>
        <button
          class="plain eye"
          :aria-label="`${layer?.hidden ? 'Show' : 'Hide'} ${layer?.name}`"
          :aria-pressed="layer?.hidden ?? false"
          @click="toggleShown"
        >
          <i :class="layer?.hidden ? 'bi bi-eye-slash' : 'bi bi-eye'" />
        </button>
      </div>
      <template v-if="open">
        <span v-for="(t, i) in row.tracks" :key="t.property" class="lane" :style="{ top: `${top(i) + 4}px` }">{{
          propertyName(t.property)
        }}</span>
      </template>
    </div>
    <svg :width="width" :height="height" @pointerdown.self="editor.select(row.layer)">
      <rect
        :x="x(row.from)"
        :y="1"
        :width="x(row.to - row.from)"
        :height="height - 2"
        rx="5"
        class="bar"
        data-part="whole"
        @pointerdown="pressBar($event, 'whole')"
      />
      <rect
        :x="x(row.from)"
        :y="1"
        width="7"
        :height="height - 2"
        rx="3"
        class="end"
        data-part="from"
        @pointerdown="pressBar($event, 'from')"
      />
      <rect
        :x="x(row.to) - 7"
        :y="1"
        width="7"
        :height="height - 2"
        rx="3"
        class="end"
        data-part="to"
        @pointerdown="pressBar($event, 'to')"
      />
      <g v-for="(t, i) in lanes" :key="t.property">
        <path :d="path(t, i)" class="string" />
        <g v-for="b in t.beads" :key="b.frame">
          <circle
            :cx="x(b.frame)"
            :cy="y(i, b.height)"
            r="5.5"
            class="bead"
            :class="{ onbeat: b.onBeat, selected: isSelected(t.property, b.frame) }"
            tabindex="0"
            role="button"
            :aria-label="`${propertyName(t.property)} ${b.text} at ${timecode(b.frame, editor.clip?.rate ?? 30)}`"
            :data-bead="`${row.layer} ${t.property} ${b.frame}`"
            @pointerdown="pressBead($event, t, b)"
            @keydown="keyBead($event, t, b)"
          >
            <title>
              {{ propertyName(t.property) }} {{ b.text }}, {{ timecode(b.frame, editor.clip?.rate ?? 30)
              }}{{ b.onBeat ? ', bound to a beat' : '' }}
            </title>
          </circle>
        </g>
      </g>
      <circle v-for="f in others" :key="`o${f}`" :cx="x(f)" :cy="height - 4" r="2" class="other" />
    </svg>
  </div>
</template>

<style scoped>
.row-line {
  display: flex;
  scroll-margin: 62px 0 10px;
  border-bottom: 1px solid rgba(23, 63, 71, 0.08);
}

.label {
  position: sticky;
  left: 0;
  z-index: 3;
  flex: none;
  width: 190px;
  background: var(--sailcloth);
  border-right: 1px solid var(--line);
  font-size: 0.82rem;
}

.title {
  display: flex;
  align-items: center;
  padding: 1px 4px;
}

.selected .label {
  background: var(--chalk);
  box-shadow: inset 3px 0 0 var(--brass);
}

.name {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  text-align: left;
  max-width: 118px;
}

.selected .name {
  font-weight: 700;
}

.grip {
  cursor: ns-resize;
  color: var(--harbour-soft);
}

.eye {
  margin-left: auto;
  color: var(--harbour-soft);
}

.lane {
  position: absolute;
  right: 34px;
  font-size: 0.72rem;
  color: var(--harbour-soft);
}

svg {
  flex: none;
  touch-action: none;
}

.bar {
  fill: rgba(44, 122, 104, 0.14);
  cursor: grab;
}

.selected .bar {
  fill: rgba(44, 122, 104, 0.22);
}

.hiddenlayer svg,
.hiddenlayer .name {
  opacity: 0.45;
}

.end {
  fill: rgba(44, 122, 104, 0.4);
  cursor: ew-resize;
}

.string {
  fill: none;
  stroke: var(--harbour);
  stroke-width: 1.4;
  opacity: 0.75;
  pointer-events: none;
}

.bead {
  fill: var(--chalk);
  stroke: var(--harbour);
  stroke-width: 1.8;
  cursor: grab;
}

.bead.onbeat {
  fill: var(--brass);
}

.bead.selected {
  stroke: var(--buoy-deep);
  stroke-width: 3;
}

.other {
  fill: var(--harbour-soft);
}
</style>
