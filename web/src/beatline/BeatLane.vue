<script setup lang="ts">
import { computed } from 'vue'
import { laneName, leftRoom, type Lane } from './beatline'
import { drag } from '../parts/useDrag'
import { useKeys } from './useKeys'
import { useSnap, type Snapped } from './useSnap'
import { useRoom } from '../editor/useRoom'
import { useWarp } from './useWarp'
import { useEditor } from '../stores/editor'
import type { Bead, Command, KeyRef } from '../types'
import { moveName } from '../words'

// One string with its beads, within the row of a layer. In an open row beads
// move in value too, and handles shape the string.
const props = defineProps<{
  layer: string
  track: Lane
  top: number
  height: number
  scale: number
  open: boolean
  speed: boolean
  chosenKeys: KeyRef[]
}>()
const editor = useEditor()
const keys = useKeys()
const { snap, clear } = useSnap()
const warp = useWarp()
const near = useRoom()

const placing = computed(() => warp.placing(props.layer, props.track.property, props.track.beads))
const x = (frame: number) => leftRoom + (placing.value?.(frame) ?? frame) * props.scale
const y = (height: number) => props.top + 6 + (1 - height) * (props.height - 12)
const points = (flat: number[], line: (h: number) => number) => {
  let d = ''
  for (let i = 0; i < flat.length; i += 2)
    d += `${i ? 'L' : 'M'}${x(flat[i]).toFixed(1)} ${line(flat[i + 1]).toFixed(1)}`
  return d
}
const string = computed(() => points(props.track.string, y))
const quick = computed(() =>
  props.speed && props.open
    ? points(props.track.speed, (h) => props.top + props.height - 2 - h * (props.height - 8))
    : ''
)

// A bead stands for a key, or for those of all points of a path.
const refsOf = (bead: Bead): KeyRef[] =>
  props.track.of
    .filter((t) => t.beads.some((b) => b.frame === bead.frame))
    .map((t) => ({ layer: props.layer, property: t.property, frame: bead.frame }))
const chosen = (bead: Bead) => props.chosenKeys.length > 0 && refsOf(bead).every(keys.isSelected)

// Handles of the strings whose first bead is selected.
const handles = computed(() =>
  props.open
    ? props.track.beads.flatMap((b, i) => {
        const next = props.track.beads[i + 1]
        if (!b.curve || !next || !(chosen(b) || chosen(next)) || Math.abs(next.height - b.height) < 1e-6) return []
        const at = (px: number, py: number) => ({
          x: x(b.frame + px * (next.frame - b.frame)),
          y: y(b.height + py * (next.height - b.height))
        })
        const [x1, y1, x2, y2] = b.curve
        return [
          { bead: b, next, end: 0, from: { x: x(b.frame), y: y(b.height) }, ...at(x1, y1) },
          { bead: b, next, end: 1, from: { x: x(next.frame), y: y(next.height) }, ...at(x2, y2) }
        ]
      })
    : []
)

function pressHandle(e: PointerEvent, h: (typeof handles.value)[number]) {
  e.stopPropagation()
  const curve = [...(h.bead.curve as number[])]
  const wide = x(h.next.frame) - x(h.bead.frame)
  const tall = y(h.next.height) - y(h.bead.height)
  let command: Command | null = null
  const start = [...curve]
  drag(
    e,
    (_, dx, dy) => {
      curve[2 * h.end] = Math.min(1, Math.max(0, start[2 * h.end] + dx / wide))
      curve[2 * h.end + 1] = Math.min(10, Math.max(-10, start[2 * h.end + 1] + dy / tall))
      const [x1, y1, x2, y2] = curve.map((v) => Math.round(v * 1000) / 1000)
      command = { type: 'setEase', keys: refsOf(h.bead), ease: { kind: 'bezier', x1, y1, x2, y2 } }
      editor.show(command)
    },
    (moved) => {
      if (moved && command) editor.run(command)
      else if (command) editor.revert()
    }
  )
}

function press(e: PointerEvent, bead: Bead) {
  if (e.button !== 0) return
  e.stopPropagation()
  const me = refsOf(bead)
  // A press on one of several selected beads leaves them selected.
  const already = me.every(keys.isSelected)
  if (!already && props.layer !== '@light' && !editor.chosen.includes(props.layer)) {
    const others = e.shiftKey ? editor.keys : []
    editor.select(props.layer, e.shiftKey)
    editor.keys = others
  }
  if (e.shiftKey) keys.toggle(me)
  else if (!already) editor.keys = me
  const moving = editor.keys.length ? [...editor.keys] : me
  const stretching = e.altKey && moving.length > me.length
  if (stretching) stretch(e, bead, moving)
  else slide(e, bead, me, moving)
}

