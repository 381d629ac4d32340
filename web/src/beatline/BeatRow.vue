<script setup lang="ts">
import { computed, ref } from 'vue'
import { laneName, lanesOf, leftRoom } from './beatline'
import { drag } from '../parts/useDrag'
import { useSnap } from './useSnap'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import type { Changed, Command, KeyRef, Layer, Row } from '../types'
import { kindIcon, kindOf, moveName, propertyName } from '../words'
import BeatLane from './BeatLane.vue'
import IconButton from '../parts/IconButton.vue'

// One layer on the Beatline: its span as a bar, its keys as beads on the real
// curve. An open row has a lane for each property.
const props = defineProps<{ row: Row; scale: number; width: number; open: boolean; folded: boolean; keys: KeyRef[] }>()
const emit = defineEmits<{ stack: [event: PointerEvent]; fold: []; marquee: [event: PointerEvent] }>()
const editor = useEditor()
const desk = useDesk()
const { snap, clear } = useSnap()

const light = computed(() => props.row.layer === '@light')
const layer = computed(() => editor.layers.get(props.row.layer))
const plays = computed(() => kindOf(layer.value?.kind)?.plays ?? false)
const name = computed(() => (light.value ? 'Light' : (layer.value?.name ?? '')))
// The points of a path share a lane until one wants to see them apart.
const apart = ref(false)
const all = computed(() => lanesOf(props.row.tracks, apart.value))
const lanes = computed(() => (props.open ? all.value : all.value.slice(0, 1)))
const laneHeight = computed(() => (props.open ? 34 : 20))
const height = computed(() => (props.open ? 14 : 4) + Math.max(1, lanes.value.length) * laneHeight.value)
const unfilled = computed(() => `Nothing says what ${(props.row.unfilled ?? []).map((f) => `{${f}}`).join(', ')} is`)
const icon = computed(() => (light.value ? 'bi bi-lamp' : kindIcon(layer.value?.kind)))
const soloed = computed(() => editor.solo.includes(props.row.layer))

const x = (frame: number) => leftRoom + frame * props.scale
const top = (i: number) => (props.open ? 12 : 2) + i * laneHeight.value

// Beads of the other properties of a closed row stand on its lower edge.
const others = computed(() => {
  if (props.open) return []
  const first = new Set(all.value[0]?.beads.map((b) => b.frame))
  return [...new Set(all.value.slice(1).flatMap((t) => t.beads.map((b) => b.frame)))].filter((f) => !first.has(f))
})

// What lies beyond the ends of its scene does not show: it is paler.
const outside = computed(() => {
  const s = editor.sceneNow
  if (!s || props.row.scene !== s.id || editor.view.scenes.length < 2) return ''
  return `M0 0H${x(s.from)}V${height.value}H0zM${x(s.to)} 0H${props.width}V${height.value}H${x(s.to)}z`
})

function pressBar(e: PointerEvent, part: 'whole' | 'from' | 'to') {
  if (e.button !== 0 || light.value) return
  e.stopPropagation()
  if (!editor.chosen.includes(props.row.layer) || e.shiftKey) editor.select(props.row.layer, e.shiftKey)
  const edge = part === 'to' ? props.row.to : props.row.from
  const moving = part === 'whole' ? [...editor.chosen] : [props.row.layer]
  const own = (l: string) => moving.includes(l)
  // What is over all scenes ends with the clip at the latest; what is in one may go on unseen.
  const last = part === 'whole' || props.row.scene ? Infinity : editor.view.length - (part === 'from' ? 1 : 0)
  let commands: Command[] = []
  drag(
    e,
    (m, dx) => {
      const raw = Math.min(edge + dx / props.scale, last)
      const hit = snap(raw, 9 / props.scale, own, m.ctrlKey || m.metaKey)
      const by = (hit ? hit.frame : Math.round(raw)) - edge
      commands = by ? moving.map((l) => ({ type: 'shiftLayer', layer: l, by, part })) : []
      if (commands.length) editor.show({ type: 'batch', commands })
      else editor.revert()
    },
    (moved) => {
      clear()
      if (moved && commands.length) editor.runAll(commands)
      else if (moved) editor.revert()
    }
  )
}

const set = (values: Changed<Layer>) => editor.run({ type: 'setLayer', layer: props.row.layer, set: values })

