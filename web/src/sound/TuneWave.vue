<script setup lang="ts">
import { useElementSize, useWindowSize } from '@vueuse/core'
import { computed, ref, watch, watchEffect } from 'vue'
import { sectionKinds } from '../gen/catalogue'
import { drag } from '../parts/useDrag'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { drawBands } from './drawBands'
import type { Cut } from './useCut'
import type { Tune } from './useTune'
import type { TunePlayer } from './useTunePlayer'
import { useWindow } from './useWindow'

// The tune: sections, bars, how far it swings, its beats, and its hits with the strength from
// which on they count. What of it the clip plays lies over it, with ends that catch on bars.
const props = defineProps<{ of: Tune; player: TunePlayer; cut: Cut; correcting: boolean }>()
const editor = useEditor()
const desk = useDesk()
const box = ref<HTMLElement | null>(null)
const wave = ref<HTMLCanvasElement | null>(null)
const whole = ref<HTMLCanvasElement | null>(null)
const { width } = useElementSize(box)
const seconds = computed(() => props.of.tune.value?.seconds ?? 0)
const window_ = useWindow(seconds, width)
const { x } = window_

// What swings has the room that the rest leaves; all in pixels.
const { height: room } = useWindowSize()
const tops = { sections: 0, bars: 26, wave: 48 }
const waveHigh = computed(() => Math.max(150, Math.min(room.value - 434, 520)))
const hitsHigh = 78
const hitsTop = computed(() => tops.wave + waveHigh.value + 6)
const high = computed(() => hitsTop.value + hitsHigh)

watchEffect(
  () => {
    const { from, long } = window_
    if (wave.value && width.value) drawBands(wave.value, props.of.bands.value, from.value, from.value + long.value)
    if (whole.value && width.value) drawBands(whole.value, props.of.bands.value, 0, seconds.value, true)
  },
  { flush: 'post' }
)

const seen = <T,>(list: readonly T[], at: (v: T) => number, beyond = 0) =>
  list.filter((v) => {
    const px = x(at(v))
    return px >= -beyond && px <= width.value + 1
  })
const beats = computed(() => {
  const all = props.of.tune.value?.beats ?? []
  const room = all.length > 1 ? (all[1].at - all[0].at) * window_.scale.value : 0
  const shown = room > 9 ? all : all.filter((b) => b.down)
  return { room, list: seen(shown, (b) => b.at, 1) }
})
// Bars whose numbers have room.
const numbered = computed(() => {
  const bars = props.of.bars.value
  const room = bars.length > 1 ? (bars[1] - bars[0]) * window_.scale.value : 0
  const every = [1, 2, 4, 8, 16, 32].find((n) => n * room > 30) ?? 64
  return (props.of.tune.value?.beats ?? []).filter((b) => b.down && (b.bar - 1) % every === 0 && x(b.at) > -30)
})
const hits = computed(() => seen(props.of.tune.value?.hits ?? [], (h) => h.at + (h.lasts ?? 0), 300))
const sections = computed(() =>
  (props.of.tune.value?.sections ?? []).map((s) => ({
    ...s,
    left: Math.max(0, x(s.from)),
    right: Math.min(width.value, x(s.to)),
    name: sectionKinds.find((k) => k.id === s.kind)?.name ?? s.kind
  }))
)
const hitTop = (strength: number) => hitsTop.value + hitsHigh - 6 - strength * (hitsHigh - 14)
const parts = computed(() => props.cut.parts.value)

function second(e: PointerEvent) {
  return window_.at(e.clientX - (box.value as HTMLElement).getBoundingClientRect().left)
}

// A press on the tune puts the playhead there; a drag chooses bars to be looped.
function press(e: PointerEvent) {
  if (e.button !== 0) return
  const begun = second(e)
  drag(
    e,
    (m) => {
      const [a, b] = [begun, second(m)].sort((p, q) => p - q)
      const from = props.of.snap(a, m.ctrlKey)
      const to = props.of.snap(b, m.ctrlKey)
      props.player.only(to > from ? { from, to } : null)
    },
    (moved) => {
      if (moved) return
      props.player.only(null)
      props.player.seek(begun)
    }
  )
}

function edge(e: PointerEvent, i: number, end: 'from' | 'to') {
  e.stopPropagation()
  props.cut.choose(i)
  drag(
    e,
    (m) => props.cut.edge(i, end, props.of.snap(second(m), m.ctrlKey)),
    () => undefined
  )
}