// slide moves keys in time or, in an open row, in value: whichever way the
// pointer goes first.
function slide(e: PointerEvent, bead: Bead, me: KeyRef[], moving: KeyRef[]) {
  const own = (l: string, p: string, f: number) =>
    moving.some((k) => k.layer === l && k.property === p && k.frame === f)
  const elsewhere = warp.begin(moving)
  let command: Command | null = null
  let by = 0
  let upright: boolean | null = null
  const drags = drag(
    e,
    (m, dx, dy) => {
      upright ??= props.open && props.track.of.length === 1 && Math.abs(dy) > Math.abs(dx)
      if (upright) {
        command = raise(moving, dy)
      } else {
        const raw = bead.frame + dx / props.scale
        let hit = snap(raw, 9 / props.scale, own, m.ctrlKey || m.metaKey)
        const wished = (hit ? hit.frame : Math.round(raw)) - bead.frame
        by = room.nearest(wished)
        if (by !== wished) {
          hit = null
          clear()
        }
        command = by === 0 && hit?.beat === undefined ? null : shift(moving, me, by, hit)
        elsewhere((f) => f + by)
        return editor.showPicture(command)
      }
      if (command) editor.show(command)
      else editor.revert()
    },
    async (moved) => {
      if (!moved) return (clear(), warp.end(), void editor.go(bead.frame))
      await room.known
      clear()
      if (command) await editor.run(command)
      else editor.revert()
      warp.end()
    }
  )
  const room = near({ keys: moving, bead: bead.frame }, drags.again)
}

// A bead that was caught by a beat is bound to it; several keep their moments.
function shift(list: KeyRef[], me: KeyRef[], by: number, hit: Snapped | null): Command {
  const beat = hit?.beat
  if (list.length === me.length && beat !== undefined) {
    const bound = me.map((key): Command => ({ type: 'bindKey', key, to: { beat } }))
    return bound.length === 1 ? bound[0] : { type: 'batch', commands: bound }
  }
  return { type: 'moveKeys', keys: list, by }
}

// raise changes the number that the string shows; a flat string counts as a
// hundred units high.
function raise(list: KeyRef[], dy: number): Command {
  const range = props.track.hi - props.track.lo || 100
  const add = [0, 0, 0, 0]
  const value = (-dy / (props.height - 12)) * range
  add[props.track.dim] = Math.round(value * 100) / 100
  const scale = props.track.property === 'scale'
  const own = list.filter((k) => k.layer === props.layer && k.property === props.track.property)
  return { type: 'moveKeys', keys: own, by: 0, add: scale ? [add[props.track.dim], add[props.track.dim]] : add }
}

// stretch brings the selected keys nearer to the farthest of them, or away.
function stretch(e: PointerEvent, bead: Bead, moving: KeyRef[]) {
  const frames = moving.map((k) => k.frame)
  const [lo, hi] = [Math.min(...frames), Math.max(...frames)]
  const anchor = bead.frame - lo > hi - bead.frame ? lo : hi
  const span = bead.frame - anchor
  const elsewhere = warp.begin(moving)
  let factor = 1
  const drags = drag(
    e,
    (m, dx) => {
      const raw = bead.frame + dx / props.scale
      const hit = snap(raw, 9 / props.scale, () => true, m.ctrlKey)
      const by = (hit ? hit.frame : Math.round(raw)) - bead.frame
      const wide = (by: number) => Math.max(0.01, (span + by) / span)
      factor = wide(room.nearest(by))
      elsewhere((f) => anchor + (f - anchor) * factor)
      editor.showPicture({ type: 'stretchKeys', keys: moving, anchor, factor })
    },
    async (moved) => {
      await room.known
      clear()
      if (moved && factor !== 1) await keys.stretch(factor, anchor)
      else editor.revert()
      warp.end()
    }
  )
  const room = near({ keys: moving, anchor, bead: bead.frame }, drags.again)
}

// Keys can be moved from the keyboard too.
function type(e: KeyboardEvent, bead: Bead) {
  const me = refsOf(bead)
  const by = { ArrowLeft: -1, ArrowRight: 1 }[e.key]
  if (by) {
    e.preventDefault()
    e.stopPropagation()
    if (!me.every(keys.isSelected)) editor.keys = me
    keys.move(by * (e.shiftKey ? 10 : 1))
  } else if (e.key === 'Enter') {
    editor.keys = me
    editor.go(bead.frame)
  }
}