function toggleSolo() {
  const now = editor.solo
  editor.setSolo(soloed.value ? now.filter((l) => l !== props.row.layer) : [...now, props.row.layer])
}
</script>

<template>
  <div
    class="row-line"
    :class="{ selected: editor.chosen.includes(row.layer), hiddenlayer: layer?.hidden }"
    :data-layer="row.layer"
  >
    <div class="label" :style="{ height: `${height}px`, paddingLeft: `${row.depth * 12}px` }">
      <div class="title">
        <IconButton
          :icon="folded ? 'chevron-right' : 'chevron-down'"
          v-if="layer?.kind === 'group'"
          class="fold"
          :aria-expanded="!folded"
          :label="`${folded ? 'Unfold' : 'Fold'} ${name}`"
          @click="emit('fold')"
        />
        <button
          class="plain grip"
          :aria-label="`Move ${name} in the stack`"
          title="Drag up or down: nearer or farther"
          @pointerdown="emit('stack', $event)"
        >
          <i :class="icon" />
        </button>
        <button
          class="plain name"
          :title="layer?.label ? `${name}, ${layer.label}` : name"
          @click="!light && editor.select(row.layer, $event.shiftKey || $event.ctrlKey)"
          @dblclick="editor.toggleOpen(row.layer)"
        >
          {{ name }} <em v-if="layer?.label">{{ layer.label }}</em>
        </button>
        <i v-if="row.unfilled" class="bi bi-braces hasty" role="img" :aria-label="unfilled" :title="unfilled" />
        <i
          v-if="row.doubts"
          class="bi bi-exclamation-triangle hasty"
          role="img"
          :aria-label="row.doubts[0]"
          :title="row.doubts[0]"
        />
        <i v-if="row.hasty" class="bi bi-hourglass-split hasty" role="img" :aria-label="row.hasty" :title="row.hasty" />
        <span class="marks">
          <IconButton
            icon="distribute-vertical"
            v-if="row.tracks.length"
            class="quiet"
            :pressed="editor.opened.includes(row.layer)"
            :label="`Keep the lanes of ${name} open`"
            :title="`${editor.opened.includes(row.layer) ? 'Close' : 'Keep open'} the lanes`"
            @click="editor.toggleOpen(row.layer)"
          />
          <template v-if="!light">
            <IconButton
              icon="bullseye"
              class="quiet"
              :pressed="soloed"
              :label="`Show ${name} alone`"
              title="Show alone (only here; exports show everything)"
              @click="toggleSolo"
            />
            <IconButton
              :icon="layer?.locked ? 'lock-fill' : 'unlock'"
              class="quiet"
              :pressed="layer?.locked ?? false"
              :label="`${layer?.locked ? 'Unlock' : 'Lock'} ${name}`"
              :title="layer?.locked ? 'Unlock' : 'Lock: not picked in the picture'"
              @click="set({ locked: !layer?.locked })"
            />
            <IconButton
              :icon="layer?.hidden ? 'eye-slash' : 'eye'"
              class="eye"
              :label="`${layer?.hidden ? 'Show' : 'Hide'} ${name}`"
              @click="set({ hidden: !layer?.hidden })"
            />
          </template>
        </span>
      </div>
      <template v-if="open">
        <template v-for="(t, i) in lanes" :key="t.property">
          <button
            v-if="laneName(t.property) === 'Path'"
            class="plain lane"
            :style="{ top: `${top(i) + 8}px` }"
            :aria-expanded="apart"
            :title="apart ? 'All points in one lane' : 'A lane for each point'"
            @click="apart = !apart"
          >
            <i :class="apart ? 'bi bi-chevron-down' : 'bi bi-chevron-right'" />
            {{ apart ? propertyName(t.property) : 'Path' }}
          </button>
          <span v-else class="lane" :style="{ top: `${top(i) + 8}px` }">{{ laneName(t.property) }}</span>
        </template>
      </template>
    </div>
    <svg :width="width" :height="height" @pointerdown="emit('marquee', $event)">
      <rect
        :x="x(row.from)"
        :y="1"
        :width="Math.max(1, (row.to - row.from) * scale)"
        :height="height - 2"
        rx="5"
        class="bar"
        :class="{ group: layer?.kind === 'group', plays }"
      />
      <template v-if="!light && !plays">
        <rect
          :x="x(row.from)"
          y="1"
          :width="Math.max(1, (row.to - row.from) * scale)"
          :height="open ? 11 : 5"
          class="grab"
          data-part="whole"
          @pointerdown="pressBar($event, 'whole')"
        >
          <title>Drag to slide {{ name }} in time</title>
        </rect>
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
      </template>
      <template v-if="open">
        <g v-for="m in row.moves" :key="m.id">
          <rect :x="x(m.from)" y="2" :width="Math.max(6, (m.to - m.from) * scale)" height="9" rx="4" class="move" />
          <text v-if="(m.to - m.from) * scale > 34" :x="x(m.from) + 5" y="10" class="movename">
            {{ moveName(m.kind) }}
          </text>
        </g>
      </template>
      <BeatLane
        v-for="(t, i) in lanes"
        :key="t.property"
        :layer="row.layer"
        :track="t"
        :top="top(i)"
        :height="laneHeight"
        :scale="scale"
        :open="open"
        :speed="desk.speed"
        :chosen-keys="keys"
      />
      <circle v-for="f in others" :key="`o${f}`" :cx="x(f)" :cy="height - 4" r="2" class="other" />
      <path v-if="outside" :d="outside" class="outside" />
    </svg>
  </div>