function slip(e: PointerEvent, i: number) {
  e.stopPropagation()
  props.cut.choose(i)
  const was = parts.value[i].from
  const begun = second(e)
  drag(
    e,
    (m) => props.cut.slip(i, props.of.snap(was + second(m) - begun, m.ctrlKey)),
    () => undefined
  )
}

// Hits below the line do not count.
function threshold(e: PointerEvent) {
  e.stopPropagation()
  const bottom = (box.value as HTMLElement).getBoundingClientRect().top + hitTop(0)
  drag(
    e,
    (m) => {
      const v = (bottom - m.clientY) / (hitTop(0) - hitTop(1))
      desk.leastHit = Math.round(100 * Math.max(0, Math.min(v, 1))) / 100
    },
    () => undefined
  )
}
const nudge = (by: number) => (desk.leastHit = Math.round(100 * Math.max(0, Math.min(desk.leastHit + by, 1))) / 100)

// A beat that is dragged takes its neighbours along.
const dragged = ref<{ at: number; to: number } | null>(null)
function beat(e: PointerEvent, at: number) {
  e.stopPropagation()
  drag(
    e,
    (m) => (dragged.value = { at, to: second(m) }),
    (moved) => {
      const d = dragged.value
      dragged.value = null
      if (moved && d) editor.run({ type: 'setTempo', drag: { second: d.at, to: d.to } })
    }
  )
}

function wheel(e: WheelEvent) {
  e.preventDefault()
  const px = e.clientX - (box.value as HTMLElement).getBoundingClientRect().left
  if (e.ctrlKey) window_.zoom(Math.exp(-e.deltaY / 300), px)
  else window_.go(window_.from.value + ((e.deltaX || e.deltaY) / width.value) * window_.long.value)
}

// Of all of it, what is seen below is moved.
function overview(e: PointerEvent) {
  const el = e.currentTarget as HTMLElement
  const go = (m: PointerEvent) => {
    const left = el.getBoundingClientRect().left
    window_.go(((m.clientX - left) / width.value) * seconds.value - window_.long.value / 2)
  }
  go(e)
  drag(e, go, () => undefined)
}

watch(props.player.at, (at) => props.player.playing.value && window_.see(at))
const zoomed = computed(() => window_.long.value < seconds.value - 0.01)
defineExpose({ zoom: (factor: number) => window_.zoom(factor, width.value / 2), zoomed })
</script>