const says = computed(() => props.track.beads.map(describe))
const describe = (b: Bead) =>
  `${laneName(props.track.property)} ${props.track.of.length > 1 ? `of ${props.track.of.length} properties` : b.text}, ${b.when}${b.onBeat ? ', bound to a beat' : ''}${b.move ? `, written by ${moveName(b.move.replace(/-\d+$/, ''))}` : ''}`

function holdCreep(from: number) {
  editor.run({ type: 'holdCreep', key: { layer: props.layer, property: props.track.property, frame: from } })
}
</script>

<template>
  <g>
    <path v-if="quick" :d="quick" class="speed" />
    <path :d="string" class="string" />
    <g v-for="c in track.creeps" :key="`c${c.from}`">
      <line :x1="x(c.from)" :x2="x(c.to)" :y1="top + height - 3" :y2="top + height - 3" class="creep" />
      <g
        v-if="(c.to - c.from) * scale > 54"
        class="mend"
        role="button"
        tabindex="0"
        :aria-label="`It ${c.text}; hold it instead`"
        :data-creep="`${layer} ${track.property} ${c.from}`"
        @pointerdown.stop
        @click="holdCreep(c.from)"
        @keydown.enter="holdCreep(c.from)"
      >
        <rect :x="x((c.from + c.to) / 2) - 22" :y="top + height / 2 - 8" width="44" height="16" rx="6" />
        <text :x="x((c.from + c.to) / 2)" :y="top + height / 2 + 4">creeps</text>
        <title>It {{ c.text }}. Press to hold it until shortly before the next key.</title>
      </g>
    </g>
    <path
      v-if="track.peak && (open || track.peak.fast)"
      :d="`M${x(track.peak.frame + 0.5) - 4} ${top + height}l4 -6 4 6z`"
      class="peak"
      :class="{ fast: track.peak.fast }"
    >
      <title>Fastest here: {{ track.peak.text }}{{ track.peak.fast ? ', too fast to follow' : '' }}</title>
    </path>
    <g v-for="(h, i) in handles" :key="`h${i}`">
      <line :x1="h.from.x" :y1="h.from.y" :x2="h.x" :y2="h.y" class="arm" />
      <rect
        :x="h.x - 4"
        :y="h.y - 4"
        width="8"
        height="8"
        rx="2"
        class="handle"
        :data-shaper="`${track.property} ${h.bead.frame} ${h.end}`"
        @pointerdown="pressHandle($event, h)"
      >
        <title>Shapes the string</title>
      </rect>
    </g>
    <circle
      v-for="(b, i) in track.beads"
      :key="b.frame"
      :cx="x(b.frame)"
      :cy="y(b.height)"
      r="5.5"
      class="bead"
      :class="{ onbeat: b.onBeat, selected: chosen(b), written: b.move }"
      tabindex="0"
      role="button"
      :aria-label="says[i]"
      :data-bead="`${layer} ${track.property} ${b.frame}`"
      @pointerdown="press($event, b)"
      @keydown="type($event, b)"
    >
      <title>{{ says[i] }}</title>
    </circle>
  </g>
</template>

<style scoped>
.string {
  fill: none;
  stroke: var(--harbour);
  stroke-width: 1.5;
  opacity: 0.8;
  pointer-events: none;
}

.speed {
  fill: none;
  stroke: var(--buoy-deep);
  stroke-width: 1.2;
  stroke-dasharray: 3 2;
  opacity: 0.75;
  pointer-events: none;
}

.bead {
  fill: var(--chalk);
  stroke: var(--harbour);
  stroke-width: 1.8;
  cursor: grab;
}

.bead.written {
  stroke-dasharray: 2.5 1.6;
}

.bead.onbeat {
  fill: var(--brass);
}

.bead.selected {
  stroke: var(--buoy-deep);
  stroke-width: 3;
  stroke-dasharray: none;
}

.creep {
  stroke: var(--buoy-deep);
  stroke-width: 2.5;
  stroke-dasharray: 2 3;
}

.mend {
  cursor: pointer;
}

.mend rect {
  fill: var(--chalk);
  stroke: var(--buoy-deep);
}

.mend text {
  font-size: 10px;
  text-anchor: middle;
  fill: var(--buoy-deep);
}

.peak {
  fill: var(--brass);
}

.peak.fast {
  fill: var(--buoy-deep);
}

.arm {
  stroke: var(--harbour);
  stroke-width: 1;
  pointer-events: none;
}

.handle {
  fill: var(--kelp);
  stroke: #fff;
  cursor: move;
}
</style>