</template>

<style scoped>
/* What happens in a row stays in it, so that the others need no painting. */
.row-line {
  display: flex;
  contain: content;
  scroll-margin: 88px 0 10px;
  border-bottom: 1px solid rgba(23, 63, 71, 0.08);
}

.label {
  position: sticky;
  left: 0;
  z-index: 3;
  flex: none;
  width: var(--heads);
  container-type: inline-size;
  background: var(--sailcloth);
  border-right: 1px solid var(--line);
  font-size: 0.82rem;
}

/* Where names have little room, the pointer or the keyboard unfolds them. */
.label:hover,
.label:focus-within {
  width: max(var(--heads), 200px);
  margin-right: min(0px, var(--heads) - 200px);
  transition:
    width 0s 0.3s,
    margin-right 0s 0.3s;
}

@container (max-width: 140px) {
  .title .marks {
    display: none;
  }
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
}

.name em {
  font-style: normal;
  font-size: 0.72rem;
  color: var(--brass-deep);
  border: 1px solid currentcolor;
  border-radius: 6px;
  padding: 0 0.25rem;
}

.hasty {
  color: var(--buoy-deep);
  font-size: 0.75rem;
}

.selected .name {
  font-weight: 700;
}

.grip {
  cursor: ns-resize;
}

.fold,
.quiet {
  padding: 0.1rem 0.15rem;
}

.grip,
.eye,
.quiet,
.fold {
  color: var(--harbour-soft);
}

.marks {
  display: flex;
}

.quiet:not(.on) {
  display: none;
}

.row-line:hover .quiet,
.row-line:focus-within .quiet,
.selected .quiet {
  display: inline-block;
}

.marks .on {
  background: none;
  color: var(--buoy-deep);
}

.lane {
  position: absolute;
  right: 12px;
  font-size: 0.74rem;
  color: var(--harbour-soft);
}

svg {
  flex: none;
  touch-action: none;
}

.bar {
  fill: rgba(44, 122, 104, 0.14);
  pointer-events: none;
}

.bar.plays {
  fill: rgba(23, 63, 71, 0.12);
}

.bar.group {
  fill: rgba(200, 146, 46, 0.2);
}

.selected .bar {
  fill: rgba(44, 122, 104, 0.22);
}

.selected .bar.group {
  fill: rgba(200, 146, 46, 0.3);
}

.outside {
  fill: var(--sailcloth);
  opacity: 0.62;
  pointer-events: none;
}

.grab {
  fill: rgba(44, 122, 104, 0.24);
  cursor: grab;
}

.hiddenlayer svg {
  opacity: 0.45;
}

.hiddenlayer .name {
  opacity: 0.75;
  font-style: italic;
}

.end {
  fill: rgba(44, 122, 104, 0.4);
  cursor: ew-resize;
}

.move {
  fill: var(--brass);
  opacity: 0.35;
  pointer-events: none;
}

.movename {
  font-size: 8.5px;
  fill: #6d4c12;
  pointer-events: none;
}

.other {
  fill: var(--harbour-soft);
}
</style>
