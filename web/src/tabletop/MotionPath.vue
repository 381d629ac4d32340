<script setup lang="ts">
import { watchThrottled } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, shallowRef } from 'vue'
import { within } from './within'
import { useTabletop } from './useTabletop'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import type { Command, MotionPath, Place } from '../types'

// The way of the chosen layer through the frame: a dot a frame, so that fast
// parts are loose and slow ones dense. Its keys and handles can be dragged while
// a drag is to change keys; otherwise they would be in the way.
const props = defineProps<{ w: number; h: number }>()
const editor = useEditor()
const desk = useDesk()
const group = ref<SVGGElement | null>(null)
const svg = computed(() => (group.value?.ownerSVGElement ?? null) as SVGSVGElement | null)
const top = useTabletop(
  svg,
  () => props.w,
  () => props.h
)
const path = shallowRef<MotionPath>({ first: 0, points: [], keys: [] })
let gone = false

// It follows a moment later, so that it does not slow down what is dragged.
watchThrottled(
  () => [editor.selected, editor.shape, editor.version],
  async () => {
    if (!editor.layer?.tracks.position?.length) {
      path.value = { first: 0, points: [], keys: [] }
      return
    }
    const got = await editor.ask('path', { layer: editor.selected, shape: editor.shape }).catch(() => null)
    if (got && !gone) path.value = got
  },
  { immediate: true, throttle: 120 }
)
onBeforeUnmount(() => (gone = true))

const line = computed(() =>
  path.value.points
    .map((p) =>
      top
        .px(p)
        .map((v) => v.toFixed(1))
        .join(' ')
    )
    .join('L')
)
const dots = computed(() => (path.value.points.length < 400 ? path.value.points.map(top.px) : []))
const diamond = ([x, y]: [number, number]) => `M${x} ${y - 5}l5 5-5 5-5-5z`

type Key = MotionPath['keys'][number]

// A key is dragged like the layer on its frame. With Alt, handles are drawn out
// of it, so that the way bends.
function dragKey(e: PointerEvent, k: Key) {
  e.stopPropagation()
  const place = editor.placeOf(editor.selected)
  const keyRef = { layer: editor.selected, property: 'position', frame: k.frame }
  editor.keys = [keyRef]
  top.follow(
    e,
    (_, dx, dy): Command[] => {
      const x = dx / top.unit.value
      const y = dy / top.unit.value
      const [gx, gy] = place ? within(place, x, y) : [x, y]
      if (e.altKey) return [{ type: 'bendPath', key: keyRef, out: [gx, gy], in: [-gx, -gy] }]
      return [
        {
          type: 'handle',
          layer: editor.selected,
          shape: editor.shape,
          frame: k.frame,
          target: 'key',
          dx: gx,
          dy: gy,
          base: k.off && place ? based(place, k) : undefined
        }
      ]
    },
    () => void editor.go(k.frame)
  )
}

// based is the position of a key that is "just outside", worked out.
function based(place: Place, k: Key): [number, number] {
  const [dx, dy] = within(place, k.at[0] - place.x, k.at[1] - place.y)
  return [place.position[0] + dx, place.position[1] + dy]
}

function dragHandle(e: PointerEvent, k: Key, end: 'out' | 'in') {
  e.stopPropagation()
  const place = editor.placeOf(editor.selected)
  const vector = (at: [number, number] | null) => {
    if (!at) return undefined
    const d: [number, number] = [at[0] - k.at[0], at[1] - k.at[1]]
    return place ? within(place, ...d) : d
  }
  const handles = { out: vector(k.out), in: vector(k.in) }
  top.follow(e, (m): Command[] => {
    const moved = vector(top.units(m))
    return [
      {
        type: 'bendPath',
        key: { layer: editor.selected, property: 'position', frame: k.frame },
        ...handles,
        [end]: moved
      }
    ]
  })
}

function straighten(k: Key) {
  editor.run({
    type: 'bendPath',
    key: { layer: editor.selected, property: 'position', frame: k.frame }
  })
}
</script>

<template>
  <g ref="group">
    <template v-if="path.keys.length > 1">
      <path :d="`M${line}`" class="way under" />
      <path :d="`M${line}`" class="way" />
      <circle v-for="(d, i) in dots" :key="i" :cx="d[0]" :cy="d[1]" r="1.6" class="dot" />
    </template>
    <g v-for="k in path.keys" :key="k.frame">
      <template v-for="end in ['out', 'in'] as const" :key="end">
        <template v-if="k[end]">
          <line
            :x1="top.px(k.at)[0]"
            :y1="top.px(k.at)[1]"
            :x2="top.px(k[end]!)[0]"
            :y2="top.px(k[end]!)[1]"
            class="arm"
          />
          <circle
            :cx="top.px(k[end]!)[0]"
            :cy="top.px(k[end]!)[1]"
            r="5"
            class="bend"
            :class="{ free: desk.target === 'key' }"
            :data-bend="`${k.frame} ${end}`"
            @pointerdown="dragHandle($event, k, end)"
          />
        </template>
      </template>
      <path
        :d="diamond(top.px(k.at))"
        class="key"
        :class="{ here: k.frame === editor.frame, free: desk.target === 'key' }"
        :data-pathkey="k.frame"
        @pointerdown="dragKey($event, k)"
        @dblclick="straighten(k)"
      >
        <title>Position key; drag it, or with Alt bend the way. Double-click makes it straight.</title>
      </path>
    </g>
  </g>
</template>

<style scoped>
.way {
  fill: none;
  stroke: #f0b94f;
  stroke-width: 1.5;
  pointer-events: none;
}

.way.under {
  stroke: #173f47;
  stroke-width: 3;
  opacity: 0.5;
}

.dot {
  fill: #fcfaf5;
  pointer-events: none;
}

.arm {
  stroke: #fcfaf5;
  stroke-width: 1.2;
  pointer-events: none;
}

.key {
  fill: #f0b94f;
  stroke: #173f47;
  stroke-width: 1.5;
  cursor: move;
}

.key:not(.free) {
  fill: none;
  stroke: #f0b94f;
  pointer-events: none;
}

.key.free.here {
  fill: #dd4f28;
}

.bend:not(.free) {
  pointer-events: none;
}

.bend {
  fill: #2c7a68;
  stroke: #fff;
  stroke-width: 1.5;
  cursor: move;
}
</style>