<template>
  <div class="tunewave">
    <div ref="box" class="box" :style="{ height: `${high}px` }" data-test="tune" @wheel="wheel" @pointerdown="press">
      <canvas ref="wave" class="wave" :style="{ top: `${tops.wave}px`, height: `${waveHigh}px` }" />
      <svg :width="width" :height="high">
        <g v-for="s in sections" :key="s.from" :class="['section', s.kind]" :data-section="s.kind">
          <rect :x="s.left" :y="tops.sections" :width="Math.max(0, s.right - s.left - 1)" height="22" rx="4" />
          <text v-if="s.right - s.left > 44" :x="s.left + 7" y="15">
            {{ s.name }}
            <tspan v-if="s.bars && s.right - s.left > 92" class="of" dx="5">{{ Math.round(s.bars) }} bars</tspan>
          </text>
          <title>{{ s.name }}, {{ s.bars ? `${Math.round(s.bars)} bars` : '' }}</title>
        </g>
        <text v-for="b in numbered" :key="`n${b.bar}`" class="number" :x="x(b.at) + 3" :y="tops.bars + 16">
          {{ b.bar }}
        </text>
        <g v-for="b in beats.list" :key="b.at" :class="b.down ? 'down' : 'beat'">
          <line
            :x1="x(dragged?.at === b.at ? dragged.to : b.at)"
            :x2="x(dragged?.at === b.at ? dragged.to : b.at)"
            :y1="b.down ? tops.bars : tops.wave"
            :y2="tops.wave + waveHigh"
            :data-beat="b.at"
          />
          <circle
            v-if="correcting && beats.room > 12"
            class="knob"
            :cx="x(dragged?.at === b.at ? dragged.to : b.at)"
            :cy="tops.wave + waveHigh - 8"
            r="6"
            @pointerdown="beat($event, b.at)"
          >
            <title>Drag the beat to where it is heard; those beside it follow</title>
          </circle>
        </g>
        <g class="hits">
          <line class="ground" x1="0" :x2="width" :y1="hitTop(0)" :y2="hitTop(0)" />
          <g
            v-for="h in hits"
            :key="`${h.at}${h.kind}`"
            :class="['hit', h.kind, { weak: h.strength < desk.leastHit }]"
            :data-hit="h.at"
          >
            <path
              v-if="h.lasts"
              :d="`M${x(h.at)} ${hitTop(0)}L${x(h.at + h.lasts)} ${hitTop(h.strength)}V${hitTop(0)}z`"
            />
            <template v-else>
              <line :x1="x(h.at)" :x2="x(h.at)" :y1="hitTop(0)" :y2="hitTop(h.strength)" />
              <rect v-if="h.again" :x="x(h.at) - 2.5" :y="hitTop(h.strength) - 2.5" width="5" height="5" rx="1" />
              <path v-else :d="`M${x(h.at)} ${hitTop(h.strength) - 5}l4.5 5l-4.5 5l-4.5-5z`" />
            </template>
          </g>
        </g>
        <g v-for="(p, i) in parts" :key="i" :class="['part', { chosen: i === cut.chosen.value }]" :data-part="i">
          <rect
            :x="x(p.from)"
            :y="tops.wave"
            :width="Math.max(2, (p.to - p.from) * window_.scale.value)"
            :height="waveHigh"
            class="over"
          />
          <rect
            :x="x(p.from)"
            :y="tops.wave - 3"
            :width="Math.max(2, (p.to - p.from) * window_.scale.value)"
            height="9"
            class="grip"
            @pointerdown="slip($event, i)"
          >
            <title>Drag to play as much from elsewhere</title>
          </rect>
          <g
            v-for="end in correcting ? [] : (['from', 'to'] as const)"
            :key="end"
            class="end"
            @pointerdown="edge($event, i, end)"
          >
            <rect :x="x(p[end]) - 7" :y="tops.wave - 3" width="14" :height="waveHigh + 3" class="reach" />
            <line :x1="x(p[end])" :x2="x(p[end])" :y1="tops.wave - 3" :y2="tops.wave + waveHigh" />
            <rect :x="x(p[end]) - 4" :y="tops.wave + waveHigh / 2 - 16" width="8" height="32" rx="4" class="handle" />
            <title>{{ end === 'from' ? 'Drag to begin' : 'Drag to end' }} on another bar; with Ctrl anywhere</title>
          </g>
        </g>
        <rect
          v-if="player.loop.value"
          class="loop"
          :x="x(player.loop.value.from)"
          :y="tops.bars"
          :width="(player.loop.value.to - player.loop.value.from) * window_.scale.value"
          height="20"
          rx="3"
          data-test="looped"
        />
        <g class="threshold">
          <line x1="0" :x2="width" :y1="hitTop(desk.leastHit)" :y2="hitTop(desk.leastHit)" />
          <rect
            :y="hitTop(desk.leastHit) - 7"
            x="0"
            :width="width"
            height="14"
            class="reach"
            @pointerdown="threshold"
          />
        </g>
        <line class="playhead" :x1="x(player.at.value)" :x2="x(player.at.value)" y1="22" :y2="high" data-test="at" />
      </svg>
      <button
        class="least"
        role="slider"
        aria-label="Strength from which on hits count"
        :aria-valuenow="Math.round(100 * desk.leastHit)"
        aria-valuemin="0"
        aria-valuemax="100"
        title="Hits below this line do not count: drag it"
        :style="{ top: `${hitTop(desk.leastHit) - 12}px` }"
        @pointerdown="threshold"
        @keydown.up.prevent="nudge(0.05)"
        @keydown.down.prevent="nudge(-0.05)"
      >
        {{ Math.round(100 * desk.leastHit) }}%
      </button>
    </div>
    <div class="overview" title="All of the tune" @pointerdown="overview">
      <canvas ref="whole" />
      <span
        v-for="(p, i) in parts"
        :key="i"
        class="plays"
        :style="{ left: `${(100 * p.from) / seconds}%`, width: `${(100 * (p.to - p.from)) / seconds}%` }"
      />
      <span
        v-if="zoomed"
        class="window"
        :style="{ left: `${(100 * window_.from.value) / seconds}%`, width: `${(100 * window_.long.value) / seconds}%` }"
      />
    </div>
  </div>
</template>

<style scoped src="./tunewave.css" />
